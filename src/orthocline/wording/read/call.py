"""The call: the read as a caddie would say it, each sentence from the one solved putt."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property

from orthocline.core.calls import USUAL_GOLFER, GolferFigures, level_twin_of
from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.roll import OwnRoll, Read, RollPast
from orthocline.wording.calls import call_lines
from orthocline.wording.calls.saying import STRAIGHT_M, CallLine
from orthocline.wording.figures import cups_words, hour_words, side, tidy
from orthocline.wording.wording import USUAL_WORDING, Wording

MOST_CUPS = 10
"""Nobody counts more cups than this."""


@dataclass(frozen=True, eq=False)
class Call:
    """What to do, then why: said of a read in the golfer's words, for the golfer's own stroke.

    Attributes
    ----------
    lead, spot, tail : str
        The aim sentence in three pieces; `spot` is what the eye must catch.
    pace : str
        The pace sentence.
    """

    read: Read
    wording: Wording
    golfer: GolferFigures
    lead: str
    spot: str
    tail: str
    pace: str

    @property
    def sentence(self) -> str:
        """The whole call as one line."""
        return f"{self.lead}{self.spot}{self.tail} {self.pace}"

    @cached_property
    def details(self) -> tuple[str, ...]:
        """Where that is in other words, and what follows."""
        return tuple(_details(self.read, self.wording))

    @cached_property
    def lines(self) -> tuple[CallLine, ...]:
        """The same putt in the schools' words, and within which launches it still drops."""
        lines = call_lines(self.read, self.wording, self.golfer)
        if self.read.make_window is None:
            return tuple(lines)
        return (*lines, CallLine("make_window", "Drops within", _window_words(self.read)))


def call(read: Read, wording: Wording = USUAL_WORDING, golfer: GolferFigures = USUAL_GOLFER) -> Call:
    """Return the call of a read, in the golfer's words and for the golfer's own stroke."""
    return Call(read, wording, golfer, *_aim(read, wording), _pace(read, wording))


def own_words(read: Read, own: OwnRoll, wording: Wording = USUAL_WORDING) -> str:
    """Return what the golfer's own aim would have done, in one sentence."""
    off = own.aim_right_m - (read.aim_right_m or 0.0)
    by = f"{wording.short(off)} {side(off)} of the read" if abs(off) > STRAIGHT_M else "just as the read"
    if own.capture.drops:
        return f"{by}: it would drop."
    if own.capture.rim is not None:
        return f"{by}: it would lip out, too fast for that edge."
    away = math.hypot(own.finish_along_m, own.finish_right_m)
    rest = f"and stop {wording.short(away)} away" if own.track.rests else "and not stop on this slope"
    return f"{by}: it would pass {wording.short(own.capture.closest_m)} {_missed(read, own)} {rest}."


def _missed(read: Read, own: OwnRoll) -> str:
    """Return the side of a miss: high is the side that the read aims to; a straight putt has none."""
    if abs(math.tan(read.launch_right_rad)) * read.putt.length_m < STRAIGHT_M:
        return side(own.passed_right_m)
    return "high" if own.passed_right_m * read.launch_right_rad > 0 else "low"


def _aim(read: Read, wording: Wording) -> tuple[str, str, str]:
    if read.aim_right_m is None:
        degrees = math.degrees(read.launch_right_rad)
        return "Start ", f"{tidy(abs(degrees), 0)}° {side(degrees)}", " of the hole."
    if abs(read.aim_right_m) < STRAIGHT_M:
        return "Aim at ", "the centre", "."
    return "Aim ", f"{wording.short(read.aim_right_m)} {side(read.aim_right_m)}", " of centre."


def _pace(read: Read, wording: Wording) -> str:
    past = read.aim.past_m
    by_speed = not isinstance(read.putt.pace, RollPast)
    speed = f"Reach the hole at {wording.ball_speed(read.aim.speed_at_hole_mps, 2)}"
    if past is None:
        return f"{speed if by_speed else 'Softly'}: it will not stop past the hole."
    if by_speed:
        return f"{speed}, {wording.past(past)} past."
    if past < STRAIGHT_M:
        return "Let it die at the hole."
    return f"Roll it {wording.past(past)} past."


def _details(read: Read, wording: Wording) -> Iterator[str]:
    aim = read.aim_right_m
    if aim is not None and abs(aim) >= STRAIGHT_M:
        edge = abs(aim) - HOLE_RADIUS_M
        where = "Outside" if edge >= 0 else "Inside"
        cups = f", {cups_words(aim)}" if abs(aim) < MOST_CUPS * 2 * HOLE_RADIUS_M else ""
        yield f"{where} the {side(aim)} edge by {wording.short(edge)}{cups}."
    yield f"Plays like {wording.far(level_twin_of(read).plays_like_m)}."


def _window_words(read: Read) -> str:
    window = read.make_window
    assert window is not None
    left = math.degrees(read.launch_right_rad - window.right_rad.least)
    right = math.degrees(window.right_rad.most - read.launch_right_rad)
    slow = 100 * (1 - window.speed_mps.least / read.launch_speed_mps)
    fast = 100 * (window.speed_mps.most / read.launch_speed_mps - 1)
    return f"{tidy(left)}° left, {tidy(right)}° right; {tidy(slow)} % soft, {tidy(fast)} % firm"


def entry_words(read: Read) -> tuple[str, str] | None:
    """Return where the ball goes in, and from where to where it still drops; None if it does not meet it."""
    if read.entry_clock_hours is None:
        return None
    hour = hour_words(read.entry_clock_hours)
    if read.entry_window_hours is None:
        return f"Crosses the rim at {hour}", "too fast to drop at this pace"
    here = f"Goes in at {hour}"
    first, last = read.entry_window_hours
    return here, f"from {hour_words(first)} to {hour_words(last)} it still drops at this pace"
