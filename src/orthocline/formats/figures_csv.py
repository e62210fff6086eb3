"""The figures of a log as CSV: those behind every chart, in SI units that their columns name."""

import csv
import io
import math
from collections.abc import Iterable, Sequence

from orthocline.core.log import Band, Figure, Month

RANGED = ("value", "least_95", "most_95", "rests_on")
Cell = str | float | int | None


def csv_text(head: Sequence[str], rows: Iterable[Sequence[Cell]]) -> str:
    """Return rows as CSV; what is not known is an empty cell."""
    file = io.StringIO()
    writer = csv.writer(file, lineterminator="\n")
    writer.writerow(head)
    for row in rows:
        writer.writerow(["" if _unknown(cell) else cell for cell in row])
    return file.getvalue()


def _unknown(cell: Cell) -> bool:
    return cell is None or (isinstance(cell, float) and math.isnan(cell))


def ranged(figure: Figure) -> list[Cell]:
    """Return a figure as the cells of `RANGED`."""
    ends: list[Cell] = [figure.span.least, figure.span.most] if figure.span else [None, None]
    return [figure.value, *ends, figure.count]


def bands_csv(bands: Iterable[Band]) -> str:
    """Return what was holed and gained by length."""
    head = (
        *("longer_than_m", "up_to_m", *(f"holed_{name}" for name in RANGED), "usual_golfer_holed"),
        *(f"gained_strokes_{name}" for name in RANGED),
    )
    rows = (
        [one.span.least, one.span.most, *ranged(one.holed), one.usual, *ranged(one.gained)] for one in bands
    )
    return csv_text(head, rows)


def months_csv(months: Iterable[Month]) -> str:
    """Return what was holed and gained by month."""
    head = (
        *("month", *(f"holed_more_than_usual_{name}" for name in RANGED)),
        *(f"gained_strokes_{name}" for name in RANGED),
    )
    rows = (
        [f"{one.number // 12:04d}-{one.number % 12 + 1:02d}", *ranged(one.holed), *ranged(one.gained)]
        for one in months
    )
    return csv_text(head, rows)
