"""Aim and pace of plane putts, by length, side tilt and rise."""

import math
from typing import Final

import numpy as np

from orthocline.core.cards import Conditions
from orthocline.core.pack.table import Axis, Table
from orthocline.core.roll import (
    WIDEST_AIM_RAD,
    PlaneSets,
    RollPast,
    rolling_deceleration_mps2,
    steepest_holding_slope,
)
from orthocline.core.units import FOOT_M, PERCENT

LENGTHS_M: Final = (1.5 * FOOT_M, 80.0 * FOOT_M)
SIDEMOST: Final = 6.0 * PERCENT
RISES: Final = (-6.0 * PERCENT, 6.0 * PERCENT)
COUNTS: Final = (16, 13, 25)
"""Of lengths, side tilts and rises: each half a percent apart."""
HOLDING_SHARE: Final = 0.98
"""A ball is hardly at rest on ground that is steeper than this share of what holds one."""


def plane_table(conditions: Conditions) -> Table:
    """Return aim and pace of putts on planes.

    Parameters
    ----------
    conditions : Conditions
        Green speed and roll-past.

    Returns
    -------
    Table
        By the root of the length [m^0.5], side tilt (falls to the right) and rise [ratio]: launch angle to
        the right [rad], below 0, and how far the putt plays on the level [m].
    """
    axes = (
        Axis(math.sqrt(LENGTHS_M[0]), math.sqrt(LENGTHS_M[1]), COUNTS[0]),
        Axis(0.0, SIDEMOST, COUNTS[1]),
        Axis(*RISES, COUNTS[2]),
    )
    length, side, rise = (
        one.ravel() for one in np.meshgrid(axes[0].places ** 2, axes[1].places, axes[2].places, indexing="ij")
    )
    same = np.ones_like(length)
    speed_ft, past_m = conditions.green_speed_ft, conditions.past_m
    sets = PlaneSets(length, side, rise, speed_ft * same, 0.0 * same, 0.0 * same)
    angle, launch = sets.launches(RollPast(past_m)).T
    plays = launch**2 / (2.0 * rolling_deceleration_mps2(speed_ft)) - past_m
    holds = np.hypot(side, rise) < HOLDING_SHARE * steepest_holding_slope(speed_ft)
    values = np.where(
        (holds & (np.abs(angle) <= WIDEST_AIM_RAD))[:, None], np.column_stack([angle, plays]), np.nan
    )
    return Table(axes, values.reshape(*(one.count for one in axes), 2))
