"""Where misses stopped, round one cup: all putts turned to one line, to scale, the golfer's eye up."""

import math
from collections.abc import Iterator

import numpy as np
from numpy.typing import NDArray

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.log import GOOD_PAST_M
from orthocline.drawing.labels import Room, Wanted, dots_along, place_labels
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
    spots_of,
)
from orthocline.drawing.ticks import ticks
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording

SIZE = 600.0
MIDDLE = Spot(300.0, 330.0)
EDGE = 262.0
"""How far the outermost ring is from the hole on the sheet."""
LEAST_SPAN = 3.0
"""At least so many of the golfer's far units lie between hole and edge; half in metres."""
MOST_RINGS = 4
DOT = 5.0
ROOM = Room(left=6.0, right=SIZE - 6.0, top=30.0, bottom=SIZE - 8.0)
ROUND = [math.radians(5.0 * i) for i in range(73)]
BESIDE = [(0.0, 0.0), *((math.sin(turn), math.cos(turn)) for turn in ROUND[::9])]
HELD = 0.95
"""The edge is as far as such a share of the balls; those further off stand on it."""


def finishes(
    along_m: NDArray[np.float64], right_m: NDArray[np.float64], says: str, wording: Wording
) -> Scene:
    """Return the drawing of places where balls stopped [m], beyond the hole and to its right."""
    away = np.hypot(along_m, right_m)
    least = LEAST_SPAN * wording.units.far_m * (0.5 if wording.units.metric else 1.0)
    span_m = max(float(np.quantile(away, HELD)) if len(away) else 0.0, least)
    scale = EDGE / span_m
    rings = ticks(0.0, span_m / wording.units.far_m, MOST_RINGS)[1:]
    good = MIDDLE.y - GOOD_PAST_M * scale
    held = np.minimum(1.0, span_m / np.maximum(away, 1e-9))
    places = np.column_stack([MIDDLE.x + right_m * held * scale, MIDDLE.y - along_m * held * scale])
    items = [
        Area(box(0.0, 0.0, SIZE, SIZE), fill=Fill.GROUND),
        *_ring_items([ring * wording.units.far_m * scale for ring in rings]),
        Strokes(spots_of((MIDDLE.x - EDGE, good), (MIDDLE.x + EDGE, good)), Sign.QUIET, 1.2, name="good"),
        Line(spots_of((MIDDLE.x, SIZE - 2.0), (MIDDLE.x, MIDDLE.y)), Sign.INK, 1.5, "0.1 6"),
        *(Disc(Spot(*place), DOT, Sign.REAL, name="finish") for place in places.round(1).tolist()),
        Disc(MIDDLE, max(HOLE_RADIUS_M * scale, 4.0), Sign.INK, name="hole"),
        *_label_items(rings, scale, good, places, wording),
        Words("↓ your ball", Spot(8.0, SIZE - 10.0), Sign.QUIET),
        Words("↑ past the hole", Spot(8.0, 22.0), Sign.QUIET),
        Words(f"line: {wording.past(GOOD_PAST_M)} past", Spot(SIZE - 8.0, 22.0), Sign.QUIET, "end"),
    ]
    return Scene("finishes", SIZE, SIZE, says, tuple(items))


def _ring_items(radii: list[float]) -> Iterator[Item]:
    for radius in radii:
        yield Disc(MIDDLE, radius, Sign.EDGE, None, 1.2, name="ring")


def _label_items(
    rings: list[float], scale: float, good: float, places: NDArray[np.float64], wording: Wording
) -> Iterator[Item]:
    """Yield the distances of the rings, and what the line past the hole is, clear of the dots."""
    radii = [ring * wording.units.far_m * scale for ring in rings]
    circles = [
        spots_of(*[(MIDDLE.x + r * math.sin(turn), MIDDLE.y - r * math.cos(turn)) for turn in ROUND])
        for r in radii
    ]
    lines = [*circles, spots_of((MIDDLE.x - EDGE, good), (MIDDLE.x + EDGE, good))]
    lines.append(spots_of((MIDDLE.x, SIZE), MIDDLE))
    wanted = [
        Wanted(f"{tidy(ring)} {wording.units.far}", Spot(*circle[15].tolist()), "near", needed=False)
        for ring, circle in zip(rings, circles, strict=True)
    ]
    beside = np.concatenate([places + DOT * np.array(way) for way in BESIDE])
    marks = np.concatenate([beside, spots_of(MIDDLE)])
    for label in place_labels(wanted, dots_along(lines, marks), ROOM):
        yield from label.items
