"""What pushes a rolling ball besides the grass's drag: the slope, the grain and the wind."""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from orthocline.core.constants import (
    AIR_DENSITY_KGPM3,
    BALL_MASS_KG,
    BALL_RADIUS_M,
    DRAG_COEFFICIENT,
    GRASS_ROUGHNESS_M,
    PULL_PER_SLOPE_MPS2,
    ROLLING_SHARE,
    WIND_HEIGHT_M,
)
from orthocline.core.ground import Plane, Station, Stations, Surface
from orthocline.core.roll.green_speed import rolling_deceleration_mps2
from orthocline.core.roll.putt import Putt, Wind
from orthocline.core.survey import Survey

WIND_FACTOR_PER_M = (
    ROLLING_SHARE * AIR_DENSITY_KGPM3 * DRAG_COEFFICIENT * math.pi * BALL_RADIUS_M**2 / (2.0 * BALL_MASS_KG)
)
"""(5/7) rho C_d A / 2m [1/m]: acceleration of a rolling ball per square of the air's speed past it."""

AT_BALL = math.log(BALL_RADIUS_M / GRASS_ROUGHNESS_M) / math.log(WIND_HEIGHT_M / GRASS_ROUGHNESS_M)
"""Share of the wind at ten metres that blows at the ball's centre, by the log law."""


@dataclass(frozen=True)
class Accelerations:
    """The accelerations [m/s^2] on a ball, apart from the slope's own.

    Attributes
    ----------
    drag_mps2 : float
        Rolling deceleration d from the green speed.
    grain_east_mps2, grain_north_mps2 : float
        Steady pull of the grain, gamma d along its direction.
    wind_east_mps, wind_north_mps : float
        Wind [m/s] at the ball's centre.
    """

    drag_mps2: float
    grain_east_mps2: float
    grain_north_mps2: float
    wind_east_mps: float
    wind_north_mps: float

    @property
    def row(self) -> NDArray[np.float64]:
        """The same as one array for the integrator."""
        return np.array(
            [
                self.drag_mps2,
                self.grain_east_mps2,
                self.grain_north_mps2,
                self.wind_east_mps,
                self.wind_north_mps,
            ]
        )

    @property
    def push_at_rest_mps2(self) -> tuple[float, float]:
        """What grain and wind give a ball that hardly moves [m/s^2], east and north."""
        blow = WIND_FACTOR_PER_M * math.hypot(self.wind_east_mps, self.wind_north_mps)
        return (
            self.grain_east_mps2 + blow * self.wind_east_mps,
            self.grain_north_mps2 + blow * self.wind_north_mps,
        )


def wind_at_ball_mps(wind: Wind) -> float:
    """Return the wind [m/s] at the ball's centre: 0.0005 m of roughness, 21.3 mm up.

    Parameters
    ----------
    wind : Wind
        Mean wind at ten metres.

    Returns
    -------
    float
        Wind [m/s].
    """
    return wind.speed_mps * AT_BALL


def accelerations_of(putt: Putt) -> Accelerations:
    """Return the accelerations on the ball of a putt.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    Accelerations
        Drag, wind, and grain that is the same everywhere; other grain is part of `ground_under`.
    """
    drag = rolling_deceleration_mps2(putt.green_speed_ft)
    grain, wind = putt.grain, putt.wind
    blow, pull = wind_at_ball_mps(wind), 0.0 if grain.since else grain.strength * drag
    return Accelerations(
        drag,
        pull * math.cos(grain.toward_rad),
        pull * math.sin(grain.toward_rad),
        blow * math.cos(wind.toward_rad),
        blow * math.sin(wind.toward_rad),
    )


def ground_under(putt: Putt) -> Surface:
    """Return the ground as a ball of a putt rolls on it.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    Surface
        The putt's own; where its grass grows one way from some place on, or each way in a part of its own,
        with the slope that it is worth.
    """
    ground, grain = putt.surface, putt.grain
    if isinstance(ground, Survey) and ground.grain:
        return ground.grown(rolling_deceleration_mps2(putt.green_speed_ft) / PULL_PER_SLOPE_MPS2)
    if not grain.since or not grain.strength:
        return ground
    if not isinstance(ground, Stations):
        even = (Station(0.0, putt.side_tilt_right, putt.grade),)
        ground = Stations((putt.ball.x_m, putt.ball.y_m), (putt.hole.x_m, putt.hole.y_m), even)
    turn, worth = grain.toward_rad - putt.bearing_rad, grain_worth(putt)
    return ground.leaning(grain.since, worth * math.cos(turn), -worth * math.sin(turn))


def plane_with_grain(putt: Putt) -> Plane:
    """Return the bare plane that rolls as the putt's plane, or its ground's mean, with its grain does.

    Grain adds gamma d toward the way it grows, as a slope of gamma d / (5/7 g) falling that way would.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    Plane
        The plane.
    """
    grain = putt.grain
    if grain.strength == 0.0:
        return putt.mean_plane
    worth = grain_worth(putt) * (1.0 - grain.since)
    rise_east, rise_north = putt.mean_plane.parameters
    fall_east = -rise_east + worth * math.cos(grain.toward_rad)
    fall_north = -rise_north + worth * math.sin(grain.toward_rad)
    return Plane(math.hypot(fall_east, fall_north), math.atan2(fall_north, fall_east))


def grain_worth(putt: Putt) -> float:
    """Return the slope [ratio] that the putt's grain is worth.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    float
        Slope [ratio].
    """
    drag = rolling_deceleration_mps2(putt.green_speed_ft)
    return putt.grain.strength * drag / PULL_PER_SLOPE_MPS2
