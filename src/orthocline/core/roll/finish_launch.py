"""From the finish back to the launch: where a ball stopped says how it left."""

import math
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from orthocline.core.roll.aim import Launch, aim
from orthocline.core.roll.outcomes import FINISH_X, FINISH_Y
from orthocline.core.roll.putt import RANGES, Point, Putt, RollPast
from orthocline.core.roll.rollers import Outcomes, outcomes_of
from orthocline.core.units import wrap_rad

TOLERANCE_M = 1e-4
"""How near the finish the launch's ball stops; the rolls' own rest is known to its half."""
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
    if not RANGES.length_m[0] <= np.hypot(*asked) <= RANGES.length_m[1]:
        raise NoLaunchError("the ball stopped nearer or farther than a putt may go")
    stopped = _stopping(putt)
    first = near or _dying_at(putt, finish)
    launch = np.array([first.right_rad, first.speed_mps])
    for _ in range(TRIES):
        here, forward = _forward(stopped, launch)
        if np.hypot(*(asked - here)) <= TOLERANCE_M:
            return FinishLaunch(
                Launch(*launch.tolist()), np.asarray(np.linalg.inv(forward), dtype=np.float64)
            )
        launch = _better(stopped, launch, asked, here, forward)
    raise NoLaunchError("no launch was found whose ball stops there")


def _dying_at(putt: Putt, finish: Point) -> Launch:
    dying = replace(putt, hole=finish, pace=RollPast(0.0))
    launch = aim(dying).launch
    return Launch(wrap_rad(putt.bearing_rad - dying.bearing_rad + launch.right_rad), launch.speed_mps)


def _better(
    stopped: Outcomes,
    launch: NDArray[np.float64],
    asked: NDArray[np.float64],
    here: NDArray[np.float64],
    forward: NDArray[np.float64],
) -> NDArray[np.float64]:
    """Return the launch one step of Newton's nearer, or half of one as often as needed."""
    steps = np.outer(0.5 ** np.arange(HALVINGS), np.linalg.lstsq(forward, asked - here)[0])
    tried = launch + steps
    away = np.hypot(*(asked - stopped(tried[tried[:, 1] > 0.0])).T)
    better = np.flatnonzero(away < np.hypot(*(asked - here)))
    if not len(better):
        raise NoLaunchError("no launch was found whose ball stops there")
    return np.asarray(tried[tried[:, 1] > 0.0][better[0]])


def _forward(
    stopped: Outcomes, launch: NDArray[np.float64]
) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """Return the finish, and how it moves with direction [rad] and speed [m/s] of the launch, in columns."""
    steps = np.diag(STEP * (1.0, launch[1]))
    finishes = stopped(np.vstack([launch, launch + steps, launch - steps]))
    if np.isnan(finishes).any():
        raise NoLaunchError("no ball comes to rest on ground as steep")
    quotients = (finishes[1:3] - finishes[3:5]) / (2.0 * np.diag(steps)[:, None])
    return finishes[0], quotients.T


def _stopping(putt: Putt) -> Outcomes:
    """Return a function of launches: where their balls stop, along the putt's line and to its right [m]."""
    outcomes = outcomes_of(putt)

    def stopped(launches: NDArray[np.float64]) -> NDArray[np.float64]:
        east, north = (outcomes(launches)[:, [FINISH_X, FINISH_Y]] - (putt.ball.x_m, putt.ball.y_m)).T
        cos, sin = math.cos(putt.bearing_rad), math.sin(putt.bearing_rad)
        return np.column_stack([east * cos + north * sin, east * sin - north * cos])

    return stopped
