"""Moves of a putt on the screen: a step of a figure, a drag of the ball or of the fall."""

import math

from orthocline.core.api import INCH_M, PERCENT, Plane, Putt, plane_from_grade
from orthocline.formats.quantities import SPEED_UNITS_MPS, parse_length_m, parse_speed_mps
from orthocline.formats.wording import tidy
from orthocline.web.read.forms import ReadForm, rise_over

STEPS = {
    "length": ("ft", 1.0),
    "side": ("%", 0.1),
    "rise": ("in", 0.5),
    "past": ("in", 1.0),
    "speed": ("", 0.1),
}
"""What one step of a figure is, in the unit used where another is not typed."""
UNIT_STEPS = {"m": 0.25, "cm": 5.0, "paces": 1.0, "pace": 1.0, "%": 0.1, "deg": 0.1, "°": 0.1, "m/s": 0.05}


def stepped(form: ReadForm, step: str) -> dict[str, str]:
    """Return a figure moved one step, in the unit it was typed in: ``length:1``, ``past:-1``."""
    name, _, way = step.partition(":")
    if name not in STEPS or way not in ("1", "-1"):
        return {}
    text = (form[name].data or "").strip()
    unit, size = STEPS[name]
    typed = text.lstrip("+-−0123456789.,¼½¾ ").strip()
    one_unit = typed in UNIT_STEPS or typed in ("ft", "in", "")
    unit = typed if typed and one_unit else unit
    size = UNIT_STEPS.get(unit, size)
    figure = _in_unit(form, name, unit) + int(way) * size
    if name == "side" and figure < 0.0:
        turned = "right" if form.falls.data == "left" else "left"
        return {"side": f"{tidy(-figure, 2)} {unit}", "falls": turned}
    if name == "rise" and figure < 0.0:
        turned = "down" if form.slope.data == "up" else "up"
        return {"rise": f"{tidy(-figure, 2)} {unit}", "slope": turned}
    return {name: f"{tidy(max(figure, 0.0), 2)} {unit}".strip()}


def _in_unit(form: ReadForm, name: str, unit: str) -> float:
    figure = abs(form[name].figure)
    if name == "speed":
        return float(figure)
    if name in ("side", "rise"):
        return _slope_in_unit(figure, unit, rise_over(form))
    one = parse_speed_mps(f"1 {unit}") if unit in SPEED_UNITS_MPS else parse_length_m(f"1 {unit}", unit)
    return float(figure / one)


def _slope_in_unit(slope: float, unit: str, over_m: float) -> float:
    if unit in ("deg", "°"):
        return math.degrees(math.atan(slope))
    return slope * over_m / INCH_M if unit == "in" else slope / PERCENT


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
        tilt = putt.surface.tilt or PERCENT
        return plane_from_grade(-tilt * math.cos(way), tilt * math.sin(way), 0.0)
    bearing = -math.radians(_degrees(around))
    return plane_from_grade(putt.surface.grade(bearing), putt.surface.side_tilt_right(bearing), 0.0)


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
    found = {}
    for name, slope, unit in (("side", side, form.side.unit), ("rise", rise, form.rise.unit)):
        found[name] = f"{tidy(abs(_slope_in_unit(slope, unit, over)), 2)} {unit}"
    return found | {"falls": "right" if side > 0.0 else "left", "slope": "up" if rise >= 0.0 else "down"}


def held_frame(text: str) -> tuple[float, float, float, float] | None:
    """Return scale, hole x, hole y and turn of a drawing that is to be held still; None for none."""
    try:
        scale, x, y, turn = (float(part) for part in text.split(","))
    except ValueError:
        return None
    sane = 1.0 <= scale <= 5000.0 and 0.0 <= x <= 1000.0 and 0.0 <= y <= 1000.0 and abs(turn) <= 720.0
    return (scale, x, y, turn) if sane else None
