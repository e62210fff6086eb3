"""Ground that is not even, on a sheet: strokes down the slope, heavier and longer where it is steeper."""

from collections.abc import Iterator

import numpy as np
import shapely

from orthocline.core.roll import Putt
from orthocline.drawing.frame import Frame
from orthocline.drawing.scene import Item, Sign, Spots, Strokes

EVERY = 25.0
"""Strokes stand so far apart on the sheet where it is steepest, every other row shifted by half."""
DENSER = np.array([[0.0015, 0.02], [0.032, 0.01]])
"""From which slope [ratio] on a place has a stroke, by row and column: the steeper, the denser they are."""
LONGEST, FULL_SLOPE = 22.0, 0.035
"""A stroke's length on ground that slopes so much, and steeper."""
FLATTEST = 0.0015
"""Flatter ground has no stroke."""
WEIGHTS = ((0.012, 0.7), (0.024, 1.1), (1.0, 1.7))
"""Slopes [ratio] up to which strokes have a width."""
EDGE = 12.0


def uneven_items(putt: Putt, frame: Frame, edge: Spots) -> Iterator[Item]:
    """Yield the strokes of a putt's ground within the corners of an edge on the sheet."""
    spots = spots_within(edge)
    yield from fall_strokes(spots, _falls(putt, frame, spots))


def fall_strokes(spots: Spots, falls: Spots) -> Iterator[Item]:
    """Yield strokes down the slope at places of a sheet, by the fall [ratio] to the right and down on it."""
    slope = np.hypot(*falls.T)
    rows, columns = (np.rint(one / EVERY).astype(int) % 2 for one in (spots[:, 1], spots[:, 0]))
    stands = slope >= DENSER[rows, columns]
    spots, falls, slope = spots[stands], falls[stands], slope[stands]
    steep = np.minimum(slope / FULL_SLOPE, 1.0)[:, None]
    half = 0.5 * LONGEST * (0.35 + 0.65 * steep) * falls / np.maximum(slope, FLATTEST)[:, None]
    least = 0.0
    for most, width in WEIGHTS:
        chosen = (slope >= least) & (slope < most)
        if chosen.any():
            ends = np.stack([spots[chosen] - half[chosen], spots[chosen] + half[chosen]], axis=1)
            yield Strokes(ends.reshape(-1, 2), Sign.FALL, width, name="hachures")
        least = most


def spots_within(edge: Spots) -> Spots:
    """Return even places within an edge, some way from it."""
    (left, top), (right, bottom) = edge.min(axis=0).tolist(), edge.max(axis=0).tolist()
    rows = np.arange(top + EVERY, bottom, EVERY)
    spots = np.array(
        [
            (x, y)
            for i, y in enumerate(rows.tolist())
            for x in np.arange(left + 0.5 * EVERY * (1 + i % 2), right, EVERY).tolist()
        ]
    )
    area = shapely.Polygon(edge).buffer(-EDGE)
    inside: Spots = spots[shapely.contains_xy(area, *spots.T)]
    return inside


def _falls(putt: Putt, frame: Frame, spots: Spots) -> Spots:
    """Return the fall [ratio] at places of the sheet, as on it: to the right, and down."""
    ground, falls = putt.surface, []
    for right, ahead in frame.places(spots).tolist():
        place = putt.place(putt.length_m + ahead, right)
        east, north = ground.slope(place.x_m, place.y_m, ground.parameters)
        falls.append((-east, -north))
    cos, sin = np.cos(putt.bearing_rad), np.sin(putt.bearing_rad)
    east, north = np.array(falls).T
    beyond, to_right = east * cos + north * sin, east * sin - north * cos
    zero = frame.spots(np.zeros(1), np.zeros(1))
    return (frame.spots(beyond, to_right) - zero) / frame.scale
