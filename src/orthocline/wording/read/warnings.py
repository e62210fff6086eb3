"""What the golfer must know of a read, each with its remedy, in the golfer's units."""

import math
from collections.abc import Callable, Mapping

from orthocline.core.roll import (
    Aim,
    Read,
    ReadWarning,
    RollPast,
    grain_worth,
    softest_straight_in,
    steepest_holding_slope,
)
from orthocline.wording.figures import side, tidy
from orthocline.wording.wording import USUAL_WORDING, Wording


def warning_words(read: Read, wording: Wording = USUAL_WORDING) -> tuple[str, ...]:
    """Return a sentence for each warning of a read, in their order."""
    return tuple(SENTENCES[warning](read, wording) for warning in read.warnings)


def other_lines_words(read: Read, wording: Wording = USUAL_WORDING) -> tuple[tuple[int, str], ...]:
    """Return the number of each other line at the same pace, and a sentence that tells it from this one."""
    return tuple((number, _other_line(read, aim, wording)) for number, aim in read.other_lines)


def _other_line(read: Read, aim: Aim, wording: Wording) -> str:
    angle = aim.launch.right_rad
    way = "A longer way" if aim.time_to_hole_s > read.aim.time_to_hole_s else "A more direct way"
    start = f"start {tidy(abs(math.degrees(angle)), 0)}° {side(angle)} of the hole"
    speed = wording.ball_speed(aim.launch.speed_mps)
    return f"{way} in has this pace too: {start} at {speed}, {aim.time_to_hole_s:.1f} s on the way."


def note_words(read: Read, wording: Wording = USUAL_WORDING) -> tuple[str, ...]:
    """Return the warnings of a read, and what its grain is worth."""
    warnings = warning_words(read, wording)
    if not read.putt.grain.strength:
        return warnings
    worth = wording.slope(grain_worth(read.putt))
    return (*warnings, f"This grain is worth {worth} of slope, and is counted.")


def _at_hole(read: Read, wording: Wording) -> str:
    return wording.ball_speed(read.aim.speed_at_hole_mps, 2)


def _does_not_hold(read: Read, wording: Wording) -> str:
    most = wording.slope(steepest_holding_slope(read.putt.green_speed_ft))
    softest = (
        "" if read.aim.pace_met else f" The softest putt, {_at_hole(read, wording)} at the hole, is given."
    )
    return (
        f"This slope cannot hold a ball: at this green speed only ground up to {most} does."
        f" Past the hole it would still be rolling.{softest}"
    )


def _not_so_softly(read: Read, wording: Wording) -> str:
    past, pace = read.aim.past_m, read.putt.pace
    if past is not None and isinstance(pace, RollPast) and past < pace.past_m:
        return (
            "No ball stops so far past the hole here: a touch firmer, it runs on and on. The nearest, which"
            f" rolls {wording.far(past)} past, is given."
        )
    return f"No ball passes the hole so softly here; the softest, {_at_hole(read, wording)}, is given."


def _too_fast(read: Read, wording: Wording) -> str:
    remedy = "Roll it softer." if read.aim.pace_met else "Play for a safe leave below the hole."
    return (
        f"At {_at_hole(read, wording)} at the hole the ball is too fast to drop: it would run over or lip"
        f" out. {remedy}"
    )


def _comes_back(read: Read, wording: Wording) -> str:
    said = (
        f"This ball passes the hole and rolls back into it, {read.aim.time_to_hole_s:.0f} s after it left:"
        " a touch more or less and it is far off."
    )
    straight = softest_straight_in(read.putt, read.aim)
    if straight is None or straight.past_m is None:
        return said
    speed, past = wording.ball_speed(straight.speed_at_hole_mps, 2), wording.far(straight.past_m)
    return f"{said} The softest that goes straight in reaches the hole at {speed} and would roll {past} past."


def _not_so_many(read: Read, _wording: Wording) -> str:
    there = "only one line leads" if len(read.lines) == 1 else f"only {len(read.lines)} lines lead"
    return f"There is no line {read.putt.line} here: at this pace {there} to the hole. The last is given."


def _no_mark(_read: Read, _wording: Wording) -> str:
    return (
        "The start line is more than 60 degrees off the hole: no spot beside the hole stands for it. Use the"
        " start spot."
    )


SENTENCES: Mapping[ReadWarning, Callable[[Read, Wording], str]] = {
    ReadWarning.SLOPE_DOES_NOT_HOLD: _does_not_hold,
    ReadWarning.PACE_NOT_MET: _not_so_softly,
    ReadWarning.TOO_FAST_TO_DROP: _too_fast,
    ReadWarning.COMES_BACK: _comes_back,
    ReadWarning.LINE_NOT_THERE: _not_so_many,
    ReadWarning.NO_AIM_MARK: _no_mark,
}
