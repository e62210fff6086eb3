"""From the finish back to the launch: where a ball stopped says how it left."""

from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from orthocline.core.roll.aim import Launch, aim
from orthocline.core.roll.putt import LENGTH_RANGE_M, Point, Putt, RollPast
from orthocline.core.roll.rollers import Roller, roller_to_rest
from orthocline.core.units import wrap_rad

TOLERANCE_M = 1e-4
"""How near the finish the launch's ball stops; the integrator's own rest is known to a tenth of it."""
STEP = np.array([2e-3, 2e-3])
"""Steps of launch direction [rad] and of launch speed [share] for difference quotients."""
TRIES, HALVINGS = 12, 6


class NoLaunchError(ValueError):
    """No launch that ends there was found."""


@dataclass(frozen=True)
class FinishLaunch:
    """The launch of a ball that stopped at a given place.

    Attributes
    ----------
    launch : Launch
    jacobian : ndarray, shape (2, 2)
        Change of launch direction [rad, to the right] and launch speed [m/s], in rows, for a finish that
        lies farther along the ball-hole line and farther to its right [per metre], in columns.
    """

    launch: Launch
    jacobian: NDArray[np.float64]


def launch_to(putt: Putt, finish: Point, near: Launch | None = None) -> FinishLaunch:
    """Return the launch from the putt's ball whose ball stops at `finish`, the hole being covered.

    Newton's method on rolls, with difference quotients.

    Parameters
    ----------
    putt : Putt
        Ball, ground, green speed, grain and wind; its hole is where directions are counted from.
    finish : Point
        Where the ball came to rest [m].
    near : Launch or None
        Where the search begins, since on uneven ground several launches may end at one place; by itself
        at the putt that dies in a hole there.

    Returns
    -------
    FinishLaunch
        The launch, whose ball stops within `TOLERANCE_M` of the finish, and its Jacobian within 2 %.

    Raises
    ------
    NoLaunchError
        When the finish is nearer or farther than a putt may be, or no ball was found that rests there.
    """
    asked = np.array(putt.along_and_right_m(finish))
    if not LENGTH_RANGE_M[0] <= np.hypot(*asked) <= LENGTH_RANGE_M[1]:
        raise NoLaunchError("the ball stopped nearer or farther than a putt may go")
    roll = roller_to_rest(putt)
    launch = near or _dying_at(putt, finish)
    stopped = _stopped(putt, roll, launch)
    for _ in range(TRIES):
        forward = _forward(putt, roll, launch)
        if np.hypot(*(asked - stopped)) <= TOLERANCE_M:
            return FinishLaunch(launch, np.asarray(np.linalg.inv(forward), dtype=np.float64))
        launch, stopped = _better(putt, roll, launch, asked, stopped, forward)
    raise NoLaunchError("no launch was found whose ball stops there")


def _dying_at(putt: Putt, finish: Point) -> Launch:
    dying = replace(putt, hole=finish, pace=RollPast(0.0))
    launch = aim(dying).launch
    return Launch(wrap_rad(putt.bearing_rad - dying.bearing_rad + launch.right_rad), launch.speed_mps)


def _better(
    putt: Putt,
    roll: Roller,
    launch: Launch,
    asked: NDArray[np.float64],
    stopped: NDArray[np.float64],
    forward: NDArray[np.float64],
) -> tuple[Launch, NDArray[np.float64]]:
    """Return the launch one step of Newton's nearer, or half of one as often as needed, and its finish."""
    step = np.linalg.lstsq(forward, asked - stopped)[0]
    for halving in range(HALVINGS):
        right, faster = (0.5**halving * step).tolist()
        speed = launch.speed_mps + faster
        if speed > 0.0:
            tried = Launch(launch.right_rad + right, speed)
            there = _stopped(putt, roll, tried)
            if np.hypot(*(asked - there)) < np.hypot(*(asked - stopped)):
                return tried, there
    raise NoLaunchError("no launch was found whose ball stops there")


def _forward(putt: Putt, roll: Roller, launch: Launch) -> NDArray[np.float64]:
    """Return how the finish moves [m] with direction [rad] and speed [m/s] of the launch, in columns."""
    columns = []
    for right, faster in np.diag(STEP * (1.0, launch.speed_mps)):
        there, back = (
            _stopped(putt, roll, Launch(launch.right_rad + sign * right, launch.speed_mps + sign * faster))
            for sign in (1.0, -1.0)
        )
        columns.append((there - back) / (2.0 * (right + faster)))
    return np.column_stack(columns)


def _stopped(putt: Putt, roll: Roller, launch: Launch) -> NDArray[np.float64]:
    track = roll(launch)
    if not track.rests:
        raise NoLaunchError("no ball comes to rest on ground as steep")
    return np.array(putt.along_and_right_m(track.finish))
