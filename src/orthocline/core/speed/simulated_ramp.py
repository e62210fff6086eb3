"""A simulated ramp: its rolls come from the model, on a green whose speed, slope and grain are hidden."""

import math
from dataclasses import dataclass
from functools import cache

import numpy as np

from orthocline.core.constants import BALL_RADIUS_M, FACE_FRICTION, GRAVITY_MPS2, RAMP_SPEED_MPS
from orthocline.core.ground import plane_from_grade
from orthocline.core.instruments import RAMP_SD_FT
from orthocline.core.roll import Grain, Point, Putt, RollPast, accelerations_of, roll
from orthocline.core.speed.ramp import STANDARD_RAMP, Ramp

HIDDEN_RANGES = {"speed_ft": (6.0, 13.0), "slope": (-0.03, 0.03), "grain": (-0.25, 0.25)}
"""Between which a hidden green lies, by the names of `HiddenGreen`."""
ROLL_SCATTER = 0.02
"""Scatter of one roll as a share of it, one standard deviation: the release by hand and the grass's own."""
FARTHEST_M = 100.0
SKID_STEP_S = 1e-5
"""The skid is followed in steps of this time [s]: its end is a fifteenth of a millimetre a second off."""


@dataclass(frozen=True)
class HiddenGreen:
    """A green as it really is: speed [ft]; rise [ratio] and strength of the grain, both toward `out`."""

    speed_ft: float
    slope: float
    grain: float


def some_green(rng: np.random.Generator) -> HiddenGreen:
    """Return a green such as one finds: speed 8 to 12, up to 1.5 % of slope either way, a little grain.

    Parameters
    ----------
    rng : Generator
        Source of chance.

    Returns
    -------
    HiddenGreen
        The green.
    """
    return HiddenGreen(
        round(float(rng.uniform(8.0, 12.0)), 1),
        round(float(rng.uniform(-0.015, 0.015)), 3),
        round(float(rng.uniform(-0.06, 0.06)), 2),
    )


def setting_up(green: HiddenGreen, rng: np.random.Generator) -> float:
    """Return how a set-up makes all of its rolls too long: a factor on them.

    Parameters
    ----------
    green : HiddenGreen
        The hidden green.
    rng : Generator
        Source of chance.

    Returns
    -------
    float
        Factor, about 1.
    """
    return 1.0 + float(rng.normal(0.0, RAMP_SD_FT / green.speed_ft))


@cache
def skidded_speed_mps(ramp: Ramp) -> float:
    """Return the speed at which a ball of a ramp has come to roll, followed in time.

    At the foot the grass takes the part of its motion that points into the ground; the spin stays. Then the
    contact slips, and sliding friction pushes against the slip until there is none: a twentieth of a second
    at the most, in which it goes a few centimetres. This uses no conserved quantity, so that it can tell
    whether `Ramp.rolling_speed_mps` is right.

    Parameters
    ----------
    ramp : Ramp
        The ramp.

    Returns
    -------
    float
        Speed [m/s].
    """
    along = ramp.release_speed_mps * math.cos(ramp.angle_rad)
    turning = ramp.release_speed_mps / ramp.rails.rolling_radius_m
    push = FACE_FRICTION * GRAVITY_MPS2
    inertia = 0.4 * BALL_RADIUS_M
    slip = turning * BALL_RADIUS_M - along
    way = math.copysign(1.0, slip)
    while slip * way > 0.0:
        along += way * push * SKID_STEP_S
        turning -= way * push / inertia * SKID_STEP_S
        slip = turning * BALL_RADIUS_M - along
    return along


def simulated_roll_m(
    green: HiddenGreen, ramp: Ramp, *, back: bool, set_up: float, rng: np.random.Generator
) -> float:
    """Return one roll [m] of the ramp, out or back, rolled by the general integrator.

    Parameters
    ----------
    green : HiddenGreen
        The hidden green.
    ramp : Ramp
        The ramp.
    back : bool
        Whether it rolls back.
    set_up : float
        From `setting_up`, the same for all rolls of one set-up.
    rng : Generator
        Source of chance: the scatter of one roll.

    Returns
    -------
    float
        Length of the roll [m].
    """
    way = math.pi if back else 0.0
    putt = Putt(
        Point(0.0, 0.0),
        Point(1.0, 0.0),
        plane_from_grade(green.slope, 0.0, 0.0),
        green.speed_ft,
        RollPast(0.0),
        Grain(abs(green.grain), 0.0 if green.grain >= 0.0 else math.pi),
    )
    share = max(0.1, set_up * (1.0 + float(rng.normal(0.0, ROLL_SCATTER))))
    speed = RAMP_SPEED_MPS * skidded_speed_mps(ramp) / skidded_speed_mps(STANDARD_RAMP) * math.sqrt(share)
    track = roll(
        putt.surface,
        accelerations_of(putt),
        putt.ball,
        heading_rad=way,
        speed_mps=speed,
        path_limit_m=FARTHEST_M,
    )
    return math.hypot(track.finish.x_m, track.finish.y_m)
