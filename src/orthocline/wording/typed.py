"""The unit in which a golfer typed a figure, and the same figure, or a changed one, in that unit again."""

import math
from collections.abc import Mapping

from orthocline.core.units import PERCENT
from orthocline.wording.figures import tidy
from orthocline.wording.quantities import LENGTH_UNITS_M, SPEED_UNITS_MPS, first_unit
from orthocline.wording.wording import Wording

STEPS: Mapping[str, float] = {
    **{"ft": 1.0, "in": 1.0, "yd": 1.0, "m": 0.25, "cm": 5.0, "mm": 50.0, "paces": 1.0, "shoes": 1.0},
    **{"m/s": 0.05, "ft/s": 0.2, "mph": 0.1, "km/h": 0.2},
    **{"%": 0.1, "deg": 0.1},
}
"""One step of a figure, in its unit."""
RISE_STEPS: Mapping[str, float] = {"in": 0.5, "cm": 1.0}
"""One step of a slope that is typed as a rise over the putt."""
DRAGGED: Mapping[str, float] = {
    **{"ft": 0.1, "in": 1.0, "yd": 0.1, "m": 0.01, "cm": 1.0, "mm": 10.0, "paces": 0.1, "shoes": 0.1},
}
"""What a hand can tell apart when it drags a length, in its unit."""
EXACT = 9
"""Digits, and decimals, of a figure in an address: none is missed, however often it goes round."""


def unit_typed(text: str, usual: str, wording: Wording) -> str:
    """Return the unit of a typed length or speed by its one name, `usual` where there is none."""
    typed = first_unit(text)
    if not typed:
        return usual
    if typed in wording.calibration.units_m:
        return "shoes" if "shoe" in typed else "paces"
    units = LENGTH_UNITS_M if typed in LENGTH_UNITS_M else SPEED_UNITS_MPS
    return next(name for name, size in units.items() if size == units[typed])


def size_of(unit: str, wording: Wording) -> float:
    """Return one unit of length [m] or of speed [m/s]."""
    return {**LENGTH_UNITS_M, **SPEED_UNITS_MPS, **wording.calibration.units_m}[unit]


def slope_in(slope: float, unit: str, over_m: float, wording: Wording) -> float:
    """Return a slope [ratio] in percent, in degrees or as a rise over a putt."""
    if unit == "%":
        return slope / PERCENT
    return math.degrees(math.atan(slope)) if unit == "deg" else slope * over_m / size_of(unit, wording)


def slope_of(figure: float, unit: str, over_m: float, wording: Wording) -> float:
    """Return the slope [ratio] of a figure in percent, in degrees or as a rise over a putt."""
    if unit == "%":
        return figure * PERCENT
    return math.tan(math.radians(figure)) if unit == "deg" else figure * size_of(unit, wording) / over_m


def exact(figure: float) -> str:
    """Return a figure as an address has it."""
    return f"{round(figure, EXACT) + 0.0:.{EXACT}g}"


def shown(figure: float) -> str:
    """Return a figure as a field shows it: to two decimals."""
    return tidy(figure, 2)
