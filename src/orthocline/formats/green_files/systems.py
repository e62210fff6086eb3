"""Coordinate systems: what a file's figures mean, in metres east and north of one system."""

from dataclasses import dataclass
from typing import Final

import numpy as np
from pyproj import CRS, Transformer
from pyproj.aoi import AreaOfInterest
from pyproj.database import query_utm_crs_info
from pyproj.exceptions import CRSError

from orthocline.formats.green_files.source import (
    DEGREES,
    HIGHEST_M,
    UNITS,
    WGS_84,
    Figures,
    FileError,
    Said,
    Told,
)

AREA_DEG: Final = 1e-6


@dataclass(frozen=True)
class Frame:
    """How a file's figures become metres.

    Attributes
    ----------
    system : str
        The system of those metres, ``EPSG:25832``; empty for one without a number.
    called : str
        What its own system is called; empty where it has none.
    unit, height_unit : str
        Of the file's figures.
    says_heights : bool
        Whether the file says the unit of its heights.
    north_first : bool
    moving : Transformer or None
        From degrees to metres.
    """

    system: str
    called: str
    unit: str
    height_unit: str
    says_heights: bool
    north_first: bool
    moving: Transformer | None

    def metres(self, figures: Figures) -> Figures:
        """Return figures as metres east, north and up, without those that are none."""
        figures = figures[np.isfinite(figures).all(axis=1)]
        first, second, heights = figures.T
        east, north = (second, first) if self.north_first else (first, second)
        heights = UNITS[self.height_unit] * heights
        if self.moving:
            east, north = self.moving.transform(east, north)
        else:
            east, north = UNITS[self.unit] * east, UNITS[self.unit] * north
        told = np.column_stack([east, north, heights])
        return np.asarray(told[np.isfinite(told).all(axis=1) & (np.abs(heights) < HIGHEST_M)])


def frame_of(told: Told, said: Said, some: Figures) -> Frame:
    """Return how a file's figures become metres.

    Parameters
    ----------
    told, said : Told, Said
        What the file says, and what is said of it.
    some : ndarray
        Some of its figures, shape (n, 3).

    Returns
    -------
    Frame
        By what the file says; where it does not, by what is said, else in metres, east first.

    Raises
    ------
    FileError
        For a system that is not known, or figures that are none of it.
    """
    north_first = said.first == "north"
    crs = _crs(told.system or said.system)
    if crs is None and said.unit == DEGREES:
        crs = CRS.from_user_input(WGS_84)
    says = told.height_unit or (_vertical(crs) if crs else "")
    if crs is None:
        unit = said.unit or "metres"
        return Frame("", "", unit, says or said.height_unit or unit, bool(says), north_first, None)
    if crs.is_geographic:
        moving, number = _to_utm(crs, some, north_first=north_first)
        height = says or said.height_unit or "metres"
        return Frame(number, crs.name, DEGREES, height, bool(says), north_first, moving)
    unit = _unit(crs.axis_info[0].unit_conversion_factor)
    height = says or said.height_unit or unit
    return Frame(_number(crs), crs.name, unit, height, bool(says), north_first, None)


def unit_of(system: str) -> float:
    """Return how many metres the unit of a system has, 1 for none."""
    crs = _crs(system)
    return UNITS[_unit(crs.axis_info[0].unit_conversion_factor)] if crs else 1.0


def to_degrees(system: str) -> Transformer:
    """Return what moves places of a system to longitude and latitude."""
    return Transformer.from_crs(CRS.from_user_input(system), CRS.from_user_input(WGS_84), always_xy=True)


def _crs(system: str) -> CRS | None:
    if not system:
        return None
    try:
        crs = CRS.from_user_input(system)
    except CRSError as error:
        raise FileError(f"The coordinate system “{system[:40]}” is not known here.") from error
    if not (crs.is_geographic or crs.is_projected):
        raise FileError(f"The coordinate system “{crs.name[:60]}” is not one of a map.")
    return crs


def _number(crs: CRS) -> str:
    """Return the number of a system of a map, without that of its heights; empty where it has none."""
    flat = crs.to_2d() if not crs.sub_crs_list else crs.sub_crs_list[0]
    number = flat.to_epsg(min_confidence=70)
    return f"EPSG:{number}" if number else ""


def _unit(factor: float) -> str:
    """Return the unit of so many metres; raises FileError for another."""
    for name, metres in UNITS.items():
        if abs(factor - metres) < 1e-9:
            return name
    raise FileError(f"The unit of its coordinate system has {factor:g} metres: that is none that is read.")


def _vertical(crs: CRS) -> str:
    """Return the unit of the heights of a system; empty where it says none."""
    axes = [axis for axis in crs.axis_info if axis.direction == "up"]
    return _unit(axes[0].unit_conversion_factor) if axes else ""


def _to_utm(crs: CRS, some: Figures, *, north_first: bool) -> tuple[Transformer, str]:
    """Return what moves degrees to the metres of the zone that they lie in, and that zone's number."""
    middle = np.median(some[:, :2], axis=0)
    lon, lat = (middle[::-1] if north_first else middle).tolist()
    if not (abs(lon) <= 180.0 and abs(lat) <= 84.0):
        raise FileError(
            f"These places are no longitude and latitude ({lon:g}, {lat:g}): say their unit and their order."
        )
    area = AreaOfInterest(lon - AREA_DEG, lat - AREA_DEG, lon + AREA_DEG, lat + AREA_DEG)
    zone = query_utm_crs_info("WGS 84", area)[0]
    number = f"{zone.auth_name}:{zone.code}"
    return Transformer.from_crs(crs.to_2d(), CRS.from_user_input(number), always_xy=True), number
