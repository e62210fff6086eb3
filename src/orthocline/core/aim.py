"""Aim: the launch that sends the ball through the hole's centre at the pace asked."""

import math
from collections.abc import Callable
from dataclasses import dataclass

from orthocline.core.constants import GRAVITY_MPS2, ROLLING_SHARE
from orthocline.core.forces import forces_of, plane_with_grain
from orthocline.core.plane_aim import PAST, SPEED, aim_on_plane
from orthocline.core.plane_roll import heading_at, path_left, plane_samples, rolled
from orthocline.core.putt import Putt, RollPast, SpeedAtHole
from orthocline.core.roll import holds_ball, roll
from orthocline.core.shoot import Arrival, NoLineError, shoot
from orthocline.core.track import Track
from orthocline.core.units import wrap_rad

WIDEST_AIM_RAD = math.radians(60.0)
"""Launch angle beyond which no aim mark beside the hole means anything."""
BEYOND_M = 2.0
"""Path [m] after the hole that is followed of a ball that would never rest."""
FINE_SHARE = 0.04
"""Step of a track that is drawn: its Hermite curve errs by less than a micrometre (benchmarks/step.py)."""
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
    pace_met : bool
        Whether the pace is the one asked, or the nearest there is.
    """

    launch: Launch
    time_to_hole_s: float
    speed_at_hole_mps: float
    entry_right_rad: float
    past_m: float | None
    pace_met: bool


@dataclass(frozen=True)
class _PlaneFrame:
    """A putt seen along the fall line: `hole_rad` from straight downhill, `side` +1 if counter-clockwise."""

    drag: float
    pull: float
    downhill: float
    hole_rad: float
    side: float


def _plane_frame(putt: Putt) -> _PlaneFrame:
    plane = plane_with_grain(putt)
    turn = wrap_rad(putt.bearing_rad - plane.downhill_rad)
    return _PlaneFrame(
        forces_of(putt).drag_mps2,
        ROLLING_SHARE * GRAVITY_MPS2 * plane.tilt,
        plane.downhill_rad,
        abs(turn),
        1.0 if turn >= 0.0 else -1.0,
    )


def aim(putt: Putt) -> Aim:
    """Return the launch through the hole's centre at the pace asked, or the nearest pace there is.

    In still air by the closed form of the uniform slope; in wind by the general integrator.
    """
    if putt.wind.speed_mps == 0.0:
        return _aim_in_still_air(putt)
    return _aim_in_wind(putt)


def _aim_in_still_air(putt: Putt) -> Aim:
    frame = _plane_frame(putt)
    past = isinstance(putt.pace, RollPast)
    asked = putt.pace.past_m if isinstance(putt.pace, RollPast) else putt.pace.speed_mps
    turn, speed, tau, met = aim_on_plane(
        frame.drag, frame.pull, frame.hole_rad, putt.length_m, PAST if past else SPEED, asked
    )
    launch_heading = frame.hole_rad + turn
    time, _, _, _, at_hole = rolled(launch_heading, speed, frame.drag, frame.pull, tau)
    heading = heading_at(launch_heading, frame.pull, tau)
    left = path_left(heading, at_hole, frame.drag, frame.pull)
    return Aim(
        Launch(-frame.side * turn, speed),
        time,
        at_hole,
        -frame.side * (heading - frame.hole_rad),
        left if frame.pull < frame.drag else None,
        met,
    )


def _aim_in_wind(putt: Putt) -> Aim:
    forces = forces_of(putt)
    guess = _aim_in_still_air(putt)
    start = Arrival(putt.bearing_rad - guess.entry_right_rad, guess.speed_at_hole_mps)
    holds = holds_ball(putt.surface, forces, putt.hole)
    if isinstance(putt.pace, RollPast) and not holds:
        least = max(guess.speed_at_hole_mps, 0.05)
        for factor in FIRMER:
            try:
                return _shot(putt, SpeedAtHole(factor * least), start, met=False)
            except NoLineError:
                continue
    return _shot(putt, putt.pace, start, met=True)


def _shot(putt: Putt, pace: RollPast | SpeedAtHole, guess: Arrival, *, met: bool) -> Aim:
    forces = forces_of(putt)
    shot = shoot(putt.surface, forces, putt, pace, guess)
    beyond = roll(
        putt.surface,
        forces,
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
        met,
    )


Roller = Callable[..., Track]


def roller(putt: Putt) -> Roller:
    """Return `roll(launch, step_share=FINE_SHARE)`: the track of a launch on the putt's ground.

    The hole counts as covered. A ball that never rests is followed to `BEYOND_M` past the hole's distance.
    `step_share` is the share of its speed that a ball in still air loses between two rows.
    """
    if putt.wind.speed_mps > 0.0:
        return _roller_in_wind(putt)
    frame = _plane_frame(putt)
    bearing = frame.side * frame.hole_rad
    limit = 1e3 if frame.pull < frame.drag else _path_limit_m(putt)

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


def _roller_in_wind(putt: Putt) -> Roller:
    forces = forces_of(putt)
    limit = _path_limit_m(putt)

    def roll_in_wind(launch: Launch, step_share: float = FINE_SHARE) -> Track:
        del step_share  # the integrator keeps its own steps
        return roll(
            putt.surface,
            forces,
            putt.ball,
            heading_rad=putt.bearing_rad - launch.right_rad,
            speed_mps=launch.speed_mps,
            path_limit_m=limit,
        )

    return roll_in_wind


def _path_limit_m(putt: Putt) -> float:
    past = putt.pace.past_m if isinstance(putt.pace, RollPast) else 0.0
    return 1.2 * putt.length_m + BEYOND_M + past
