"""The read: everything the model says of one putt."""

from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum

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

    Attributes
    ----------
    putt : Putt
    aim : Aim
        Launch, arrival and pace.
    aim_right_m : float or None
        Aim spot [m] at the hole's distance from its centre; None beyond 60 degrees of launch angle.
    entry_clock_hours : float or None
        Hour on the rim where the ball goes in; None where it passes too fast to meet the rim's drop.
    entry_window_hours : tuple of two float, or None
        The earliest and the latest hour of all start lines in its make window. The first lies from 0 to 12;
        the last is greater, and beyond 12 where twelve o'clock is among them.
    make_window : MakeWindow or None
    path, path_past : ndarray, shape (101, 4) and (21, 4)
        Rows of t [s], x, y [m], v [m/s]: to the hole, and on from there with the hole covered.
    track : Track
        The same ball's whole way, which the schools' values are worked out from.
    lines : tuple of Aim
        All lines to the hole at this pace, the most direct first, `aim` among them; empty where they are
        not known.
    warnings : tuple of ReadWarning
    """

    putt: Putt
    aim: Aim
    aim_right_m: float | None
    entry_clock_hours: float | None
    entry_window_hours: tuple[float, float] | None
    make_window: MakeWindow | None
    path: NDArray[np.float64]
    path_past: NDArray[np.float64]
    track: Track
    lines: tuple[Aim, ...]
    warnings: tuple[ReadWarning, ...]

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
    roll = roller(putt, solved)
    track = roll(solved.launch)
    window = make_window(putt, solved, roll)
    capture = capture_of(track, putt.hole)
    to_hole = min(solved.time_to_hole_s, track.duration_s)
    spot_right_m = solved.spot_right_m(putt.length_m)
    return Read(
        putt=putt,
        aim=solved,
        aim_right_m=spot_right_m,
        entry_clock_hours=entry_clock_hours(putt, capture.rim) if capture.rim else None,
        entry_window_hours=_entry_window(putt, window, capture),
        make_window=window,
        path=track.even_times(0.0, to_hole, PATH_POINTS)[:, :4],
        path_past=track.even_times(to_hole, track.duration_s, PAST_POINTS)[:, :4],
        track=track,
        lines=lines,
        warnings=tuple(
            _warnings(solved, capture, few=0 < len(lines) < putt.line, useful=spot_right_m is not None)
        ),
    )


def _entry_window(putt: Putt, window: MakeWindow | None, capture: Capture) -> tuple[float, float] | None:
    if window is None:
        return None
    rims = [met.rim for met in (*window.entries, capture) if met.rim is not None]
    return entry_range_hours([entry_clock_hours(putt, rim) for rim in rims])


def _warnings(solved: Aim, capture: Capture, *, few: bool, useful: bool) -> Iterator[ReadWarning]:
    if few:
        yield ReadWarning.LINE_NOT_THERE
    if solved.past_m is None:
        yield ReadWarning.SLOPE_DOES_NOT_HOLD
    elif not solved.pace_met:
        yield ReadWarning.PACE_NOT_MET
    if not capture.drops:
        yield ReadWarning.TOO_FAST_TO_DROP
    if comes_back(solved):
        yield ReadWarning.COMES_BACK
    if not useful:
        yield ReadWarning.NO_AIM_MARK
