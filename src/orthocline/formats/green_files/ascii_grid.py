"""The ESRI ASCII grid: a head of five or six lines, then heights row by row from the top."""

from collections.abc import Iterator
from itertools import chain
from typing import BinaryIO, Final

import numpy as np

from orthocline.formats.green_files.out import GreenOut
from orthocline.formats.green_files.source import Figures, FileError, Said, Source, Told, bounded, grid_places
from orthocline.formats.green_files.text import joined, lines_of

HEAD: Final = frozenset(
    ("ncols", "nrows", "xllcorner", "yllcorner", "xllcenter", "yllcenter", "cellsize", "nodata_value")
)
LONGEST_ROW: Final = 4_000_000
MISSING: Final = -9999


def read(file: BinaryIO, _said: Said) -> Source:
    """Return the grid of a file; raises FileError where its head does not say how large it is, and where."""
    head: dict[str, float] = {}
    lines = lines_of(file, LONGEST_ROW)
    line = ""
    for line in lines:
        words = line.split()
        if len(words) != 2 or words[0].lower() not in HEAD:
            break
        head[words[0].lower()] = _figure(words[0], words[1])
    columns, rows = (_count(head, name) for name in ("ncols", "nrows"))
    cell = head.get("cellsize", 0.0)
    if not 0.0 < cell < 1e6:
        raise FileError("The head of this grid does not say the size of its cells (cellsize).")
    bounded(columns * rows, "cells")
    left, low = (_edge(head, axis, cell) for axis in "xy")
    corner = (left, low + cell * (rows - 1))
    missing = head.get("nodata_value", MISSING)
    heights = _heights(chain([line], lines), (rows, columns), corner, cell, missing)
    return Source(Told(values=columns * rows, spacing=cell), heights)


def _figure(name: str, text: str) -> float:
    try:
        return float(text)
    except ValueError as error:
        raise FileError(f"The head of this grid has “{text[:40]}” for {name.lower()}.") from error


def _count(head: dict[str, float], name: str) -> int:
    count = head.get(name, 0.0)
    if not (count >= 1.0 and count == int(count) < 1e15):
        raise FileError(f"The head of this grid does not say its {name}.")
    return int(count)


def _edge(head: dict[str, float], axis: str, cell: float) -> float:
    """Return where the middle of the lowest left cell lies."""
    if f"{axis}llcenter" in head:
        return head[f"{axis}llcenter"]
    if f"{axis}llcorner" in head:
        return head[f"{axis}llcorner"] + 0.5 * cell
    raise FileError(f"The head of this grid does not say where it lies ({axis}llcorner).")


def _heights(
    lines: Iterator[str], shape: tuple[int, int], corner: tuple[float, float], cell: float, missing: float
) -> Iterator[Figures]:
    """Yield the places and heights of whole rows."""
    rows, columns = shape
    done, left = 0, np.empty(0)
    for figures in joined(lines):
        whole = np.concatenate([left, figures])
        count = len(whole) // columns
        if done + count > rows:
            raise FileError(f"This grid has more heights than its {rows} rows of {columns}.")
        part, left = whole[: count * columns], whole[count * columns :]
        places = grid_places(range(done, done + count), columns, corner, (cell, -cell))
        yield np.column_stack([places, np.where(part == missing, np.nan, part)])
        done += count
    if done < rows or len(left):
        raise FileError(f"This grid ends early: {done} of its {rows} rows are there.")


def write(green: GreenOut, file: BinaryIO) -> None:
    """Write the heights of a green, the rest as missing."""
    grid = green.grid()
    rows, columns = grid.heights.shape
    head = {
        "ncols": columns,
        "nrows": rows,
        "xllcenter": f"{grid.left:.4f}",
        "yllcenter": f"{grid.low:.4f}",
        "cellsize": f"{grid.spacing:.4f}",
        "NODATA_value": MISSING,
    }
    file.write("".join(f"{name} {said}\n" for name, said in head.items()).encode())
    for row in np.where(np.isnan(grid.heights), MISSING, grid.heights)[::-1]:
        file.write((" ".join(f"{one:.4f}" for one in row) + "\n").encode())
