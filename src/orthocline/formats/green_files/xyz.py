"""Points as lines of three figures without a head: first and second coordinate, height."""

import re
from collections.abc import Iterator
from itertools import chain
from typing import BinaryIO, Final

from orthocline.formats.green_files import csv_points
from orthocline.formats.green_files.out import GreenOut
from orthocline.formats.green_files.source import FileError, Said, Source, Told
from orthocline.formats.green_files.text import COMMENTS, columns_of, delimiter_of, lines_of, table

NAMED: Final = re.compile(r"\W*(x|y|e|n|(east|north|lon|lat)\w*)\b", re.IGNORECASE)
"""A first line that names the columns."""


def read(file: BinaryIO, said: Said) -> Source:
    """Return the points of a file; raises FileError where its first line has not three figures, or names."""
    lines = lines_of(file)
    skipped, line = _first(lines)
    delimiter = delimiter_of(line)
    if skipped == 1 and NAMED.match(line):
        file.seek(0)
        return csv_points.read(file, said)
    if len(columns_of(line, delimiter)) < 3:
        raise FileError(f"Line {skipped} has not three figures: “{line[:60]}”.")
    heights = table(chain([line], lines), lambda one: columns_of(one, delimiter)[:3], skipped)
    return Source(Told(), heights)


def _first(lines: Iterator[str]) -> tuple[int, str]:
    for number, line in enumerate(lines, start=1):
        if line and not line.startswith(COMMENTS):
            return number, line
    raise FileError("This file is empty.")


def write(green: GreenOut, file: BinaryIO) -> None:
    """Write the heights of a green's nodes, a line for each."""
    for x, y, z in green.nodes().tolist():
        file.write(f"{x:.4f} {y:.4f} {z:.4f}\n".encode())
