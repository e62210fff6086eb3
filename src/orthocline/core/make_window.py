"""The make window: how far the start line, or the speed, may be off and the ball still drops."""

from collections.abc import Callable
from dataclasses import dataclass, replace

from orthocline.core.aim import Aim, Launch, Roller
from orthocline.core.capture import Meeting, meet
from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.putt import Putt
from orthocline.core.roots import root_finder

COARSE_SHARE = 0.2
"""Steps of the tracks that are only asked whether they drop; benchmarks/step.py gives the error."""
WIDENINGS = 24
ANGLE_TOLERANCE_RAD = 1e-5
SPEED_TOLERANCE_MPS = 1e-4


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
    leftmost, rightmost : Meeting
        How the balls at the two ends of the angle window meet the hole.
    """

    right_rad: Window
    speed_mps: Window
    leftmost: Meeting
    rightmost: Meeting


def make_window(putt: Putt, aim: Aim, roll: Roller) -> MakeWindow | None:
    """Return the make window of a solved putt; None where even the read itself does not drop.

    Parameters
    ----------
    roll : Roller
        The putt's `roller`.
    """
    launch = aim.launch

    def meet_launch(at: Launch) -> Meeting:
        return meet(roll(at, COARSE_SHARE), putt.hole)

    def at_angle(right_rad: float, _: None) -> float:
        return meet_launch(replace(launch, right_rad=right_rad)).margin_mps

    def at_speed(speed_mps: float, _: None) -> float:
        return meet_launch(replace(launch, speed_mps=speed_mps)).margin_mps

    if not meet_launch(launch).drops:
        return None
    angle_step = 0.5 * HOLE_RADIUS_M / putt.length_m
    speed_step = 0.02 * launch.speed_mps
    angles = Window(
        _edge(at_angle, launch.right_rad, -angle_step, ANGLE_TOLERANCE_RAD),
        _edge(at_angle, launch.right_rad, angle_step, ANGLE_TOLERANCE_RAD),
    )
    speeds = Window(
        _edge(at_speed, launch.speed_mps, -speed_step, SPEED_TOLERANCE_MPS),
        _edge(at_speed, launch.speed_mps, speed_step, SPEED_TOLERANCE_MPS),
    )
    # The edges lie within the tolerance of the last launch that drops: look just inside.
    inside = 2.0 * ANGLE_TOLERANCE_RAD
    return MakeWindow(
        angles,
        speeds,
        meet_launch(replace(launch, right_rad=angles.least + inside)),
        meet_launch(replace(launch, right_rad=angles.most - inside)),
    )


def _edge(margin: Callable[[float, None], float], inside: float, step: float, tolerance: float) -> float:
    """Return where the margin first turns negative, going from `inside` by growing steps."""
    for _ in range(WIDENINGS):
        outside = inside + step
        if margin(outside, None) < 0.0:
            return root_finder(margin)(None, inside, outside, tolerance)
        inside, step = outside, 1.5 * step
    return inside
