"""The trend: green speeds over time, each with the range within which it is said to be."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

import numpy as np

from orthocline.core.estimate import Estimate
from orthocline.drawing.frame import path_d
from orthocline.wording.figures import speed_text

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
class Measured:
    """A green speed [ft] as it was measured: when, how sure, by which method."""

    at: datetime
    speed_ft: Estimate
    method: str


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


def trend(measured: Sequence[Measured], current: Estimate, now: datetime) -> Trend:
    """Return the trend of speeds, newest first, one or more, up to the one that is used now."""
    first = min(measured[-1].at, now - LEAST_SPAN)
    span = (now - first) / timedelta(seconds=1)
    lowest, highest = _reach([*(one.speed_ft for one in measured), current])

    def x_of(when: datetime) -> float:
        return round(LEFT + (RIGHT - LEFT) * ((when - first) / timedelta(seconds=1)) / span, 1)

    def y_of(speed: float) -> float:
        return round(BOTTOM - (BOTTOM - TOP) * (speed - lowest) / (highest - lowest), 1)

    points = tuple(_point(one, x_of, y_of) for one in reversed(measured))
    feet = range(lowest, highest + 1, max(1, math.ceil((highest - lowest) / MOST_MARKS)))
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


def _reach(speeds: Sequence[Estimate]) -> tuple[int, int]:
    low, high = min(e.value - e.within for e in speeds), max(e.value + e.within for e in speeds)
    return math.floor(low), math.ceil(high)


def _point(one: Measured, x_of: Along, y_of: Up) -> Point:
    when, speed = f"{one.at.astimezone():%-d %b %H:%M}", one.speed_ft
    return Point(
        x_of(one.at),
        y_of(speed.value),
        y_of(speed.value - speed.within),
        y_of(speed.value + speed.within),
        one.method,
        f"{speed_text(speed.value)} on {when}",
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
