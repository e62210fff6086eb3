"""What every reader takes and gives: what is said of a file, what it says itself, its places in pieces."""

from collections.abc import Iterator
from dataclasses import dataclass, field
from typing import Any, BinaryIO, Final

import numpy as np
from numpy.typing import NDArray

Figures = NDArray[np.float64]
UNITS: Final = {
    "metres": 1.0,
    "feet": 0.3048,
    "us_feet": 1200.0 / 3937.0,
    "centimetres": 0.01,
    "millimetres": 0.001,
}
"""Metres in a unit of length."""
DEGREES: Final = "degrees"
WGS_84: Final = "EPSG:4326"
"""The system of longitude and latitude."""
FIRST: Final = ("east", "north")
"""Which coordinate may stand first."""
HIGHEST_M: Final = 10_000.0
MOST_VALUES: Final = 30_000_000
"""Points or cells of a file."""
PIECE: Final = 200_000
"""Values that are held at once, about."""


class FileError(ValueError):
    """A file that is not taken; the message says why."""


@dataclass(frozen=True)
class Said:
    """What is said of a file, where it does not say so itself; empty where nothing is said.

    Attributes
    ----------
    system : str
        Its coordinate system: ``EPSG:25832``.
    unit, height_unit : str
        One of `UNITS`; of places also `DEGREES`.
    first : str
        Which coordinate stands first: ``east`` or ``north``.
    middle : tuple of float or None
        About where the green lies, east and north [m] in the file's own system, or None for all of it.
    """

    system: str = ""
    unit: str = ""
    height_unit: str = ""
    first: str = ""
    middle: tuple[float, float] | None = None


@dataclass(frozen=True)
class Told:
    """What a file says itself; empty or None where it does not.

    Attributes
    ----------
    system : str
        Its coordinate system, as pyproj takes it.
    height_unit : str
        One of `UNITS`.
    values : int
        How many points or cells it has.
    spacing : float or None
        Of a grid, in its own unit.
    whole : bool
        Whether it needs no further word: its places are in metres of a chart.
    notes : tuple of str
        What was left out, and why.
    """

    system: str = ""
    height_unit: str = ""
    values: int = 0
    spacing: float | None = None
    whole: bool = False
    notes: tuple[str, ...] = ()


@dataclass(frozen=True)
class Feature:
    """A thing of a green that is no height: its kind, its places in the file's coordinates, and its members.

    The kinds: ``outline``, ``pin``, ``reading``, ``grain``. A way is told clockwise from the file's north.
    """

    kind: str
    places: list[list[float]]
    members: dict[str, Any] = field(default_factory=dict)


@dataclass(frozen=True)
class Source:
    """A file that is being read.

    Attributes
    ----------
    told : Told
    heights : iterator of ndarray
        Pieces of its heights: first and second coordinate and height as the file has them, shape (n, 3).
    features : list of Feature
    site : dict or None
        Where a chart's own metres lie, as the chart's document says it.
    """

    told: Told
    heights: Iterator[Figures]
    features: list[Feature] = field(default_factory=list)
    site: dict[str, Any] | None = None


def size_of(file: BinaryIO) -> int:
    """Return how long a file is [bytes]; it is read from its beginning afterwards."""
    size = file.seek(0, 2)
    file.seek(0)
    return size


def bounded(values: int, what: str) -> int:
    """Return a number of values; raises FileError for none, or too many."""
    if values <= 0:
        raise FileError(f"This file has no {what}.")
    if values > MOST_VALUES:
        raise FileError(f"This file claims {values:,} {what}; {MOST_VALUES:,} are read at most.")
    return values


def grid_places(rows: range, columns: int, corner: tuple[float, float], step: tuple[float, float]) -> Figures:
    """Return the places of some rows of a grid, row by row, shape (n, 2)."""
    x = corner[0] + step[0] * np.arange(columns)
    y = corner[1] + step[1] * np.arange(rows.start, rows.stop)
    return np.stack(np.meshgrid(x, y), axis=-1).reshape(-1, 2)
