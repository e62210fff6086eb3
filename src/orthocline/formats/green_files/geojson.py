"""GeoJSON: the edge, pins, readings and heights of a green as features."""

import json
from collections.abc import Callable, Iterator
from typing import Any, BinaryIO, Final

import numpy as np

from orthocline.formats.green_files.out import GreenOut
from orthocline.formats.green_files.source import WGS_84, Feature, Figures, FileError, Said, Source, Told
from orthocline.formats.green_files.systems import to_degrees
from orthocline.formats.green_files.text import json_of

MOST_FEATURES: Final = 200_000
HEIGHT_NAMES: Final = ("height_m", "height", "elevation", "z")
SLOPE_NAMES: Final = ("percent", "slope_percent", "slope")
FIGURES: Final = (
    *("percent", "within", "falls_toward_deg", "grows_toward_deg"),
    *("radius_m", "strength", "within_deg"),
)
"""Members of readings and grain that are figures."""
CHART_METRES: Final = "metres of a chart"
DEGREE_DECIMALS: Final = 9
"""A tenth of a millimetre."""


def read(file: BinaryIO, said: Said) -> Source:
    """Return what stands in a file; raises FileError for one that is no GeoJSON of a green."""
    return source_of(json_of(file, "GeoJSON"), said)


def source_of(data: Any, said: Said) -> Source:
    """Return what stands in a collection of features; raises FileError for one that is none of a green."""
    found = list(_features(data))
    if not found:
        raise FileError("This GeoJSON has no features.")
    features: list[Feature] = []
    heights: list[tuple[float, float, float]] = []
    passed = 0
    for geometry, properties in found:
        made = _made(geometry, properties)
        if isinstance(made, Feature):
            features.append(made)
        elif made:
            heights.extend(made)
        else:
            passed += 1
    notes = (f"{passed} of its features are nothing of a green, and are left out.",) if passed else ()
    told = Told(_system(data, said), "metres", len(heights), notes=notes)
    pieces = iter([np.array(heights)] if heights else [])
    return Source(told, pieces, features)


def _system(data: dict[str, Any], said: Said) -> str:
    """Return the system of its places: degrees, as is usual, unless it or whoever gives it says another."""
    named = data.get("crs")
    if isinstance(named, dict) and isinstance(named.get("properties"), dict):
        name = str(named["properties"].get("name", ""))
        return WGS_84 if name.endswith("CRS84") else name.removeprefix("urn:ogc:def:crs:").replace("::", ":")
    own = data.get("places_in") == CHART_METRES or said.unit or said.system
    return "" if own else WGS_84


def _features(data: Any) -> Iterator[tuple[dict[str, Any], dict[str, Any]]]:
    """Yield the geometries of a file with their properties; raises FileError for what is none."""
    if not isinstance(data, dict):
        raise FileError("This is no GeoJSON: it is no object.")
    rows = data.get("features") if data.get("type") == "FeatureCollection" else [data]
    if not isinstance(rows, list):
        raise FileError("This is no GeoJSON: its features are no list.")
    if len(rows) > MOST_FEATURES:
        raise FileError(f"This GeoJSON has more than {MOST_FEATURES:,} features.")
    for row in rows:
        if not isinstance(row, dict):
            raise FileError("This is no GeoJSON: one of its features is no object.")
        geometry = row.get("geometry") if row.get("type") == "Feature" else row
        properties = row.get("properties")
        if isinstance(geometry, dict):
            yield geometry, properties if isinstance(properties, dict) else {}


def _made(geometry: dict[str, Any], properties: dict[str, Any]) -> Feature | list[Any] | None:
    """Return what a geometry is of a green, or heights; None for nothing."""
    kind, coordinates = geometry.get("type"), geometry.get("coordinates")
    make = MADE.get(kind) if isinstance(kind, str) else None
    if make is None:
        return None
    try:
        return make(coordinates, properties)
    except (TypeError, ValueError, IndexError, KeyError, OverflowError) as error:
        raise FileError(f"This GeoJSON is damaged: a {kind} of it has no proper coordinates.") from error


def _place(coordinates: Any) -> list[float]:
    return [float(one) for one in coordinates[:3]]


def _polygon(coordinates: Any, _properties: dict[str, Any]) -> Feature:
    ring = [_place(one)[:2] for one in coordinates[0]]
    return Feature("outline", ring[:-1] if len(ring) > 1 and ring[0] == ring[-1] else ring)


def _line(coordinates: Any, properties: dict[str, Any]) -> Feature:
    """Return an arrow: from its first place the way to its last the ground falls."""
    ends = [_place(coordinates[0])[:2], _place(coordinates[-1])[:2]]
    return Feature("reading", ends, _members(properties))


def _point(coordinates: Any, properties: dict[str, Any]) -> Feature | list[Any] | None:
    place = _place(coordinates)
    kind = properties.get("kind")
    if kind in ("reading", "grain"):
        return Feature(str(kind), [place[:2]], _members(properties))
    height = place[2] if len(place) > 2 else _figure(properties, HEIGHT_NAMES)
    if kind == "pin" or (height is None and "name" in properties):
        told = {"name": str(properties.get("name", "")), "retired": properties.get("retired") is True}
        return Feature("pin", [place[:2]], told)
    return None if height is None else [(*place[:2], height)]


def _points(coordinates: Any, _properties: dict[str, Any]) -> list[Any] | None:
    return [(x, y, z) for x, y, z in map(_place, coordinates)] or None


MADE: Final[dict[str, Callable[[Any, dict[str, Any]], Feature | list[Any] | None]]] = {
    "Polygon": _polygon,
    "MultiPolygon": lambda coordinates, properties: _polygon(coordinates[0], properties),
    "LineString": _line,
    "Point": _point,
    "MultiPoint": _points,
}


def _figure(properties: dict[str, Any], names: tuple[str, ...]) -> float | None:
    found = [properties[name] for name in names if isinstance(properties.get(name), int | float)]
    return float(found[0]) if found else None


def _members(properties: dict[str, Any]) -> dict[str, Any]:
    """Return the members of a reading or of grain that are read."""
    figures = {name: _figure(properties, (name,)) for name in FIGURES}
    told: dict[str, Any] = {name: figure for name, figure in figures.items() if figure is not None}
    if isinstance(properties.get("by"), str):
        told["by"] = properties["by"]
    slope, height = _figure(properties, SLOPE_NAMES), _figure(properties, HEIGHT_NAMES)
    return (
        told | ({} if slope is None else {"percent": slope}) | ({} if height is None else {"height": height})
    )


def write(green: GreenOut, file: BinaryIO) -> None:
    """Write edge, pins, readings and grain: in degrees, or in metres where no system is known."""
    moving = to_degrees(green.system) if green.system else None

    def moved(places: list[list[float]]) -> list[list[float]]:
        figures: Figures = np.array(places) / green.unit_m
        if moving:
            figures = np.column_stack(moving.transform(*figures.T[:2]))
        return [[round(one, DEGREE_DECIMALS) for one in place] for place in figures.tolist()]

    collection: dict[str, Any] = {"type": "FeatureCollection", "name": green.name}
    if not moving:
        collection["places_in"] = CHART_METRES
    collection["features"] = [_feature(one, moved(one.places)) for one in green.features]
    file.write(json.dumps(collection, allow_nan=False).encode())


def _feature(one: Feature, places: list[list[float]]) -> dict[str, Any]:
    if one.kind == "outline":
        geometry: dict[str, Any] = {"type": "Polygon", "coordinates": [[*places, places[0]]]}
    else:
        geometry = {"type": "Point", "coordinates": places[0]}
    return {"type": "Feature", "geometry": geometry, "properties": {"kind": one.kind, **one.members}}
