"""The bubble of a phone that lies on the ground, and how the ground slopes under it."""

import math
from collections.abc import Iterator

from orthocline.core.ground import PhoneLevel
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Strokes,
    Words,
    box,
    scale_strokes,
    spots_of,
)

WIDTH, HEIGHT = 640.0, 250.0
MIDDLE, TUBE_Y, TUBE_HALF, TUBE_HIGH, BUBBLE = 320.0, 56.0, 230.0, 22.0, 17.0
PER_DEGREE = 60.0
"""The bubble moves so far for a degree, until the end of its tube."""
GROUND_Y, GROUND_HALF, EXAGGERATION = 170.0, 250.0, 4.0
PHONE_HALF, PHONE_THICK = 78.0, 13.0


def bubble_drawing(found: PhoneLevel | None, says: str, ends: tuple[str, str]) -> Scene:
    """Return the bubble, and the phone on its ground four times too steep; level while nothing is known.

    Parameters
    ----------
    ends : tuple of str
        What lies to the left and to the right of the drawing, where the phone's top pointed at first.
    """
    slope = found.slope if found else 0.0
    items = [*_tube(math.degrees(math.atan(slope))), *_ground(slope, ends, known=found is not None)]
    data = {"middle": MIDDLE, "per-degree": PER_DEGREE, "half": TUBE_HALF - BUBBLE}
    return Scene("bubble", WIDTH, HEIGHT, says, tuple(items), data)


def _tube(degrees: float) -> Iterator[Item]:
    yield Area(box(0.0, 0.0, WIDTH, HEIGHT), fill=Fill.GROUND)
    tube = box(MIDDLE - TUBE_HALF, TUBE_Y - TUBE_HIGH, MIDDLE + TUBE_HALF, TUBE_Y + TUBE_HIGH)
    yield Area(tube, Sign.INK, Fill.OPEN, 2.0)
    marks = [MIDDLE + PER_DEGREE * degree for degree in range(-3, 4)]
    yield Strokes(scale_strokes(marks, TUBE_Y + TUBE_HIGH, 6.0), Sign.QUIET, 1.2)
    for degree, x in zip(range(-3, 4), marks, strict=True):
        yield Words(f"{abs(degree)}°", Spot(x, TUBE_Y + TUBE_HIGH + 26.0), Sign.QUIET, "middle")
    reach = TUBE_HALF - BUBBLE
    x = MIDDLE + min(max(PER_DEGREE * degrees, -reach), reach)
    yield Disc(Spot(x, TUBE_Y), BUBBLE, Sign.FALL, name="bubble")


def _ground(slope: float, ends: tuple[str, str], *, known: bool) -> Iterator[Item]:
    rise = EXAGGERATION * slope
    lean = math.atan(rise)
    over = rise * GROUND_HALF
    line = spots_of((MIDDLE - GROUND_HALF, GROUND_Y + over), (MIDDLE + GROUND_HALF, GROUND_Y - over))
    sign, dash = (Sign.FALL, "") if known else (Sign.QUIET, "4 6")
    yield Line(line, sign, 2.4, dash, name="ground")
    cos, sin = math.cos(lean), math.sin(lean)
    corners = [(-PHONE_HALF, 2.0), (PHONE_HALF, 2.0), (PHONE_HALF, PHONE_THICK), (-PHONE_HALF, PHONE_THICK)]
    phone = [(MIDDLE + x * cos - y * sin, GROUND_Y - x * sin - y * cos) for x, y in corners]
    yield Area(spots_of(*phone), Sign.INK, Fill.OPEN, 2.0, name="phone")
    yield Words(ends[0], Spot(MIDDLE - GROUND_HALF, HEIGHT - 8.0), Sign.QUIET)
    yield Words(ends[1], Spot(MIDDLE + GROUND_HALF, HEIGHT - 8.0), Sign.QUIET, "end")
