"""The trend: green speeds over time, each with the range within which it is said to be."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

import numpy as np

from orthocline.core.estimate import Estimate
from orthocline.db.models import SpeedNote
from orthocline.formats.wording import speed_text
from orthocline.services.speeds import DaySpeed
from orthocline.web.drawing.frame import path_d

LEFT, RIGHT, TOP, BOTTOM = 52.0, 536.0, 24.0, 440.0
LEAST_SPAN = timedelta(days=2)
MOST_MARKS = 6
CLOSE = 34.0
"""Marks of the time axis nearer than this would touch."""
LONG_DAYS = 70
"""Longer times are marked by months."""
Along = Callable[[datetime], float]
Up = Callable[[float], float]


@dataclass(frozen=True)
class Point:
    """One speed: where it lies, the ends of its range, how it was found, what it says."""

    x: float
    y: float
    low_y: float
    high_y: float
    method: str
    words: str


@dataclass(frozen=True)
class Trend:
    """The drawn trend; `now_y`, `now_low_y` and `now_high_y` are the speed as it is used now."""

    points: tuple[Point, ...]
    line: str
    rows: tuple[tuple[float, str], ...]
    marks: tuple[tuple[float, str], ...]
    now_y: float
    now_low_y: float
    now_high_y: float
    now_words: str


def trend(notes: Sequence[SpeedNote], day: DaySpeed, now: datetime) -> Trend:
    """Return the trend of notes, newest first, one or more, up to now."""
    first = min(notes[-1].measured_at, now - LEAST_SPAN)
    span = (now - first) / timedelta(seconds=1)
    lowest, highest = _reach(notes, day.speed_ft)

    def x_of(when: datetime) -> float:
        return round(LEFT + (RIGHT - LEFT) * ((when - first) / timedelta(seconds=1)) / span, 1)

    def y_of(speed: float) -> float:
        return round(BOTTOM - (BOTTOM - TOP) * (speed - lowest) / (highest - lowest), 1)

    points = tuple(_point(note, x_of, y_of) for note in reversed(notes))
    feet = range(lowest, highest + 1, max(1, math.ceil((highest - lowest) / MOST_MARKS)))
    current = day.speed_ft
    return Trend(
        points,
        _line(points),
        tuple((y_of(speed), str(speed)) for speed in feet),
        tuple(_marks(first, now, x_of)),
        y_of(current.value),
        y_of(current.value - current.within),
        y_of(current.value + current.within),
        speed_text(current.value),
    )


def _reach(notes: Sequence[SpeedNote], current: Estimate) -> tuple[int, int]:
    ends = [Estimate(note.speed_ft, note.sd_ft) for note in notes] + [current]
    low, high = (min(e.value - e.within for e in ends), max(e.value + e.within for e in ends))
    return math.floor(low), math.ceil(high)


def _point(note: SpeedNote, x_of: Along, y_of: Up) -> Point:
    when = f"{note.measured_at.astimezone():%-d %b %H:%M}"
    return Point(
        x_of(note.measured_at),
        y_of(note.speed_ft),
        y_of(note.speed_ft - 2.0 * note.sd_ft),
        y_of(note.speed_ft + 2.0 * note.sd_ft),
        note.method,
        f"{speed_text(note.speed_ft)} on {when}",
    )


def _line(points: Sequence[Point]) -> str:
    """Return a line through the speeds that were measured, not through posted numbers."""
    spots = [(point.x, point.y) for point in points if point.method != "posted"]
    return path_d(np.array(spots)) if len(spots) > 1 else ""


def _marks(first: datetime, now: datetime, x_of: Along) -> list[tuple[float, str]]:
    """Return marks of the time axis: firsts of the months, or days where all is within a month or two."""
    here, end = first.astimezone(), now.astimezone()
    days = max((end - here).days, 1)
    step = max(1, math.ceil(days / MOST_MARKS))
    found: list[tuple[float, str]] = []
    day = here.replace(hour=0, minute=0, second=0, microsecond=0) + timedelta(days=1)
    while day <= end:
        monthly = days > LONG_DAYS
        if (day.day == 1) if monthly else ((day - here).days % step == 0):
            words = f"{day:%b}" if monthly else f"{day:%-d %b}"
            found.append((x_of(day), words))
        day += timedelta(days=1)
    return _apart(found)


def _apart(marks: list[tuple[float, str]]) -> list[tuple[float, str]]:
    kept: list[tuple[float, str]] = []
    for x, words in marks:
        if (not kept or x - kept[-1][0] >= CLOSE) and LEFT + CLOSE / 2 <= x <= RIGHT - CLOSE / 2:
            kept.append((x, words))
    return kept
