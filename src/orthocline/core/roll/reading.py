"""The read: everything the model says of one putt."""

from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from orthocline.core.roll.aim import Aim, aims
from orthocline.core.roll.capture import Capture, capture_of
from orthocline.core.roll.entry import entry_clock_hours, entry_range_hours
from orthocline.core.roll.make_window import MakeWindow, make_window
from orthocline.core.roll.putt import Putt
from orthocline.core.roll.rollers import roller
from orthocline.core.roll.straight_in import comes_back
from orthocline.core.roll.track import Track

PATH_POINTS = 101
"""Points of the path from the ball to the hole, evenly spaced in time."""
PAST_POINTS = 21
"""Points from the hole to where the ball would rest."""


class ReadWarning(StrEnum):
    """Something the golfer must know of a read; its figures are the read's own."""

    SLOPE_DOES_NOT_HOLD = "slope_does_not_hold"
    """No ball comes to rest here: there is no roll-past."""
    PACE_NOT_MET = "pace_not_met"
    """No ball passes the hole so softly; the softest is given."""
    TOO_FAST_TO_DROP = "too_fast_to_drop"
    """The ball would run over the hole or lip out."""
    COMES_BACK = "comes_back"
    """The ball passes the hole and rolls back into it."""
    LINE_NOT_THERE = "line_not_there"
    """Fewer lines lead to the hole at this pace than the one asked for."""
    NO_AIM_MARK = "no_aim_mark"
    """The start line is too far off the hole for a spot beside it."""


@dataclass(frozen=True)
class Read:
    """The answer to one putt. Angles and offsets are positive to the golfer's right.

    It is the solved aim and the ball's way; what else is said of it is worked out when it is first asked for.

    Attributes
    ----------
    putt : Putt
    aim : Aim
        Launch, arrival and pace.
    track : Track
        The same ball's whole way, which the schools' values are worked out from.
    lines : tuple of Aim
        All lines to the hole at this pace, the most direct first, `aim` among them; empty where they are
        not known.
    """

    putt: Putt
    aim: Aim
    track: Track
    lines: tuple[Aim, ...] = ()

    @property
    def aim_right_m(self) -> float | None:
        """Aim spot [m] at the hole's distance from its centre; None beyond 60 degrees of launch angle."""
        return self.aim.spot_right_m(self.putt.length_m)

    @cached_property
    def capture(self) -> Capture:
        """How the ball meets the hole."""
        return capture_of(self.track, self.putt.hole)

    @property
    def entry_clock_hours(self) -> float | None:
        """Hour on the rim where the ball goes in; None where it passes too fast to meet the rim's drop."""
        return entry_clock_hours(self.putt, self.capture.rim) if self.capture.rim else None

    @cached_property
    def make_window(self) -> MakeWindow | None:
        """The launches about this one that drop too; None where even the read itself does not drop."""
        return make_window(self.putt, self.aim)

    @cached_property
    def entry_window_hours(self) -> tuple[float, float] | None:
        """The earliest and the latest hour of all start lines in the make window; None without one.

        The first lies from 0 to 12; the last is greater, and beyond 12 where twelve o'clock is among them.
        """
        if self.make_window is None:
            return None
        rims = [met.rim for met in (*self.make_window.entries, self.capture) if met.rim is not None]
        return entry_range_hours([entry_clock_hours(self.putt, rim) for rim in rims])

    @cached_property
    def path(self) -> NDArray[np.float64]:
        """The way to the hole: rows of t [s], x, y [m], v [m/s], shape (101, 4)."""
        return self.track.even_times(0.0, self._at_hole_s, PATH_POINTS)[:, :4]

    @cached_property
    def path_past(self) -> NDArray[np.float64]:
        """The way on from there with the hole covered, shape (21, 4)."""
        return self.track.even_times(self._at_hole_s, self.track.duration_s, PAST_POINTS)[:, :4]

    @cached_property
    def warnings(self) -> tuple[ReadWarning, ...]:
        """What the golfer must know of it."""
        return tuple(self._warnings())

    @property
    def other_lines(self) -> tuple[tuple[int, Aim], ...]:
        """The lines that are not this read's, each with its number."""
        return tuple((i, one) for i, one in enumerate(self.lines, 1) if one is not self.aim)

    @property
    def launch_right_rad(self) -> float:
        """Launch angle [rad]."""
        return self.aim.launch.right_rad

    @property
    def launch_speed_mps(self) -> float:
        """Launch (rolling) speed [m/s]."""
        return self.aim.launch.speed_mps

    @property
    def _at_hole_s(self) -> float:
        return min(self.aim.time_to_hole_s, self.track.duration_s)

    def _warnings(self) -> Iterator[ReadWarning]:
        if 0 < len(self.lines) < self.putt.line:
            yield ReadWarning.LINE_NOT_THERE
        if self.aim.past_m is None:
            yield ReadWarning.SLOPE_DOES_NOT_HOLD
        elif not self.aim.pace_met:
            yield ReadWarning.PACE_NOT_MET
        if not self.capture.drops:
            yield ReadWarning.TOO_FAST_TO_DROP
        if comes_back(self.aim):
            yield ReadWarning.COMES_BACK
        if self.aim_right_m is None:
            yield ReadWarning.NO_AIM_MARK


def read(putt: Putt) -> Read:
    """Return the read of a putt.

    A putt that cannot be made as asked is still read: `aim.pace_met` is false and `warnings` says why.

    Parameters
    ----------
    putt : Putt
        The putt, within the ranges of `Putt`.

    Returns
    -------
    Read
        Everything the model says of it.
    """
    lines = aims(putt)
    return read_as_solved(putt, lines[: putt.line][-1], lines)


def read_as_solved(putt: Putt, solved: Aim, lines: tuple[Aim, ...] = ()) -> Read:
    """Return the read of a putt whose aim is known already, from the solver or from an earlier read.

    Parameters
    ----------
    putt : Putt
        The putt.
    solved : Aim
        Its solved aim.
    lines : tuple of Aim
        All lines at its pace, where they are known.

    Returns
    -------
    Read
        Everything the model says of it.
    """
    return Read(putt, solved, roller(putt, solved)(solved.launch), lines)
