"""Balls of one putt rolled from other launches than the solved one."""

from collections.abc import Callable

from orthocline.core.roll.accelerations import accelerations_of
from orthocline.core.roll.aim import Aim, Launch
from orthocline.core.roll.integrator import STEP_SHARE
from orthocline.core.roll.plane_frame import by_closed_form, plane_frame
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
    # Where balls rest they are followed until they do, wherever another launch may send them.
    rests = holds_ball(putt.surface, accelerations_of(putt), putt.hole)
    beyond = BEYOND_M + (solved.past_m or 0.0)
    return _roller(putt, UNTIL_REST_M if rests else 1.1 * solved.path_m + beyond)


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
    frame = plane_frame(putt)
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

    def roll_anywhere(launch: Launch, step_share: float = STEP_SHARE) -> Track:
        return roll(
            putt.surface,
            accelerations,
            putt.ball,
            heading_rad=putt.bearing_rad - launch.right_rad,
            speed_mps=launch.speed_mps,
            path_limit_m=limit,
            step_share=step_share,
        )

    return roll_anywhere
