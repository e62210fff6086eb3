"""Moves of a putt on the screen: a step of a figure, a drag of the ball or of the fall."""

import math

from orthocline.core.ground import Plane, plane_from_grade
from orthocline.core.roll import Putt
from orthocline.core.units import INCH_M, PERCENT
from orthocline.web.read.forms import ReadForm, rise_over
from orthocline.web.shared.read_address import TOWARD_DEG, nearest_way
from orthocline.wording.figures import tidy
from orthocline.wording.quantities import SPEED_UNITS_MPS, parse_far_m, parse_speed_mps

STEPS = {"ft": 1.0, "in": 1.0, "cm": 5.0, "m": 0.25, "pace": 1.0, "paces": 1.0, "m/s": 0.05}
"""One step of a length or a speed, by the unit it is typed in."""
LENGTHS = ("length", "past")
SLOPE_STEPS = {"%": 0.1, "deg": 0.1, "in": 0.5, "cm": 1.0}
GREEN_SPEED_STEP_FT = 0.1
TURN_OVER = {"side": ("falls", "left", "right"), "rise": ("slope", "up", "down")}
"""The choice that turns over where a slope is stepped through nothing."""


def stepped(form: ReadForm, step: str) -> dict[str, str]:
    """Return a figure moved one step, in the unit it was typed in: ``length:1``, ``past:-1``."""
    name, _, sign = step.partition(":")
    if sign not in ("1", "-1"):
        return {}
    way = int(sign)
    if name in TURN_OVER:
        return _stepped_slope(form, name, way)
    if name in LENGTHS:
        return {name: _stepped_length(form, name, way)}
    if name == "speed":
        return {name: tidy((form.speed.figure or 0.0) + way * GREEN_SPEED_STEP_FT, 2)}
    return {}


def _stepped_slope(form: ReadForm, name: str, way: int) -> dict[str, str]:
    unit = form[name].unit
    figure = _slope_in_unit(form[name].figure, unit, rise_over(form)) + way * SLOPE_STEPS[unit]
    values = {name: f"{tidy(abs(figure), 2)} {unit}"}
    if figure < 0.0:
        choice, one, other = TURN_OVER[name]
        values[choice] = other if form[choice].data == one else one
    return values


def _stepped_length(form: ReadForm, name: str, way: int) -> str:
    typed = (form[name].data or "").lstrip("+-−0123456789.,¼½¾ ").strip()
    wording = form[name].wording
    usual = wording.units.far if name == "length" else wording.units.near
    unit = typed if typed in STEPS else usual
    one = parse_speed_mps(f"1 {unit}") if unit in SPEED_UNITS_MPS else parse_far_m(f"1 {unit}", wording)
    return f"{tidy(max(abs(form[name].figure) / one + way * STEPS[unit], 0.0), 2)} {unit}"


def _slope_in_unit(slope: float, unit: str, over_m: float) -> float:
    if unit == "deg":
        return math.degrees(math.atan(slope))
    if unit in ("in", "cm"):
        return slope * over_m / (INCH_M if unit == "in" else 0.01)
    return slope / PERCENT


def turned_ground(putt: Putt, around: str, fall: str) -> Plane:
    """Return the ground as it lies to the golfer after a drag; unreadable drags change nothing.

    Parameters
    ----------
    around : str
        Degrees that the ball moved clockwise round the hole.
    fall : str
        Degrees clockwise from the hole's direction to which the ground now falls, or empty.
    """
    if fall:
        way = math.radians(_degrees(fall))
        tilt = putt.mean_plane.tilt or PERCENT
        return plane_from_grade(-tilt * math.cos(way), tilt * math.sin(way), 0.0)
    bearing = -math.radians(_degrees(around))
    return plane_from_grade(putt.mean_plane.grade(bearing), putt.mean_plane.side_tilt_right(bearing), 0.0)


def _degrees(text: str) -> float:
    try:
        angle = float(text)
    except ValueError:
        return 0.0
    return angle if math.isfinite(angle) else 0.0


def ground_values(plane: Plane, form: ReadForm) -> dict[str, str]:
    """Return the ground as the fields say it, each in the unit it was typed in."""
    side, rise = plane.side_tilt_right(0.0), plane.grade(0.0)
    over = rise_over(form)
    typed = {}
    for name, slope, unit in (("side", side, form.side.unit), ("rise", rise, form.rise.unit)):
        typed[name] = f"{tidy(abs(_slope_in_unit(slope, unit, over)), 2)} {unit}"
    return typed | {"falls": "right" if side > 0.0 else "left", "slope": "up" if rise >= 0.0 else "down"}


def turned_ways(form: ReadForm, around: str) -> dict[str, str]:
    """Return the ways of grain and wind seen from where the ball was moved to, to an eighth of a turn."""
    return {
        name: nearest_way(TOWARD_DEG[form[name].data] + _degrees(around))
        for name in ("grain_toward", "wind_toward")
    }


def held_frame(text: str) -> tuple[float, float, float, float] | None:
    """Return scale, hole x, hole y and turn of a drawing that is to be held still; None for none."""
    try:
        scale, x, y, turn = (float(part) for part in text.split(","))
    except ValueError:
        return None
    sane = 1.0 <= scale <= 5000.0 and 0.0 <= x <= 1000.0 and 0.0 <= y <= 1000.0 and abs(turn) <= 720.0
    return (scale, x, y, turn) if sane else None
