"""The formats of files of greens. One more is one more entry, and the module that it names."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from importlib import import_module
from typing import BinaryIO, Final

from orthocline.formats.green_files.out import GreenOut
from orthocline.formats.green_files.source import FileError, Said, Source

MEGABYTE: Final = 1_000_000
LARGEST_BYTES: Final = 200 * MEGABYTE
BEGINS: Final = 16
"""So many bytes tell what a file is."""


@dataclass(frozen=True)
class GreenFormat:
    """A format.

    Attributes
    ----------
    name : str
        By which it is asked for.
    suffixes : tuple of str
        What its files' names end in; the first is that of one that is written.
    title, holds : str
        What it is called, and what of a green it holds.
    columns : str
        Its columns or members and their units, for whoever writes such a file.
    media_type : str
    module : str
        Where it is read and written, loaded only then: what it needs is heavy.
    reads : bool
        Whether it is read.
    magic : bytes
        What its files begin with, where they all do.
    writer : str
        The name of what writes it.
    largest_bytes : int
        Of a file that is read.
    """

    name: str
    suffixes: tuple[str, ...]
    title: str
    holds: str
    columns: str
    media_type: str
    module: str
    reads: bool = True
    magic: bytes = b""
    writer: str = "write"
    largest_bytes: int = LARGEST_BYTES

    @property
    def too_large(self) -> str:
        """What is said of a file that is larger than those that are read."""
        return f"Files of this kind are read up to {self.largest_bytes // MEGABYTE} MB."

    def read(self, file: BinaryIO, said: Said) -> Source:
        """Return what stands in a file; raises FileError for one that is not taken."""
        reader: Callable[[BinaryIO, Said], Source] = import_module(self.module).read
        return reader(file, said)

    def write(self, green: GreenOut, file: BinaryIO) -> None:
        """Write a green."""
        writer: Callable[[GreenOut, BinaryIO], None] = getattr(import_module(self.module), self.writer)
        writer(green, file)


_HERE = "orthocline.formats.green_files"
FORMATS: Mapping[str, GreenFormat] = {
    one.name: one
    for one in (
        GreenFormat(
            "geojson",
            (".geojson",),
            "GeoJSON",
            "edge, pins, readings, arrows and grain",
            "Longitude and latitude, or any system it names. A polygon is the edge, a point with a name a"
            " pin, a point with a height a height in metres, a line an arrow: the ground falls from its first"
            " place to its last, by “percent”. Points of kind “reading” and “grain” say by, falls_toward_deg"
            " or grows_toward_deg, percent, height_m, radius_m, strength.",
            "application/geo+json",
            f"{_HERE}.geojson",
            largest_bytes=20 * MEGABYTE,
        ),
        GreenFormat(
            "geotiff",
            (".tif", ".tiff"),
            "GeoTIFF",
            "heights on a grid, with their system",
            "The first band is heights; cells without a height are of the missing value.",
            "image/tiff",
            f"{_HERE}.geotiff",
        ),
        GreenFormat(
            "asc",
            (".asc", ".grd"),
            "ESRI ASCII grid",
            "heights on a grid",
            "A head of ncols, nrows, xllcorner or xllcenter, yllcorner or yllcenter, cellsize, NODATA_value;"
            " then heights row by row from the top.",
            "text/plain",
            f"{_HERE}.ascii_grid",
        ),
        GreenFormat(
            "laz",
            (".laz",),
            "LAZ",
            "points, packed, with their system",
            "All points, or those of class 2 (ground) where there are any.",
            "application/octet-stream",
            f"{_HERE}.las",
            magic=b"LASF",
            writer="write_laz",
        ),
        GreenFormat(
            "las",
            (".las",),
            "LAS",
            "points, with their system",
            "All points, or those of class 2 (ground) where there are any.",
            "application/octet-stream",
            f"{_HERE}.las",
            magic=b"LASF",
            writer="write_las",
        ),
        GreenFormat(
            "xyz",
            (".xyz", ".txt"),
            "XYZ",
            "points, three figures a line",
            "First and second coordinate and height, parted by blanks, commas, semicolons or tabs;"
            " a first line may name them.",
            "text/plain",
            f"{_HERE}.xyz",
        ),
        GreenFormat(
            "csv",
            (".csv",),
            "CSV",
            "points in a table",
            "A first line that names the columns: x, y and height, or lon, lat and height; height_ft is in"
            " feet.",
            "text/csv",
            f"{_HERE}.csv_points",
        ),
        GreenFormat(
            "chart",
            (".json",),
            "Chart",
            "the whole chart, with its scan",
            "version, green, and chart: outline_m, readings, pins, grain, scan and site, in metres and"
            " degrees.",
            "application/json",
            f"{_HERE}.chart_json",
            largest_bytes=20 * MEGABYTE,
        ),
        GreenFormat(
            "svg", (".svg",), "SVG", "the map, as a drawing", "", "image/svg+xml", f"{_HERE}.svg", reads=False
        ),
        GreenFormat(
            "png", (".png",), "PNG", "the map, as a picture", "", "image/png", f"{_HERE}.png", reads=False
        ),
    )
}


def format_of(name: str, begins: bytes = b"") -> GreenFormat:
    """Return the format of a file by its name, or by how it begins.

    Raises
    ------
    FileError
        For a file of another kind.
    """
    low = name.lower()
    for one in FORMATS.values():
        if low.endswith(one.suffixes) and not (begins and one.magic and not begins.startswith(one.magic)):
            return one
    for one in FORMATS.values():
        if one.magic and begins.startswith(one.magic):
            return one
    known = ", ".join(suffix for one in FORMATS.values() for suffix in one.suffixes)
    raise FileError(f"Files of this kind are not known here. Known are {known}.")


def read_format(name: str, begins: bytes) -> GreenFormat:
    """Return the format of a file that is to be read; raises FileError as `format_of`, and for a picture."""
    kind = format_of(name, begins[:BEGINS])
    if not kind.reads:
        raise FileError(f"{kind.title} is only written here: it is a picture of a map.")
    return kind
