"""The ramp: how fast it releases a ball, how high to lift it, and what a home-made one's rolls are worth."""

import math
from collections.abc import Iterator
from dataclasses import dataclass

from orthocline.core.constants import BALL_RADIUS_M, GRAVITY_MPS2, ROLLING_SHARE
from orthocline.core.units import INCH_M

RAMP_RANGES = {"length": (0.2, 2.0), "angle": (5.0, 45.0), "gap": (0.005, 0.038), "groove": (60.0, 180.0)}
"""Between which a ramp's length and gap [m], its angle and groove [degrees] lie."""
ROUNDING = 1e-9


class RampError(ValueError):
    """A ramp that cannot be built; `member` names the figure at fault."""

    def __init__(self, member: str, message: str) -> None:
        super().__init__(message)
        self.member = member


@dataclass(frozen=True)
class Rods:
    """Two rods or edges, `gap_m` apart where they touch the ball."""

    gap_m: float

    @property
    def rolling_radius_m(self) -> float:
        """Effective rolling radius r_e = sqrt(r^2 - (gap/2)^2) [m]."""
        return math.sqrt(BALL_RADIUS_M**2 - (self.gap_m / 2.0) ** 2)


@dataclass(frozen=True)
class Groove:
    """A V-groove that opens by `angle_rad`; half a turn is a flat board."""

    angle_rad: float

    @property
    def rolling_radius_m(self) -> float:
        """Effective rolling radius r_e = r sin(angle/2) [m]."""
        return BALL_RADIUS_M * math.sin(self.angle_rad / 2.0)


Rails = Rods | Groove


@dataclass(frozen=True)
class Ramp:
    """A ramp: the way of the ball on it, its angle to level ground, and what the ball rolls on.

    Raises
    ------
    RampError
        When a figure is outside its range; the ranges are the constants of this module.
    """

    length_m: float
    angle_rad: float
    rails: Rails

    def __post_init__(self) -> None:
        for member, figure, (least, most), what in self._figures():
            if not least - ROUNDING <= figure <= most + ROUNDING:
                raise RampError(member, f"{what} must be between {least:g} and {most:g}")

    def _figures(self) -> Iterator[tuple[str, float, tuple[float, float], str]]:
        yield "length", self.length_m, RAMP_RANGES["length"], "a ramp's length in metres"
        yield "angle", math.degrees(self.angle_rad), RAMP_RANGES["angle"], "a ramp's angle in degrees"
        if isinstance(self.rails, Rods):
            millimetres = (1000.0 * RAMP_RANGES["gap"][0], 1000.0 * RAMP_RANGES["gap"][1])
            yield "gap", 1000.0 * self.rails.gap_m, millimetres, "the gap of the rods in millimetres"
        else:
            yield "groove", math.degrees(self.rails.angle_rad), RAMP_RANGES["groove"], "a groove in degrees"

    @property
    def lift_m(self) -> float:
        """How high the ball starts above the ramp's foot: l sin(theta) [m]."""
        return self.length_m * math.sin(self.angle_rad)

    @property
    def release_speed_mps(self) -> float:
        """Speed [m/s] at its foot: sqrt(2 l g sin(theta) / (1 + 0.4 (r/r_e)^2)), rolling without slip."""
        spin = 0.4 * (BALL_RADIUS_M / self.rails.rolling_radius_m) ** 2
        return math.sqrt(2.0 * GRAVITY_MPS2 * self.lift_m / (1.0 + spin))

    @property
    def rolling_speed_mps(self) -> float:
        """Speed [m/s] at which the ball rolls on along the grass.

        It leaves the foot at v_f, spinning at v_f / r_e, faster than it rolls. The grass turns it level, and
        pushes it forward until it rolls; all of that acts at the point of contact, so that the angular
        momentum about it is kept: v = (5/7) v_f cos(theta) + (2/7) v_f r/r_e.
        """
        left = self.release_speed_mps
        spin = left * BALL_RADIUS_M / self.rails.rolling_radius_m
        return ROLLING_SHARE * left * math.cos(self.angle_rad) + (1.0 - ROLLING_SHARE) * spin

    @property
    def correction(self) -> float:
        """Factor that makes its rolls those of the standard ramp: (v_standard / v)^2, both on the grass."""
        return (STANDARD_RAMP.rolling_speed_mps / self.rolling_speed_mps) ** 2

    @property
    def former_correction(self) -> float:
        """The correction that counted before: by the speeds at the foot, as if the spin were lost there."""
        return (STANDARD_RAMP.release_speed_mps / self.release_speed_mps) ** 2


STANDARD_RAMP = Ramp(30.0 * INCH_M, math.radians(20.0), Groove(math.radians(145.0)))
"""30 in at 20 degrees with a groove of 145 degrees: 1.884 m/s at its foot, 1.829 on the grass."""
