"""Points as a table whose first line names its columns."""

from collections.abc import Sequence
from typing import BinaryIO, Final

from orthocline.formats.green_files.out import GreenOut
from orthocline.formats.green_files.source import WGS_84, FileError, Said, Source, Told
from orthocline.formats.green_files.text import columns_of, delimiter_of, lines_of, table

NAMES: Final = (
    ("east", ("x", "east", "easting", "e", "right")),
    ("north", ("y", "north", "northing", "n", "beyond")),
    ("lon", ("lon", "long", "longitude", "lng")),
    ("lat", ("lat", "latitude")),
    ("height", ("z", "height", "elevation", "elev", "alt", "altitude", "h")),
)
"""What columns are called, without their units: ``easting_m``, ``Height (ft)``."""
HEIGHT_UNITS: Final = {
    "m": "metres",
    "ft": "feet",
    "ftus": "us_feet",
    "cm": "centimetres",
    "mm": "millimetres",
}


def read(file: BinaryIO, _said: Said) -> Source:
    """Return the points of a table; raises FileError where its head names no places or no height."""
    lines = lines_of(file)
    head = next(lines, "")
    delimiter = delimiter_of(head)
    columns = columns_of(head, delimiter)
    called = [_called(one) for one in columns]
    degrees = "lon" in called and "lat" in called
    wanted = ("lon", "lat", "height") if degrees else ("east", "north", "height")
    missing = [name for name in wanted if name not in called]
    if missing:
        raise FileError(
            "The first line must name the columns: x, y and height, or lon, lat and height;"
            f" {' and '.join(missing)} {'are' if len(missing) > 1 else 'is'} not among “{head[:80]}”."
        )
    places = [called.index(name) for name in wanted]
    unit = HEIGHT_UNITS.get(_unit(columns[places[2]]), "")
    told = Told(WGS_84 if degrees else "", unit)
    return Source(told, table(lines, lambda line: _picked(line, delimiter, places), 2))


def _picked(line: str, delimiter: str | None, places: Sequence[int]) -> list[str]:
    columns = columns_of(line, delimiter)
    picked = [columns[i] for i in places]
    # Where semicolons part the columns, commas are decimal ones.
    return [one.replace(",", ".") for one in picked] if delimiter == ";" else picked


def _called(column: str) -> str:
    """Return what a column holds by its name."""
    name = column.lower().split("(")[0].split("[")[0].strip()
    bare = name.rsplit("_", 1)[0] if name.rsplit("_", 1)[-1] in (*HEIGHT_UNITS, "deg") else name
    return next((held for held, names in NAMES if bare in names), name)


def _unit(column: str) -> str:
    """Return the unit that a column's name ends in."""
    return column.lower().replace(")", "").replace("]", "").replace("[", "_").replace("(", "_").split("_")[-1]


def write(green: GreenOut, file: BinaryIO) -> None:
    """Write the heights of a green's nodes under a head."""
    file.write(b"east_m,north_m,height_m\n")
    for x, y, z in green.nodes().tolist():
        file.write(f"{x:.4f},{y:.4f},{z:.4f}\n".encode())
