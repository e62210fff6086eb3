"""A figure over bands or months, each a dot with its range, beside the usual golfer's."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from orthocline.core.log import Figure
from orthocline.drawing.lettering import ON_PHONE, text_width
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Strokes,
    Words,
    box,
    spots_of,
)
from orthocline.drawing.ticks import ticks

WIDTH, HEIGHT = 640.0, 440.0
LEFT, RIGHT, TOP, FOOT = 66.0, 630.0, 64.0, 360.0
HEADING, USUAL_AT = 20.0, 46.0
NAMES, COUNTS = FOOT + 28.0, FOOT + 52.0
HALF_BAND, DOT = 13.0, 6.0
BESIDE, ARM = 22.0, 4.5
"""Other putts' figures stand so far beside, as crosses so large."""
MOST_LINES, NAME_GAP = 5, 3.0
"""So many lines across at most; names stand so far apart at least."""
HELD, ROOMY = 0.7, 1.3
"""Ranges are held whole up to such a share of them; values have so much room."""


@dataclass(frozen=True)
class Column:
    """One of the figures: its name, the figure, the usual golfer's, and that of other putts, if any."""

    name: str
    figure: Figure
    usual: float | None = None
    other: Figure | None = None


@dataclass(frozen=True)
class Scale:
    """What the figures are drawn to: between which, and how they are said."""

    least: float
    most: float
    factor: float = 1.0
    signed: bool = False

    def y(self, value: float) -> float:
        """Return the height of a figure, held within the drawing."""
        held = min(max(value, self.least), self.most)
        return round(FOOT - (FOOT - TOP) * (held - self.least) / (self.most - self.least), 1)

    def text(self, mark: float) -> str:
        """Return a mark of the scale in words."""
        shown = self.factor * mark
        text = f"{shown:.2f}".rstrip("0").rstrip(".") if abs(shown) < 1.0 and shown else f"{shown:g}"
        text = text.replace("-", "−")
        return f"+{text}" if self.signed and mark > 1e-9 else text


SHARES = Scale(0.0, 1.0, 100.0)


def scale_round(columns: Sequence[Column], least: float, factor: float = 1.0) -> Scale:
    """Return a scale round nought that holds the values, and as much of their ranges as keeps it readable."""
    values = [abs(one.figure.value) for one in columns if one.figure.value is not None]
    ends = [max(abs(one.figure.span.least), abs(one.figure.span.most)) for one in columns if one.figure.span]
    held = float(np.quantile(ends, HELD)) if ends else 0.0
    widest = max([least, held, *(ROOMY * value for value in values)])
    return Scale(-widest, widest, factor, signed=True)


def columns_drawing(
    name: str, columns: Sequence[Column], scale: Scale, heading: str, says: str, usual: str = ""
) -> Scene:
    """Return the drawing of figures side by side; a band without any stands empty."""
    step = (RIGHT - LEFT) / max(len(columns), 1)
    places = [round(LEFT + (i + 0.5) * step, 1) for i in range(len(columns))]
    items = [
        Words(heading, Spot(LEFT, HEADING), Sign.QUIET),
        *_lines(scale),
        *_usual(columns, places, scale, usual),
        *(item for one, x in zip(columns, places, strict=True) for item in _column(one, x, scale)),
        *(item for one, x in zip(columns, places, strict=True) for item in _other(one, x, scale)),
        *_feet(columns, places),
    ]
    return Scene(name, WIDTH, HEIGHT, says, tuple(items))


def _lines(scale: Scale) -> Iterator[Item]:
    marks = ticks(scale.least * scale.factor, scale.most * scale.factor, MOST_LINES)
    for mark in marks:
        value = mark / scale.factor
        y = scale.y(value)
        nought = scale.signed and abs(mark) < 1e-9
        yield Strokes(
            spots_of((LEFT, y), (RIGHT, y)), Sign.EDGE if nought else Sign.RULE, 1.4 if nought else 1.0
        )
        yield Words(scale.text(value), Spot(LEFT - 6.0, y + 6.0), Sign.QUIET, "end")


def _usual(columns: Sequence[Column], places: Sequence[float], scale: Scale, said: str) -> Iterator[Item]:
    """Yield the usual golfer's figures as one line."""
    known = [(x, scale.y(one.usual)) for one, x in zip(columns, places, strict=True) if one.usual is not None]
    if len(known) < 2:
        return
    yield Line(spots_of(*known), Sign.INK, 1.8, "7 5", name="usual")
    yield Words(f"– –  {said}", Spot(RIGHT, USUAL_AT), Sign.INK, "end")


def _column(one: Column, x: float, scale: Scale) -> Iterator[Item]:
    if one.figure.value is None:
        return
    if one.figure.span is not None:
        top, foot = scale.y(one.figure.span.most), scale.y(one.figure.span.least)
        yield Area(box(x - HALF_BAND, top, x + HALF_BAND, foot), Sign.UNSURE, Fill.HATCHED, 1.2, name="range")
    at = Spot(x, scale.y(one.figure.value))
    yield Disc(at, DOT, Sign.REAL, None if one.figure.few else Fill.SOLID, 2.4, name="figure")


def _other(one: Column, x: float, scale: Scale) -> Iterator[Item]:
    """Yield the figure of other putts: a cross on a thin range, beside the first."""
    if one.other is None or one.other.value is None:
        return
    aside, y = x + BESIDE, scale.y(one.other.value)
    if one.other.span is not None:
        ends = [(aside, scale.y(end)) for end in (one.other.span.least, one.other.span.most)]
        yield Strokes(spots_of(*ends), Sign.UNSURE, 1.4, name="other-range")
    cross = [(aside - ARM, y - ARM), (aside + ARM, y + ARM), (aside - ARM, y + ARM), (aside + ARM, y - ARM)]
    yield Strokes(spots_of(*cross), Sign.REAL, 2.2, name="other")


def _feet(columns: Sequence[Column], places: Sequence[float]) -> Iterator[Item]:
    """Yield names and counts below; of many every second or third."""
    widest = max((text_width(one.name, ON_PHONE) for one in columns), default=0.0)
    every = math.ceil((widest + NAME_GAP) * len(columns) / (RIGHT - LEFT))
    for number, (one, x) in enumerate(zip(columns, places, strict=True)):
        if number % every == 0:
            yield Words(one.name, Spot(x, NAMES), Sign.INK, "middle")
            yield Words(str(one.figure.count), Spot(x, COUNTS), Sign.QUIET, "middle")
    yield Words("putts", Spot(LEFT - 6.0, COUNTS), Sign.QUIET, "end")
