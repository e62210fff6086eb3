"""Text: figures in lines, read piece by piece, and JSON, taken whole."""

import json
from collections.abc import Callable, Iterator
from itertools import islice
from typing import Any, BinaryIO, Final

import numpy as np

from orthocline.formats.green_files.source import MOST_VALUES, PIECE, Figures, FileError, size_of

LONGEST_LINE: Final = 4096
LARGEST_JSON: Final = 20_000_000
"""Bytes of what is taken whole."""
LINES: Final = 50_000
"""Lines that are read at once."""
COMMENTS: Final = ("#", "//")


def lines_of(file: BinaryIO, longest: int = LONGEST_LINE) -> Iterator[str]:
    """Yield the lines of a text file without their ends; raises FileError for one too long, or no text."""
    number = 0
    while line := file.readline(longest + 1):
        number += 1
        if len(line) > longest:
            raise FileError(f"Line {number} is longer than {longest:,} letters: this is no list of figures.")
        if b"\0" in line:
            raise FileError("This is no text: it has bytes that no text has.")
        yield line.decode("utf-8-sig" if number == 1 else "utf-8", "replace").strip()


def json_of(file: BinaryIO, what: str) -> Any:
    """Return the JSON of a file, taken whole; raises FileError for what is none, or too large for that."""
    if size_of(file) > LARGEST_JSON:
        raise FileError(f"This file is larger than {LARGEST_JSON // 1_000_000} MB, too large for {what}.")
    try:
        return json.loads(file.read(), parse_constant=_no_constant)
    except (ValueError, RecursionError) as error:
        raise FileError(f"This is no {what}: it is not valid JSON.") from error


def _no_constant(name: str) -> float:
    raise ValueError(f"{name} is no number")


def columns_of(line: str, delimiter: str | None) -> list[str]:
    """Return the columns of a line."""
    return [one.strip().strip('"') for one in line.split(delimiter)]


def delimiter_of(line: str) -> str | None:
    """Return what stands between the columns of a line; None for white space."""
    return next((one for one in (";", "\t", ",") if one in line), None)


def table(lines: Iterator[str], split: Callable[[str], list[str]], first: int) -> Iterator[Figures]:
    """Yield the figures of lines, three of each, a piece at a time.

    Parameters
    ----------
    lines : iterator of str
        Lines; empty ones and remarks are passed over.
    split : callable
        Returns the texts of the two coordinates and the height of a line.
    first : int
        The number of the first line.

    Yields
    ------
    ndarray
        Shape (n, 3).

    Raises
    ------
    FileError
        For a line without three figures, by its number, or more lines than are read.
    """
    number = first
    while block := list(islice(lines, LINES)):
        told = [line for line in block if line and not line.startswith(COMMENTS)]
        try:
            yield np.array([split(line) for line in told], dtype=float).reshape(-1, 3)
        except (ValueError, IndexError) as error:
            raise FileError(_fault(block, split, number)) from error
        number += len(block)
        if number - first > MOST_VALUES:
            raise FileError(f"This file has more than {MOST_VALUES:,} lines.")


def _fault(block: list[str], split: Callable[[str], list[str]], first: int) -> str:
    """Return which line of a block has not three figures."""
    for number, line in enumerate(block, start=first):
        try:
            _, _, _ = (float(one) for one in split(line)) if line and not line.startswith(COMMENTS) else "..."
        except (ValueError, IndexError):
            return f"Line {number} has not three figures: “{line[:60]}”."
    return "A line has not three figures."


def joined(lines: Iterator[str]) -> Iterator[Figures]:
    """Yield all figures of lines one after the other, some at a time; raises FileError for a word."""
    held: list[str] = []
    length = 0
    for line in lines:
        held.append(line)
        length += len(line)
        if length > 8 * PIECE:
            yield _figures(held)
            held, length = [], 0
    if held:
        yield _figures(held)


def _figures(held: list[str]) -> Figures:
    try:
        return np.array(" ".join(held).split(), dtype=float)
    except ValueError as error:
        raise FileError(f"This grid has something that is no figure: {error}.") from error
