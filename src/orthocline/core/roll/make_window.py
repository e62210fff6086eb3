"""The make window: how far the start line, or the speed, may be off and the ball still drops."""

import math
from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.roll.aim import Aim, Launch
from orthocline.core.roll.capture import Capture, capture_of, fastest_drop_mps
from orthocline.core.roll.putt import Putt
from orthocline.core.roll.rollers import BEYOND_M, outcomes_of, roller
from orthocline.core.roll.roots import root_finder

LONGER = 1.5
"""Ways to the hole, as multiples of the read's own, on which balls are followed."""
COARSE_SHARE = 0.2
"""Steps of the tracks that are only asked where they cross the rim; benchmarks/step.py gives the error."""
WIDENINGS, GROWTH, DIP_STEPS = 60, 1.15, 16
TOLERANCE = 2e-3
"""The edges are found to this share of the first step outward: a hundredth of the window or better."""
INSIDE = 0.003
"""The balls at the ends are rolled so far inside the window, as a share of it."""
ENTRIES = 9
"""Balls rolled across the window for where they go in: the hour turns back inside some windows."""


@dataclass(frozen=True)
class Window:
    """The least and the most of one figure at which the ball still drops, the others held."""

    least: float
    most: float


@dataclass(frozen=True)
class MakeWindow:
    """The launches around a read that still drop, each side by itself: they are not symmetric.

    Attributes
    ----------
    right_rad : Window
        Launch angles [rad] to the right of the hole's direction, at the read's speed.
    speed_mps : Window
        Launch speeds [m/s], on the read's line.
    entries : tuple of Capture
        How balls meet the hole whose start lines lie evenly from end to end of the angle window.
    """

    right_rad: Window
    speed_mps: Window
    entries: tuple[Capture, ...]


def make_window(putt: Putt, aim: Aim) -> MakeWindow | None:
    """Return the make window of a solved putt; None where even the read itself does not drop.

    Parameters
    ----------
    putt : Putt
        The putt.
    aim : Aim
        Its solved aim.

    Returns
    -------
    MakeWindow or None
        The window, or None.
    """
    right, speed, roll = aim.launch.right_rad, aim.launch.speed_mps, roller(putt, aim)
    outcomes = outcomes_of(putt, LONGER * aim.path_m + BEYOND_M, beyond=False)

    def margin(right_rad: float, speed_mps: float) -> float:
        miss, rim_speed, _, _ = outcomes(np.array([[right_rad, speed_mps]]))[0].tolist()
        return float(fastest_drop_mps(miss) - rim_speed if rim_speed >= 0.0 else -abs(miss))

    def at_angle(right_rad: float, _: None) -> float:
        return margin(right_rad, speed)

    def at_speed(speed_mps: float, _: None) -> float:
        return margin(right, speed_mps)

    if at_angle(right, None) < 0.0:
        return None
    step = 0.5 * math.atan2(HOLE_RADIUS_M, putt.length_m)
    angles = Window(_edge(at_angle, right, -step), _edge(at_angle, right, step))
    step = 0.02 * speed
    speeds = Window(_edge(at_speed, speed, -step), _edge(at_speed, speed, step))
    # The edges lie within a tolerance of the last launch that drops: look just inside.
    first, last = (edge + INSIDE * (right - edge) for edge in (angles.least, angles.most))
    between = np.linspace(first, last, ENTRIES).tolist()
    return MakeWindow(
        angles,
        speeds,
        tuple(capture_of(roll(Launch(one, speed), COARSE_SHARE), putt.hole) for one in between),
    )


def _edge(margin: Callable[[float, None], float], inside: float, step: float) -> float:
    """Return where the margin first turns negative, going from `inside` by steps.

    A gap between two ways to drop may be narrower than a step: where the margin dips between three launches,
    its least is looked for, and the window ends there if that is negative.
    """
    tolerance = TOLERANCE * abs(step)
    find = root_finder(margin)
    before, here = (inside, math.inf), (inside, margin(inside, None))
    for _ in range(WIDENINGS):
        ahead = here[0] + step, margin(here[0] + step, None)
        if ahead[1] < 0.0:
            return find(None, here[0], ahead[0], tolerance)
        if here[1] < min(before[1], ahead[1]) and before[1] < math.inf:
            least = _least(margin, before[0], ahead[0])
            if margin(least, None) < 0.0:
                return find(None, before[0], least, tolerance)
        before, here, step = here, ahead, GROWTH * step
    return here[0]


def _least(margin: Callable[[float, None], float], low: float, high: float) -> float:
    """Return where between two launches the margin is least (golden section)."""
    share = 0.5 * (math.sqrt(5.0) - 1.0)
    for _ in range(DIP_STEPS):
        a, b = high - share * (high - low), low + share * (high - low)
        if margin(a, None) < margin(b, None):
            high = b
        else:
            low = a
    return 0.5 * (low + high)
