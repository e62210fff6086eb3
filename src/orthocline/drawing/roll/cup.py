"""The cup drawn large: the hour where the ball goes in, and from where to where it still drops."""

import math
from dataclasses import dataclass

import numpy as np

from orthocline.core.roll import Read
from orthocline.drawing.frame import segments_d
from orthocline.drawing.roll.plan import Line
from orthocline.wording.figures import hour_words

SIZE, RADIUS = 170.0, 58.0
MIDDLE = SIZE / 2


@dataclass(frozen=True)
class Cup:
    """The cup as the golfer faces it: 6 nearest the ball."""

    hours: str
    entry: Line | None
    window: str
    words: str


def cup(answer: Read) -> Cup:
    """Return the cup of a read."""
    words = "The cup as you face it"
    entry = None
    if answer.entry_clock_hours is not None:
        entry = _arrow(answer)
        words = f"The ball goes in at {hour_words(answer.entry_clock_hours)}"
    window = _window(*answer.entry_window_hours) if answer.entry_window_hours else ""
    return Cup(HOURS, entry, window, words)


def _at(hour: float, radius: float) -> tuple[float, float]:
    angle = math.radians(30.0 * hour)
    return MIDDLE + radius * math.sin(angle), MIDDLE - radius * math.cos(angle)


HOURS = segments_d(np.array([_at(hour, radius) for hour in range(12) for radius in (RADIUS - 7, RADIUS)]))
"""Strokes at the twelve hours, as an SVG path."""


def _arrow(answer: Read) -> Line:
    """Return the ball's way over the rim to the centre."""
    right = math.sin(answer.aim.entry_right_rad)
    beyond = math.cos(answer.aim.entry_right_rad)
    start, end = RADIUS + 10.0, 6.0
    return Line(MIDDLE - right * start, MIDDLE + beyond * start, MIDDLE - right * end, MIDDLE + beyond * end)


def _window(first: float, last: float) -> str:
    """Return the wedge between two hours as an SVG path; hours grow clockwise."""
    (x0, y0), (x1, y1) = _at(first, RADIUS), _at(last, RADIUS)
    large = 1 if last - first > 6.0 else 0
    return f"M{MIDDLE} {MIDDLE}L{x0:.1f} {y0:.1f}A{RADIUS} {RADIUS} 0 {large} 1 {x1:.1f} {y1:.1f}Z"
