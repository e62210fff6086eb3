"""Aim: the launch that sends the ball through the hole's centre at the pace asked."""

import math
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace

from orthocline.core.constants import PULL_PER_SLOPE_MPS2
from orthocline.core.ground import Plane
from orthocline.core.roll.accelerations import accelerations_of, plane_with_grain, plane_with_wind
from orthocline.core.roll.integrator import holds_ball, roll
from orthocline.core.roll.plane_aim import PAST, SPEED, aim_on_plane
from orthocline.core.roll.plane_roll import heading_at, path_left, plane_samples, rolled
from orthocline.core.roll.putt import STILL_AIR, Putt, RollPast, SpeedAtHole
from orthocline.core.roll.shoot import Arrival, NoLineError, Work, shoot
from orthocline.core.roll.track import Track
from orthocline.core.units import wrap_rad

WIDEST_AIM_RAD = math.radians(60.0)
"""Launch angle beyond which no aim mark beside the hole means anything."""
UNTIL_REST_M = 1e6
"""Path [m] for balls that are followed until they rest."""
BEYOND_M = 2.0
"""Path [m] after the hole that is followed of a ball that would never rest."""
FINE_SHARE = 0.04
"""Step of a track that is drawn: its Hermite curve errs by less than a micrometre (benchmarks/step.py)."""
SLOWEST_GUESS_MPS = 0.01
"""Speed at the hole [m/s] from which that of a dying ball is looked for."""
FIRMER = (1.0, 1.05, 1.1, 1.2, 1.35, 1.5, 2.0, 3.0)
"""Multiples of the windless least speed tried in turn where wind meets a slope that holds no ball."""


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
    wind_counted : bool
        Whether the wind is in it: where no line is found in a wind, the putt is solved in still air.
    ground_counted : bool
        Whether the ground's unevenness is in it: where no line is found on it, its mean slope is solved.
    """

    launch: Launch
    time_to_hole_s: float
    speed_at_hole_mps: float
    entry_right_rad: float
    past_m: float | None
    path_m: float
    pace_met: bool
    wind_counted: bool = True
    ground_counted: bool = True


@dataclass(frozen=True)
class _PlaneFrame:
    """A putt seen along the fall line: `hole_rad` from straight downhill, `side` +1 if counter-clockwise."""

    drag: float
    pull: float
    downhill: float
    hole_rad: float
    side: float


def _plane_frame(putt: Putt, plane: Plane) -> _PlaneFrame:
    turn = wrap_rad(putt.bearing_rad - plane.downhill_rad)
    return _PlaneFrame(
        accelerations_of(putt).drag_mps2,
        PULL_PER_SLOPE_MPS2 * plane.tilt,
        plane.downhill_rad,
        abs(turn),
        1.0 if turn >= 0.0 else -1.0,
    )


def aim(putt: Putt) -> Aim:
    """Return the launch through the hole's centre at the pace asked, or the nearest pace there is.

    On a plane in still air by the closed form; on other ground, and in wind, by the general integrator.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    Aim
        Launch and arrival.
    """
    if by_closed_form(putt):
        return _aim_on(putt, plane_with_grain(putt))
    return _aim_by_rolling(putt)


def by_closed_form(putt: Putt) -> bool:
    """Return whether a putt is one on a plane in still air, which is solved in no time.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    bool
        Whether it is.
    """
    return isinstance(putt.surface, Plane) and putt.wind.speed_mps == 0.0


def _aim_on(putt: Putt, plane: Plane) -> Aim:
    frame = _plane_frame(putt, plane)
    past = isinstance(putt.pace, RollPast)
    asked = putt.pace.past_m if isinstance(putt.pace, RollPast) else putt.pace.speed_mps
    turn, speed, tau, met = aim_on_plane(
        frame.drag, frame.pull, frame.hole_rad, putt.length_m, PAST if past else SPEED, asked
    )
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


def _aim_by_rolling(putt: Putt) -> Aim:
    """Return the aim by rolls: at the pace asked, or firmer, or on the mean plane where no line is found.

    All paces together are worth one putt's work: a gale on a steep slope is no reason to compute on and on.
    """
    still = _aim_on(putt, plane_with_grain(putt))
    # Firm balls hardly feel the wind, dying ones end as if it were a slope: lines are looked for near both.
    guesses = [_guess(putt, near) for near in (_aim_on(putt, plane_with_wind(putt)), still)]
    work = Work()
    for pace in _paces_to_try(putt, still):
        for guess in guesses:
            try:
                return _shot(putt, pace, guess, work)
            except NoLineError:
                continue
    uneven = not isinstance(putt.surface, Plane)
    return replace(still, pace_met=False, wind_counted=putt.wind.speed_mps == 0.0, ground_counted=not uneven)


def _guess(putt: Putt, near: Aim) -> Arrival:
    # A ball that would roll back into the hole is no line to look near.
    entry = max(-WIDEST_AIM_RAD, min(WIDEST_AIM_RAD, near.entry_right_rad))
    return Arrival(putt.bearing_rad - entry, max(near.speed_at_hole_mps, SLOWEST_GUESS_MPS))


def _paces_to_try(putt: Putt, still: Aim) -> Iterator[RollPast | SpeedAtHole]:
    by_speed = isinstance(putt.pace, SpeedAtHole)
    if by_speed or holds_ball(putt.surface, accelerations_of(putt), putt.hole):
        yield putt.pace
    least = max(still.speed_at_hole_mps, 0.05)
    for factor in FIRMER:
        yield SpeedAtHole(factor * least)


def _shot(putt: Putt, pace: RollPast | SpeedAtHole, guess: Arrival, work: Work) -> Aim:
    accelerations = accelerations_of(putt)
    shot = shoot(putt.surface, accelerations, putt, pace, guess, work)
    beyond = roll(
        putt.surface,
        accelerations,
        putt.hole,
        heading_rad=shot.arrival.heading_rad,
        speed_mps=shot.arrival.speed_mps,
        path_limit_m=100.0,
    )
    return Aim(
        Launch(wrap_rad(putt.bearing_rad - shot.launch_heading_rad), shot.launch_speed_mps),
        shot.time_s,
        shot.arrival.speed_mps,
        wrap_rad(putt.bearing_rad - shot.arrival.heading_rad),
        beyond.length_m if beyond.rests else None,
        shot.path_m,
        pace is putt.pace,
    )


Roller = Callable[..., Track]


def roller(putt: Putt, solved: Aim) -> Roller:
    """Return `roll(launch, step_share=FINE_SHARE)`: the track of a launch near the solved one.

    The hole counts as covered. A ball that never rests is followed a little longer than the solved path,
    and `BEYOND_M` on. `step_share` is the share of its speed that a ball in still air loses between two rows.

    Parameters
    ----------
    putt : Putt
        The putt.
    solved : Aim
        Its solved aim.

    Returns
    -------
    callable
        Rolls a ball of this putt from a launch, with steps of a share of its speed.
    """
    counted = putt if solved.wind_counted else replace(putt, wind=STILL_AIR)
    if not solved.ground_counted:
        counted = replace(counted, surface=putt.mean_plane)
    # Where balls rest they are followed until they do, wherever another launch may send them.
    rests = holds_ball(counted.surface, accelerations_of(counted), counted.hole)
    beyond = BEYOND_M + (solved.past_m or 0.0)
    return _roller(counted, UNTIL_REST_M if rests else 1.1 * solved.path_m + beyond)


def roller_to_rest(putt: Putt) -> Roller:
    """Return the same as `roller` for balls that are followed until they rest, however the putt is solved.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    callable
        Rolls a ball of this putt from a launch.
    """
    return _roller(putt, UNTIL_REST_M)


def _roller(putt: Putt, limit: float) -> Roller:
    if not by_closed_form(putt):
        return _roller_anywhere(putt, limit)
    frame = _plane_frame(putt, plane_with_grain(putt))
    bearing = frame.side * frame.hole_rad

    def roll_plane(launch: Launch, step_share: float = FINE_SHARE) -> Track:
        heading = wrap_rad(bearing - launch.right_rad)
        rows, rests = plane_samples(
            putt.ball.x_m,
            putt.ball.y_m,
            frame.downhill,
            1.0 if heading >= 0.0 else -1.0,
            abs(heading),
            launch.speed_mps,
            frame.drag,
            frame.pull,
            step_share,
            limit,
        )
        return Track(rows, rests)

    return roll_plane


def _roller_anywhere(putt: Putt, limit: float) -> Roller:
    accelerations = accelerations_of(putt)

    def roll_anywhere(launch: Launch, step_share: float = FINE_SHARE) -> Track:
        del step_share  # the integrator keeps its own steps
        return roll(
            putt.surface,
            accelerations,
            putt.ball,
            heading_rad=putt.bearing_rad - launch.right_rad,
            speed_mps=launch.speed_mps,
            path_limit_m=limit,
        )

    return roll_anywhere
