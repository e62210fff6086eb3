"""A level or a plate with its ball on the ground, from above, the hole on top."""

import math
from collections.abc import Iterator
from typing import Final

from orthocline.core.drills import HiddenPlace
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
    arrowhead,
    box,
    spots_of,
)

WIDTH, HEIGHT = 520.0, 440.0
MIDDLE: Final = Spot(260.0, 220.0)
LONG, THICK, WINDOW = 130.0, 30.0, 62.0
PLATE, RIM, BALL = 118.0, 92.0, 13.0
HOURS, QUARTER = 12, 3
BESIDE: Final = (138.0, 172.0)
WITHIN: Final = (0.0, 66.0)
"""Where the arrow of a level's place begins and ends, from the middle, and of a plate's."""


def laid_drawing(
    way: str, figure: str, rise: float, fall_rad: float | None, shown: HiddenPlace | None, says: str
) -> Scene:
    """Return what is laid: a level with its `figure`, or a plate whose ball ran to `fall_rad`.

    The place is `shown` by an arrow down its slope.
    """
    half = PLATE if fall_rad is not None else THICK if way == "across" else LONG
    items: list[Item] = [Area(box(0.0, 0.0, WIDTH, HEIGHT), fill=Fill.GROUND), *_line(half)]
    items += _level(way, figure, rise) if fall_rad is None else _plate(fall_rad)
    if shown:
        items += _arrow(shown.fall_rad, *(BESIDE if fall_rad is None else WITHIN))
    return Scene("laid", WIDTH, HEIGHT, says, tuple(items))


def _line(half: float) -> Iterator[Item]:
    """Yield the putt's line, on both sides of what lies on it."""
    for ends in ((40.0, MIDDLE.y - half), (MIDDLE.y + half, HEIGHT - 40.0)):
        spots = spots_of(*((MIDDLE.x, y) for y in ends))
        yield Line(spots, Sign.INK, 1.6, "0.1 6", name="line")
    yield Words("to the hole", Spot(MIDDLE.x, 26.0), Sign.QUIET, "middle")
    yield Words("from the ball", Spot(MIDDLE.x, HEIGHT - 14.0), Sign.QUIET, "middle")


def _level(way: str, figure: str, rise: float) -> Iterator[Item]:
    """Yield a level, its low end filled."""
    long, thick = (LONG, THICK) if way == "across" else (THICK, LONG)
    yield Area(
        box(MIDDLE.x - long, MIDDLE.y - thick, MIDDLE.x + long, MIDDLE.y + thick),
        Sign.INK,
        Fill.OPEN,
        2.4,
        name="level",
    )
    low = -1.0 if rise > 0.0 else 1.0
    tip = (low, 0.0) if way == "across" else (0.0, -low)
    at = Spot(MIDDLE.x + (LONG - 14.0) * tip[0], MIDDLE.y + (LONG - 14.0) * tip[1])
    if rise:
        yield Area(arrowhead(at, tip, 26.0, 13.0), Sign.FALL, name="low-end")
    yield Area(
        box(MIDDLE.x - WINDOW, MIDDLE.y - 24.0, MIDDLE.x + WINDOW, MIDDLE.y + 24.0), Sign.INK, Fill.OPEN
    )
    yield Words(figure, Spot(MIDDLE.x, MIDDLE.y + 8.0), Sign.INK, "middle", large=True, name="figure")


def _on_clock(turn: float, radius: float) -> Spot:
    return Spot(MIDDLE.x + radius * math.sin(turn), MIDDLE.y - radius * math.cos(turn))


def _plate(fall_rad: float) -> Iterator[Item]:
    """Yield a plate with its hours, and its ball at the rim where it ran to."""
    yield Disc(MIDDLE, PLATE, Sign.INK, Fill.OPEN, 2.4, name="plate")
    turns = [math.tau * hour / HOURS for hour in range(HOURS)]
    ticks = [end for turn in turns for end in (_on_clock(turn, PLATE - 9.0), _on_clock(turn, PLATE))]
    yield Strokes(spots_of(*ticks), Sign.QUIET, 1.4)
    for hour in range(QUARTER, HOURS, QUARTER):
        if hour != HOURS // 2:
            at = _on_clock(turns[hour], PLATE + 20.0)
            yield Words(str(hour), Spot(at.x, at.y + 6.0), Sign.QUIET, "middle")
    yield Disc(_on_clock(fall_rad, RIM), BALL, Sign.INK, name="plate-ball")


def _arrow(fall_rad: float, near: float, far: float) -> Iterator[Item]:
    tail, tip = _on_clock(fall_rad, near), _on_clock(fall_rad, far)
    yield Line(spots_of(tail, tip), Sign.FALL, 4.0, name="fall")
    yield Area(arrowhead(tip, (math.sin(fall_rad), -math.cos(fall_rad)), 18.0, 10.0), Sign.FALL)
