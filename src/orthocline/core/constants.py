"""Physical constants, each with its unit and source. SI throughout."""

from typing import Final

GRAVITY_MPS2: Final = 9.80665
"""Standard gravity [m/s^2] (3rd CGPM, 1901)."""

ROLLING_SHARE: Final = 5.0 / 7.0
"""Share of a pull that moves the centre of a rolling solid sphere; 2/7 spins it (moment 2/5 m r^2)."""

PULL_PER_SLOPE_MPS2: Final = ROLLING_SHARE * GRAVITY_MPS2
"""Acceleration [m/s^2] of a rolling ball down a slope, for each unit of slope (rise over run)."""

RAMP_SPEED_MPS: Final = 1.83
"""Speed [m/s] at which the standard ramp releases the ball (Brede 1991; Holmes 1991)."""

BALL_RADIUS_M: Final = 0.021335
"""Radius [m] of a ball of the smallest diameter allowed, 42.67 mm (Rules of golf, equipment)."""

BALL_MASS_KG: Final = 0.04593
"""Greatest mass [kg] of a ball (Rules of golf, equipment)."""

HOLE_RADIUS_M: Final = 0.053975
"""Radius [m] of the hole, 4.25 in across (Rules of golf, definitions)."""

CAPTURE_SPEED_MPS: Final = 1.63
"""Fastest speed [m/s] at the rim that drops through the middle (Holmes 1991, Am. J. Phys. 59, 129)."""

FACE_FRICTION: Final = 0.4
"""Friction coefficient of a sliding ball on cut grass (Penner 2002, Can. J. Phys. 80, 83)."""

AIR_DENSITY_KGPM3: Final = 1.2
"""Density of air [kg/m^3] at 20 degrees Celsius and sea level (International Standard Atmosphere, 1975)."""

DRAG_COEFFICIENT: Final = 0.5
"""Drag coefficient of a slow golf ball (taken from that of a sphere below the critical speed)."""

WIND_HEIGHT_M: Final = 10.0
"""Height [m] at which a mean wind is quoted (World Meteorological Organization, Guide No. 8)."""

GRASS_ROUGHNESS_M: Final = 0.0005
"""Roughness length [m] of very short grass, for the log law of the wind (our choice, docs/model.md)."""

MODEL_VERSION: Final = "3"
"""Raised whenever a change of the model changes the figures of a read."""
