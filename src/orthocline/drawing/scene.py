"""A scene: what lies where on a sheet, and what each thing means. Knows nothing of how it is written."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from enum import StrEnum
from typing import Any, NamedTuple

import numpy as np
import shapely
from numpy.typing import ArrayLike, NDArray

Spots = NDArray[np.float64]
"""Places on a sheet, shape (n, 2): x to the right, y down."""


UNSEEN = 0.1
"""Units of a sheet that nobody sees."""


class Spot(NamedTuple):
    """A place on a sheet."""

    x: float
    y: float


class Sign(StrEnum):
    """What a thing on the sheet means; its colour follows."""

    DO = "do"
    """What the golfer does: aim, marks, the call."""
    INK = "ink"
    """What the ball does, and things as they are."""
    FALL = "fall"
    """What gravity does."""
    UNSURE = "unsure"
    """What is not sure."""
    REAL = "real"
    """What really happened."""
    QUIET = "quiet"
    """What helps to read the rest."""
    EDGE = "edge"
    """An edge that means something."""
    RULE = "rule"
    """A ruled line that is decoration only."""


class Fill(StrEnum):
    """How an area is filled."""

    SOLID = "solid"
    """With its sign's colour."""
    OPEN = "open"
    """With paper; its edge has the sign's colour."""
    HATCHED = "hatched"
    """With the hatching of what is not sure, and a dashed edge."""
    GROUND = "ground"
    """With the green's wash."""


def fewest(spots: Spots) -> Spots:
    """Return the fewest places of a curve from which its line strays by no more than the eye sees.

    A curve of which a part is nowhere, at nan, stays as it is.
    """
    if np.isnan(spots).any():
        return spots
    return np.asarray(shapely.get_coordinates(fewest_of(shapely.LineString(spots))))


def fewest_of(lines: Any) -> Any:
    """Return lines of shapely's, one or an array of them, by the fewest places in the same way."""
    return shapely.simplify(lines, UNSEEN, preserve_topology=False)


@dataclass(frozen=True)
class Hachures:
    """A pattern that fills an area: contours, and strokes down the slope from each.

    Attributes
    ----------
    origin : Spot
        Where a contour passes.
    fall_deg : float
        The way the ground falls on the sheet, clockwise from up.
    spacing : float
        Distance between contours on the sheet.
    every : float
        Distance between strokes; closer where steeper.
    weight : float
        Width of the strokes; heavier where steeper.
    interval : str
        Height between two contours, in words.
    """

    origin: Spot
    fall_deg: float
    spacing: float
    every: float
    weight: float
    interval: str


@dataclass(frozen=True, kw_only=True)
class Item:
    """Something on the sheet: a name to be found by, and whether it waits to be shown."""

    name: str = ""
    hidden: bool = False


@dataclass(frozen=True)
class Line(Item):
    """A line through places, straight or a curve of close ones; `dash` are lengths of strokes and gaps."""

    spots: Spots
    sign: Sign
    width: float
    dash: str = ""


@dataclass(frozen=True)
class Strokes(Item):
    """Separate strokes, each from one place to the next: `spots` has shape (2 n, 2)."""

    spots: Spots
    sign: Sign
    width: float


@dataclass(frozen=True)
class Area(Item):
    """A closed shape through its corners, or through the control points of cubic curves where `curved`.

    It is filled as strongly as `shade` says, 0 to 1; what lies within `rings` is left out of it.
    """

    spots: Spots
    sign: Sign = Sign.FALL
    fill: Fill | Hachures = Fill.SOLID
    width: float = 0.0
    curved: bool = False
    shade: float = 1.0
    rings: tuple[Spots, ...] = ()


@dataclass(frozen=True)
class Disc(Item):
    """A circle, filled; with no `fill` a ring."""

    at: Spot
    radius: float
    sign: Sign
    fill: Fill | None = Fill.SOLID
    width: float = 0.0
    dash: str = ""


@dataclass(frozen=True)
class Words(Item):
    """Words on the sheet, their foot at a place; `anchor` is where in them it lies."""

    text: str
    at: Spot
    sign: Sign = Sign.INK
    anchor: str = "start"
    large: bool = False


@dataclass(frozen=True)
class Group(Item):
    """Things that belong together; `title` says what they are."""

    items: tuple[Item, ...]
    title: str = ""


@dataclass(frozen=True)
class Scene:
    """A whole picture.

    Attributes
    ----------
    name : str
        To be found by; empty for one of many alike.
    width, height : float
        Size of the sheet in its units.
    says : str
        The picture in words, for whoever does not see it.
    items : tuple of Item
        From the lowest to the topmost.
    data : mapping
        Figures for whoever moves something on it, by name.
    """

    name: str
    width: float
    height: float
    says: str
    items: tuple[Item, ...]
    data: Mapping[str, float] = field(default_factory=dict)

    def item(self, name: str) -> Item:
        """Return the thing of that name; raises KeyError where there is none."""
        for one in _all(self.items):
            if one.name == name:
                return one
        raise KeyError(name)

    def items_named(self, name: str) -> list[Item]:
        """Return all things of that name, in their order."""
        return [one for one in _all(self.items) if one.name == name]


def _all(items: Iterable[Item]) -> Iterable[Item]:
    for one in items:
        yield one
        if isinstance(one, Group):
            yield from _all(one.items)


def spots_of(*places: ArrayLike) -> Spots:
    """Return places as one array."""
    return np.array(places, dtype=float).reshape(-1, 2)


def box(left: float, top: float, right: float, bottom: float) -> Spots:
    """Return the corners of an upright rectangle."""
    return spots_of((left, top), (right, top), (right, bottom), (left, bottom))


def diamond(at: Spot, radius: float) -> Spots:
    """Return the corners of an aim mark, taller than wide."""
    tall = 1.35 * radius
    return spots_of((at.x, at.y - tall), (at.x + radius, at.y), (at.x, at.y + tall), (at.x - radius, at.y))


def arrowhead(tip: Spot, way: tuple[float, float], length: float, half: float) -> Spots:
    """Return the corners of an arrow's head that points along `way`, a unit step on the sheet."""
    foot = tip.x - length * way[0], tip.y - length * way[1]
    aside = -half * way[1], half * way[0]
    return spots_of(tip, (foot[0] + aside[0], foot[1] + aside[1]), (foot[0] - aside[0], foot[1] - aside[1]))


def scale_strokes(places: Iterable[float], across: float, half: float, *, upright: bool = True) -> Spots:
    """Return the strokes of a scale: one at each place along it, `half` to both sides of `across`."""
    ends = [(place, across + way) for place in places for way in (-half, half)]
    return spots_of(*(ends if upright else [(y, x) for x, y in ends]))
