"""The make window: how far the start line, or the speed, may be off and the ball still drops."""

import math
from collections.abc import Callable
from dataclasses import dataclass

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.roll.aim import Aim, Launch, Roller
from orthocline.core.roll.capture import Capture, capture_of, drop_margin_mps
from orthocline.core.roll.putt import Putt
from orthocline.core.roll.roots import root_finder

COARSE_SHARE = 0.2
"""Steps of the tracks that are only asked whether they drop; benchmarks/step.py gives the error."""
WIDENINGS = 24
TOLERANCE = 2e-3
"""The edges are found to this share of the first step outward: a thousandth of the window."""
INSIDE = 0.003
"""The balls at the ends are rolled so far inside the window, as a share of it."""


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
    leftmost, rightmost : Capture
        How the balls at the two ends of the angle window meet the hole.
    """

    right_rad: Window
    speed_mps: Window
    leftmost: Capture
    rightmost: Capture


def make_window(putt: Putt, aim: Aim, roll: Roller) -> MakeWindow | None:
    """Return the make window of a solved putt; None where even the read itself does not drop.

    Parameters
    ----------
    putt : Putt
        The putt.
    aim : Aim
        Its solved aim.
    roll : Roller
        The putt's `roller`.

    Returns
    -------
    MakeWindow or None
        The window, or None.
    """
    hole, right, speed = putt.hole, aim.launch.right_rad, aim.launch.speed_mps

    def at_angle(right_rad: float, _: None) -> float:
        return drop_margin_mps(roll(Launch(right_rad, speed), COARSE_SHARE), hole)

    def at_speed(speed_mps: float, _: None) -> float:
        return drop_margin_mps(roll(Launch(right, speed_mps), COARSE_SHARE), hole)

    if at_angle(right, None) < 0.0:
        return None
    step = 0.5 * math.atan2(HOLE_RADIUS_M, putt.length_m)
    angles = Window(_edge(at_angle, right, -step), _edge(at_angle, right, step))
    step = 0.02 * speed
    speeds = Window(_edge(at_speed, speed, -step), _edge(at_speed, speed, step))
    # The edges lie within a tolerance of the last launch that drops: look just inside.
    ends = (
        capture_of(roll(Launch(edge + INSIDE * (right - edge), speed)), hole)
        for edge in (angles.least, angles.most)
    )
    return MakeWindow(angles, speeds, *ends)


def _edge(margin: Callable[[float, None], float], inside: float, step: float) -> float:
    """Return where the margin first turns negative, going from `inside` by growing steps."""
    tolerance = TOLERANCE * abs(step)
    for _ in range(WIDENINGS):
        outside = inside + step
        if margin(outside, None) < 0.0:
            return root_finder(margin)(None, inside, outside, tolerance)
        inside, step = outside, 1.5 * step
    return inside
