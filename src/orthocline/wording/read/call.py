"""The call: the read as a caddie would say it, each sentence from the one solved putt."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property

from orthocline.core.calls import USUAL_GOLFER, GolferFigures, level_twin_of
from orthocline.core.roll import Read, RollPast
from orthocline.core.sure import AimRange
from orthocline.wording.calls import call_lines
from orthocline.wording.calls.saying import STRAIGHT_M, CallLine, is_centre
from orthocline.wording.figures import hour_words, side, tidy
from orthocline.wording.holing.window import tolerance_words
from orthocline.wording.sure.ranges import blurred, range_words, speed_range_words
from orthocline.wording.wording import USUAL_WORDING, Wording


@dataclass(frozen=True, eq=False)
class Call:
    """What to do, then why: said of a read in the golfer's words, for the golfer's own stroke.

    Attributes
    ----------
    wording : Wording
        The golfer's, with figures rounded to what the range of the aim bears.
    range : str
        Between which the aim lies; empty where every figure is taken as it is.
    lead, spot, tail : str
        The aim sentence in three pieces; `spot` is what the eye must catch.
    pace : str
        The pace sentence.
    """

    read: Read
    wording: Wording
    golfer: GolferFigures
    sure: AimRange | None
    range: str
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
        return tuple(_details(self.read, self.wording, self.sure))

    @cached_property
    def lines(self) -> tuple[CallLine, ...]:
        """The same putt in the schools' words."""
        return tuple(call_lines(self.read, self.wording, self.golfer, self.sure))

    @cached_property
    def tolerance(self) -> str:
        """Within which launches it still drops; empty where even the read's own does not."""
        return tolerance_words(self.read) if self.read.make_window else ""


def call(
    read: Read,
    wording: Wording = USUAL_WORDING,
    golfer: GolferFigures = USUAL_GOLFER,
    sure: AimRange | None = None,
) -> Call:
    """Return the call of a read, in the golfer's words and for the golfer's own stroke.

    Where a range is known, `sure`, its figures are rounded to what that bears.
    """
    borne = blurred(wording, read, sure)
    words = range_words(sure, wording) if sure else ""
    return Call(read, borne, golfer, sure, words, *_aim(read, borne), _pace(read, borne))


def _aim(read: Read, wording: Wording) -> tuple[str, str, str]:
    if read.aim_right_m is None:
        degrees = math.degrees(read.launch_right_rad)
        return "Start ", f"{tidy(abs(degrees), 0)}° {side(degrees)}", " of the hole."
    if is_centre(read.aim_right_m, wording):
        return "Aim at ", "the centre", "."
    return "Aim ", f"{wording.aside(read.aim_right_m)} {side(read.aim_right_m)}", " of centre."


def _pace(read: Read, wording: Wording) -> str:
    past = read.aim.past_m
    by_speed = not isinstance(read.putt.pace, RollPast)
    speed = f"Reach the hole at {wording.ball_speed(read.aim.speed_at_hole_mps, 2)}"
    if past is None:
        return f"{speed if by_speed else 'Softly'}: it will not stop past the hole."
    if by_speed:
        return f"{speed}, {wording.past(past)} past."
    return past_words(past, wording)


def past_words(past_m: float, wording: Wording) -> str:
    """Return to roll a ball so far past the hole."""
    return "Let it die at the hole." if past_m < STRAIGHT_M else f"Roll it {wording.past(past_m)} past."


def _details(read: Read, wording: Wording, sure: AimRange | None) -> Iterator[str]:
    plays = f"Plays like {wording.far(level_twin_of(read).plays_like_m, wording.roll_width_m)}"
    between = speed_range_words(read, sure, wording)
    yield f"{plays} ({between})." if between else f"{plays}."


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
