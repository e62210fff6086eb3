"""Files of putts: CSV and JSON Lines, in and out."""

import csv
import io
import json
from collections.abc import Callable, Iterable, Iterator
from typing import IO, Any, Final, NamedTuple, TypeVar

from orthocline.formats.putt_line import COLUMNS, Columns, LineError, PuttLine, flattened, nested, parse_line

LARGEST_BYTES: Final = 30_000_000
MOST_LINES: Final = 100_000
LONGEST_LINE: Final = 400_000
"""A putt document may be long."""
Given = TypeVar("Given")
DELIMITERS: Final = (",", ";", "\t")


class Parsed(NamedTuple):
    """A line of a file, counted from 1: the putt, or why it is none."""

    number: int
    putt: PuttLine | None
    error: LineError | None


class FileRefusedError(ValueError):
    """A file that is none of putts; the message says what is wrong."""


def is_json_lines(name: str, first: bytes) -> bool:
    """Return whether a file is of JSON lines, by its name or how it begins."""
    return name.lower().endswith((".jsonl", ".ndjson", ".json")) or first.lstrip()[:1] == b"{"


def parsed_lines(file: IO[bytes], *, json_lines: bool) -> Iterator[Parsed]:
    """Yield the putts of a file line by line.

    Raises
    ------
    FileRefusedError
        For a file that is not text in UTF-8, has no head of CSV that is understood, or too many lines.
    """
    text = io.TextIOWrapper(file, encoding="utf-8-sig", newline="")
    try:
        for count, one in enumerate(_of_json(text) if json_lines else _of_csv(text), start=1):
            if count > MOST_LINES:
                raise FileRefusedError(f"A file has at most {MOST_LINES:,} putts: part it.")
            yield one
    except UnicodeDecodeError as error:
        raise FileRefusedError("This file is not text in UTF-8.") from error
    except csv.Error as error:
        raise FileRefusedError(f"This file is no CSV: {error}.") from error
    finally:
        text.detach()


def _of_json(text: IO[str]) -> Iterator[Parsed]:
    number = 0
    while line := text.readline(LONGEST_LINE + 1):
        number += 1
        if len(line) > LONGEST_LINE:
            raise FileRefusedError(f"Line {number} is longer than a putt can be.")
        if line.strip():
            yield _parsed(number, lambda text: flattened(_json(text)), line)


def _json(line: str) -> Any:
    def refuse(name: str) -> float:
        raise LineError("", f"{name} is not a number of JSON")

    try:
        return json.loads(line, parse_constant=refuse)
    except (json.JSONDecodeError, RecursionError) as error:
        raise LineError("", "is not valid JSON") from error


def _of_csv(text: IO[str]) -> Iterator[Parsed]:
    head = text.readline(LONGEST_LINE)
    delimiter = max(DELIMITERS, key=head.count)
    try:
        columns = Columns(next(csv.reader([head], delimiter=delimiter), []))
    except LineError as error:
        raise FileRefusedError(f"Line 1, column {error.column}: {error.message}.") from error
    rows, commas = csv.reader(text, delimiter=delimiter), delimiter != ","
    for cells in rows:
        if any(cell.strip() for cell in cells):
            yield _parsed(rows.line_num + 1, lambda one: columns.line(one, commas=commas), cells)


def _parsed(number: int, flat: Callable[[Given], dict[str, Any]], given: Given) -> Parsed:
    try:
        return Parsed(number, parse_line(flat(given)), None)
    except LineError as error:
        return Parsed(number, None, error)


def csv_pieces(lines: Iterable[dict[str, Any]]) -> Iterator[str]:
    """Yield flat lines as CSV, piece by piece."""
    file = io.StringIO()
    writer = csv.writer(file, lineterminator="\n")
    writer.writerow(COLUMNS)
    for line in lines:
        writer.writerow([_cell(line.get(name)) for name in COLUMNS])
        yield file.getvalue()
        file.seek(0)
        file.truncate()
    yield file.getvalue()


def _cell(value: Any) -> Any:
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, str) and value[:1] in ("=", "+", "@", "\t"):
        return f" {value}"  # a spreadsheet would take it for a formula; spaces at the ends do not count here
    return "" if value is None else value


def json_pieces(lines: Iterable[dict[str, Any]]) -> Iterator[str]:
    """Yield flat lines as JSON lines."""
    for line in lines:
        yield json.dumps(nested(line), ensure_ascii=False, separators=(",", ":")) + "\n"
