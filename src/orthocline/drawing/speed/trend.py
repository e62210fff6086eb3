"""The trend: green speeds over time, each with the range within which it is said to be."""

import math
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

from orthocline.core.estimate import Estimate
from orthocline.core.speed import METHODS
from orthocline.drawing.scene import (
    Area,
    Fill,
    Group,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Strokes,
    Words,
    box,
    scale_strokes,
    spots_of,
)
from orthocline.drawing.speed.method_marks import key_items, mark_of
from orthocline.drawing.ticks import CALENDAR, tick_step, ticks
from orthocline.wording.dates import Calendar
from orthocline.wording.figures import speed_text

WIDTH, HEIGHT = 640.0, 640.0
LEFT, RIGHT, TOP, BOTTOM = 52.0, 536.0, 24.0, 560.0
NOW_LEFT, NOW_RIGHT = RIGHT - 20.0, RIGHT + 20.0
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


def trend(measured: Sequence[Measured], current: Estimate, calendar: Calendar, now: datetime) -> Scene:
    """Return the trend of speeds, newest first, one or more, up to the one that is used now."""
    first = min(measured[-1].at, now - LEAST_SPAN)
    span = (now - first) / timedelta(seconds=1)
    lowest, highest = _reach([*(one.speed_ft for one in measured), current])

    def x_of(when: datetime) -> float:
        return LEFT + (RIGHT - LEFT) * ((when - first) / timedelta(seconds=1)) / span

    def y_of(speed: float) -> float:
        return BOTTOM - (BOTTOM - TOP) * (speed - lowest) / (highest - lowest)

    points = list(reversed(measured))
    items = [
        *_row_items(lowest, highest, y_of),
        *_line_items(points, x_of, y_of),
        *(_point(one, calendar, x_of, y_of) for one in points),
        *_now_items(current, y_of),
        *_time_items(_marks(first, now, calendar, x_of)),
        *key_items(LEFT, HEIGHT - 16.0),
    ]
    says = f"Green speed over time; now {speed_text(current.value)}"
    return Scene("trend", WIDTH, HEIGHT, says, tuple(items))


def _reach(speeds: Sequence[Estimate]) -> tuple[int, int]:
    low, high = min(e.value - e.within for e in speeds), max(e.value + e.within for e in speeds)
    return math.floor(low), max(math.ceil(high), math.floor(low) + 1)


def _row_items(lowest: int, highest: int, y_of: Up) -> Iterator[Item]:
    for speed in ticks(lowest, highest, min(MOST_MARKS, highest - lowest)):
        yield Line(spots_of((LEFT, y_of(speed)), (NOW_LEFT, y_of(speed))), Sign.RULE, 1.0)
        spot = Spot(LEFT - 12.0, y_of(speed) + 6.0)
        yield Words(f"{speed:g}", spot, Sign.QUIET, "end", name="row")


def _line_items(points: Sequence[Measured], x_of: Along, y_of: Up) -> Iterator[Item]:
    """Yield a line through the speeds that were measured, not through posted numbers."""
    spots = [(x_of(one.at), y_of(one.speed_ft.value)) for one in points if METHODS[one.method].measured]
    if len(spots) > 1:
        yield Line(spots_of(*spots), Sign.QUIET, 1.2, name="line")


def _point(one: Measured, calendar: Calendar, x_of: Along, y_of: Up) -> Item:
    """Return one speed with the ends of its range."""
    when, speed = calendar.moment(one.at), one.speed_ft
    at = Spot(x_of(one.at), y_of(speed.value))
    low, high = y_of(speed.value - speed.within), y_of(speed.value + speed.within)
    bar = Line(spots_of((at.x, low), (at.x, high)), Sign.UNSURE, 1.2, name="range")
    return Group((bar, mark_of(one.method, at)), f"{speed_text(speed.value)} on {when}", name="measured")


def _now_items(current: Estimate, y_of: Up) -> Iterator[Item]:
    """Yield the speed as it is used now."""
    y, low, high = (
        y_of(speed)
        for speed in (current.value, current.value - current.within, current.value + current.within)
    )
    yield Area(box(NOW_LEFT, high, NOW_RIGHT, low), Sign.UNSURE, Fill.HATCHED, 1.0, name="now-range")
    yield Line(spots_of((NOW_LEFT, y), (NOW_RIGHT, y)), Sign.DO, 2.6, name="now")
    yield Words(speed_text(current.value), Spot(NOW_RIGHT + 6.0, y + 8.0), Sign.DO, large=True)


def _time_items(marks: Sequence[tuple[float, str]]) -> Iterator[Item]:
    yield Line(spots_of((LEFT, BOTTOM), (NOW_RIGHT, BOTTOM)), Sign.INK, 1.4)
    yield Strokes(scale_strokes([x for x, _ in marks], BOTTOM + 3.5, 3.5), Sign.INK, 1.4, name="time-marks")
    for x, words in marks:
        yield Words(words, Spot(x, BOTTOM + 24.0), Sign.QUIET, "middle")
    yield Words("now", Spot(NOW_RIGHT, BOTTOM + 24.0), anchor="end")


def _marks(first: datetime, now: datetime, calendar: Calendar, x_of: Along) -> list[tuple[float, str]]:
    """Return marks of the time axis: firsts of the months, or days where all is within a month or two."""
    here, end = calendar.here(first), calendar.here(now)
    days = max((end - here).days, 1)
    step = tick_step(days / MOST_MARKS, CALENDAR)
    marks: list[tuple[float, str]] = []
    day = here.replace(hour=0, minute=0, second=0, microsecond=0) + timedelta(days=1)
    while day <= end:
        monthly = days > LONG_DAYS
        if (day.day == 1) if monthly else ((day - here).days % step == 0):
            words = calendar.month(day) if monthly else calendar.day(day)
            marks.append((x_of(day), words))
        day += timedelta(days=1)
    return _apart(marks)


def _apart(marks: list[tuple[float, str]]) -> list[tuple[float, str]]:
    kept: list[tuple[float, str]] = []
    for x, words in marks:
        if (not kept or x - kept[-1][0] >= CLOSE) and LEFT + CLOSE / 2 <= x <= RIGHT - CLOSE / 2:
            kept.append((x, words))
    return kept
