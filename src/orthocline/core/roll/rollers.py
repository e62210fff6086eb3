"""Balls of one putt rolled from other launches than the solved one."""

from collections.abc import Callable

import numpy as np
from numpy.typing import NDArray

from orthocline.core.ground import ground_of
from orthocline.core.roll.accelerations import accelerations_of, ground_under
from orthocline.core.roll.aim import Aim, Launch
from orthocline.core.roll.integrator import STEP_SHARE
from orthocline.core.roll.lines import LEAST_STEPS
from orthocline.core.roll.outcomes import ground_outcomes
from orthocline.core.roll.plane_frame import by_closed_form, plane_frame
from orthocline.core.roll.plane_outcomes import plane_outcomes
from orthocline.core.roll.plane_roll import plane_samples
from orthocline.core.roll.putt import Putt
from orthocline.core.roll.rolling import holds_ball, roll
from orthocline.core.roll.track import Track
from orthocline.core.units import wrap_rad

UNTIL_REST_M = 1e6
"""Path [m] for balls that are followed until they rest."""
BEYOND_M = 2.0
"""Path [m] after the hole that is followed of a ball that would never rest."""
FINE_SHARE = 0.04
"""Step of a track that is drawn: its Hermite curve errs by less than a micrometre (benchmarks/step.py)."""
OUTCOME_SHARE, OUTCOME_STRETCH = 0.2, 1.35
"""Steps of `outcomes_of`: share of the velocity that changes, and multiple of the ground's own step."""
BETWEEN_JUMPS_M, STEPS_BETWEEN = 0.2, 60
"""Where the slope jumps they end there, and may be so long [m] between, or longer on a long putt."""

Outcomes = Callable[[NDArray[np.float64]], NDArray[np.float64]]
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
    beyond = 1.1 * solved.path_m + BEYOND_M + (solved.past_m or 0.0)
    if by_closed_form(putt):
        return _roller_on_plane(putt, beyond)
    # Where balls rest they are followed until they do, wherever another launch may send them.
    rests = holds_ball(ground_under(putt), accelerations_of(putt), putt.hole)
    return _roller_anywhere(putt, UNTIL_REST_M if rests else beyond)


def outcomes_of(putt: Putt, path_limit_m: float = UNTIL_REST_M, *, beyond: bool = True) -> Outcomes:
    """Return `outcomes(launches)`: how many balls of this putt pass the hole and where they rest, at once.

    On a plane in still air by the closed form, elsewhere by rolls that err by a tenth of a millimetre
    (half of one on steep ground of stations).

    Parameters
    ----------
    putt : Putt
        The putt.
    path_limit_m : float
        Path [m] after which a ball is followed no further.
    beyond : bool
        Whether it is asked where they rest, on ground where that takes rolling them on past the hole.

    Returns
    -------
    callable
        Takes rows of launch angle to the right [rad] and launch speed [m/s], shape (n, 2); returns rows of
        the figures of `outcomes`, shape (n, 4).
    """
    ball, hole, bearing = putt.ball, putt.hole, putt.bearing_rad
    if by_closed_form(putt):
        frame = plane_frame(putt)

        def on_plane(launches: NDArray[np.float64]) -> NDArray[np.float64]:
            map_launches = np.column_stack([bearing - launches[:, 0], launches[:, 1]])
            places = (ball.x_m, ball.y_m, hole.x_m, hole.y_m)
            found = plane_outcomes(*places, frame.downhill, frame.drag, frame.pull, map_launches)
            return np.asarray(found)

        return on_plane
    under = ground_under(putt)
    ground, accel = ground_of(under), accelerations_of(putt).row
    jumps = under.jumps
    between = max(BETWEEN_JUMPS_M, putt.length_m / STEPS_BETWEEN)
    longest = between if len(jumps) else OUTCOME_STRETCH * under.step_m
    step = min(longest, putt.length_m / LEAST_STEPS)
    there = np.array([ball.x_m, ball.y_m, hole.x_m, hole.y_m, path_limit_m, beyond, OUTCOME_SHARE, step])

    def anywhere(launches: NDArray[np.float64]) -> NDArray[np.float64]:
        map_launches = np.column_stack([bearing - launches[:, 0], launches[:, 1]])
        return np.asarray(ground_outcomes(ground, accel, jumps, there, map_launches))

    return anywhere


def _roller_on_plane(putt: Putt, beyond: float) -> Roller:
    frame = plane_frame(putt)
    bearing = frame.side * frame.hole_rad
    limit = UNTIL_REST_M if frame.pull < frame.drag else beyond

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
    ground, accelerations = ground_under(putt), accelerations_of(putt)

    def roll_anywhere(launch: Launch, step_share: float = STEP_SHARE) -> Track:
        return roll(
            ground,
            accelerations,
            putt.ball,
            heading_rad=putt.bearing_rad - launch.right_rad,
            speed_mps=launch.speed_mps,
            path_limit_m=limit,
            step_share=step_share,
        )

    return roll_anywhere
