"""Aim: the launches that send the ball through the hole's centre at the pace asked."""

import math
from dataclasses import dataclass

from orthocline.core.roll.lines import NEAR, Line, lines_at, lines_nearest
from orthocline.core.roll.plane_aim import PAST, SPEED, lines_on_plane
from orthocline.core.roll.plane_frame import PlaneFrame, by_closed_form, plane_frame
from orthocline.core.roll.plane_roll import heading_at, path_left, rolled
from orthocline.core.roll.putt import Putt, RollPast
from orthocline.core.units import wrap_rad

MET = 2e-3
"""A roll-past that is found from the softest up is the asked one within this share of it."""
WIDEST_AIM_RAD = math.radians(60.0)
"""Launch angle beyond which no aim mark beside the hole means anything."""


@dataclass(frozen=True)
class Launch:
    """How the ball leaves: `right_rad` to the right of the hole's direction, rolling at `speed_mps`."""

    right_rad: float
    speed_mps: float


@dataclass(frozen=True)
class Aim:
    """The solved putt.

    Attributes
    ----------
    launch : Launch
    time_to_hole_s, speed_at_hole_mps : float
        When and how fast the ball passes the hole's centre.
    entry_right_rad : float
        Its direction there against the ball-hole line, positive to the right.
    past_m : float or None
        Path beyond a covered hole; None where the ball would not rest.
    path_m : float
        Path [m] from the ball to the hole.
    pace_met : bool
        Whether the pace is the one asked, or the nearest there is.
    """

    launch: Launch
    time_to_hole_s: float
    speed_at_hole_mps: float
    entry_right_rad: float
    past_m: float | None
    path_m: float
    pace_met: bool

    def spot_right_m(self, length_m: float) -> float | None:
        """Return how far right of the hole's centre [m] it starts; None beyond `WIDEST_AIM_RAD`."""
        angle = self.launch.right_rad
        return length_m * math.tan(angle) if abs(angle) <= WIDEST_AIM_RAD else None


def aims(putt: Putt, *, rests: bool = True, near: float = NEAR) -> tuple[Aim, ...]:
    """Return every line through the hole's centre at the pace asked, or at the nearest pace there is.

    On a plane in still air by the closed form; on other ground, and in wind, by rolls.

    Parameters
    ----------
    putt : Putt
        The putt.
    rests : bool
        False where hardly any ball rests by the hole: off a plane the pace is then looked for from the
        softest up, which takes less there.
    near : float
        Share to which the speed at the hole is found there, and where no line has the pace asked [ratio].

    Returns
    -------
    tuple of Aim
        One or more; the ball that is at the hole first comes first.

    Raises
    ------
    NoLineError
        When no ball, however firm, reaches the hole.
    """
    if by_closed_form(putt):
        return _aims_on_plane(putt)
    lines = lines_at(putt, putt.pace) if rests else []
    if lines:
        return tuple(_aim_along(putt, line, met=True) for line in lines)
    return tuple(_aim_along(putt, line, _has_pace(putt, line)) for line in lines_nearest(putt, near))


def aim(putt: Putt) -> Aim:
    """Return the putt's line through the hole's centre at the pace asked, or at the nearest there is.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    Aim
        The one of its `aims` that `putt.line` names, or the last.
    """
    return aims(putt)[: putt.line][-1]


def _aims_on_plane(putt: Putt) -> tuple[Aim, ...]:
    frame, pace = plane_frame(putt), putt.pace
    kind, asked = (PAST, pace.past_m) if isinstance(pace, RollPast) else (SPEED, pace.speed_mps)
    lines, met = lines_on_plane(frame.drag, frame.pull, frame.hole_rad, putt.length_m, kind, asked)
    return tuple(_aim_on_plane(frame, turn, speed, tau, met) for turn, speed, tau in lines.tolist())


def _aim_on_plane(frame: PlaneFrame, turn: float, speed: float, tau: float, met: bool) -> Aim:
    launch_heading = frame.hole_rad + turn
    time, _, _, path, at_hole = rolled(launch_heading, speed, frame.drag, frame.pull, tau)
    heading = heading_at(launch_heading, frame.pull, tau)
    left = path_left(heading, at_hole, frame.drag, frame.pull)
    return Aim(
        Launch(-frame.side * turn, speed),
        time,
        at_hole,
        -frame.side * (heading - frame.hole_rad),
        left if frame.pull < frame.drag else None,
        path,
        met,
    )


def _has_pace(putt: Putt, line: Line) -> bool:
    """Return whether a line that was found from the softest up has the pace asked all the same."""
    return isinstance(putt.pace, RollPast) and abs(line.past_m - putt.pace.past_m) <= MET * putt.pace.past_m


def _aim_along(putt: Putt, line: Line, met: bool) -> Aim:
    return Aim(
        Launch(wrap_rad(putt.bearing_rad - line.launch_heading_rad), line.launch_speed_mps),
        line.time_s,
        line.speed_mps,
        wrap_rad(putt.bearing_rad - line.heading_rad),
        line.past_m if line.past_m < math.inf else None,
        line.path_m,
        met,
    )
