"""Toes and heels, and backward steps: how feet are asked about a slope, drawn."""

import numpy as np

from orthocline.drawing.scene import (
    Area,
    Fill,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Spots,
    Words,
    arrowhead,
    box,
    spots_of,
)

WIDTH, HEIGHT = 320.0, 150.0
SHOE = spots_of((0, 0), (46, 0), (50, -8), (34, -14), (20, -26), (4, -26), (0, -10))
"""A shoe from the side, its toe to the right, its sole along x."""
STEPS, LIFTED = 4, 14.0


def _on_slope(spots: Spots, at: Spot, tilt_rad: float) -> Spots:
    cos, sin = np.cos(tilt_rad), np.sin(tilt_rad)
    return np.asarray(spots @ np.array([(cos, sin), (-sin, cos)]) + np.array(at))


def _ground(tilt_rad: float, left: float, right: float, y: float) -> list[Item]:
    ends = spots_of((left, y), (right, y + (right - left) * np.tan(tilt_rad)))
    return [Line(ends, Sign.EDGE, 2.0, name="ground")]


def toes_drawing() -> Scene:
    """Return a shoe with its toes low, and one with its heel low: where the weight is felt."""
    items: list[Item] = [Area(box(0.0, 0.0, WIDTH, HEIGHT), fill=Fill.GROUND)]
    for middle, tilt, says in (
        (80.0, 0.16, "toes low"),
        (240.0, -0.16, "heels low"),
    ):
        y = 84.0 - 60.0 * np.tan(tilt)
        items += _ground(tilt, middle - 60.0, middle + 60.0, y)
        start = Spot(middle - 25.0, 82.0 - 25.0 * np.tan(tilt))
        items.append(Area(_on_slope(SHOE, start, tilt), Sign.INK, Fill.OPEN, 2.0, name="shoe"))
        weight = middle + (20.0 if tilt > 0.0 else -20.0)
        foot = Spot(weight, 84.0 + (weight - middle) * np.tan(tilt) + 6.0)
        items.append(Line(spots_of((foot.x, foot.y + 24.0), foot), Sign.FALL, 3.0))
        items.append(Area(arrowhead(foot, (0.0, -1.0), 9.0, 5.0), Sign.FALL))
        items.append(Words(says, Spot(middle, 140.0), Sign.INK, "middle"))
    return Scene(
        "", WIDTH, HEIGHT, "Toes low: the weight lies on them; heels low: it lies there.", tuple(items)
    )


def backwards_drawing() -> Scene:
    """Return backward steps down a slope: each foot meets the ground later, and the heel last."""
    tilt = 0.13
    items: list[Item] = [
        Area(box(0.0, 0.0, WIDTH, HEIGHT), fill=Fill.GROUND),
        *_ground(-tilt, 20.0, 300.0, 122.0),
    ]
    for step in range(STEPS):
        x = 236.0 - 62.0 * step
        y = 120.0 - (x - 20.0) * np.tan(tilt)
        if step < STEPS - 1:
            shoe = _on_slope(SHOE, Spot(x, y), -tilt)
            items.append(Area(shoe, Sign.INK, Fill.OPEN, 2.0, name="shoe"))
        else:
            lifted = _on_slope(SHOE, Spot(x, y - LIFTED), -tilt)
            items.append(Line(np.vstack([lifted, lifted[:1]]), Sign.INK, 1.6, "4 4", name="lifted"))
    items.append(Line(spots_of((190.0, 30.0), (110.0, 30.0)), Sign.DO, 3.0))
    items.append(Area(arrowhead(Spot(104.0, 30.0), (-1.0, 0.0), 10.0, 5.5), Sign.DO))
    items.append(Words("walk backwards", Spot(150.0, 22.0), Sign.DO, "middle"))
    items.append(Words("downhill the ground comes late", Spot(160.0, 142.0), Sign.INK, "middle"))
    says = "Walking backwards: downhill the ground comes later than the foot expects, uphill earlier."
    return Scene("", WIDTH, HEIGHT, says, tuple(items))
