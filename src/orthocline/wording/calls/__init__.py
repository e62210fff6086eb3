"""The schools' words: a module per school, by the names of the core's registry."""

from collections.abc import Iterator

from orthocline.core.calls import SCHOOLS, GolferFigures, ranges_of
from orthocline.core.roll import Read
from orthocline.core.sure import AimRange
from orthocline.wording.calls import (
    aim_spot,
    apex,
    beat_mark,
    cup_entry,
    curve_gate,
    fall_line_dial,
    hand_gauge,
    instinct,
    level_twin,
    pace_target,
    plumb_line,
    start_spot,
    stroke,
)
from orthocline.wording.calls.saying import CallLine, Saying
from orthocline.wording.calls.spans import spans_text
from orthocline.wording.wording import Wording

SAYINGS: dict[str, Saying] = {
    "aim_spot": aim_spot.SAYING,
    "apex": apex.SAYING,
    "beat_mark": beat_mark.SAYING,
    "cup_entry": cup_entry.SAYING,
    "curve_gate": curve_gate.SAYING,
    "fall_line_dial": fall_line_dial.SAYING,
    "hand_gauge": hand_gauge.SAYING,
    "instinct": instinct.SAYING,
    "level_twin": level_twin.SAYING,
    "pace_target": pace_target.SAYING,
    "plumb_line": plumb_line.SAYING,
    "start_spot": start_spot.SAYING,
    "stroke": stroke.SAYING,
}


def call_lines(
    read: Read, wording: Wording, golfer: GolferFigures, sure: AimRange | None = None
) -> Iterator[CallLine]:
    """Yield a read in the words of every school that has something to say of it, each with its range."""
    for name, school in SCHOOLS.items():
        saying = SAYINGS[name]
        said = saying.words(read, school.value(read, golfer), wording)
        if said is not None:
            spans = ranges_of(school, read, golfer, sure.aim_right_m, sure.speed_mps) if sure else ()
            yield CallLine(name, saying.title(wording), *said, spans_text(school, spans, wording))
