"""The chart of a green as open JSON: all of it, with its scan, as the product itself keeps it."""

import json
from typing import Any, BinaryIO, Final

from orthocline.formats.green_files import geojson
from orthocline.formats.green_files.out import GreenOut
from orthocline.formats.green_files.source import Feature, FileError, Said, Source, Told
from orthocline.formats.green_files.text import json_of

VERSION: Final = 1


def read(file: BinaryIO, said: Said) -> Source:
    """Return the chart of a file, its members to be checked; raises FileError for one that is none.

    Features are often called ``.json`` too: they are read as such.
    """
    data = json_of(file, "chart")
    if isinstance(data, dict) and "type" in data:
        return geojson.source_of(data, said)
    if not isinstance(data, dict) or not isinstance(data.get("chart"), dict):
        raise FileError("This is no chart of a green: it has no member “chart”.")
    if data.get("version") != VERSION:
        raise FileError("This chart is of a version that is not read here.")
    return Source(Told(whole=True), iter(()), [Feature("chart", [], data["chart"])])


def write(green: GreenOut, file: BinaryIO) -> None:
    """Write the chart."""
    told: dict[str, Any] = {"version": VERSION, "green": green.name, "chart": green.document}
    file.write(json.dumps(told, allow_nan=False).encode())
