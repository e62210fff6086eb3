"""Strides along a tape and strokes against the rolls they made, drawn to scale."""

from collections.abc import Iterator

from orthocline.core.estimate import Estimate
from orthocline.core.speed import StrokePutt, stroke_rate
from orthocline.core.units import INCH_M, PACE_M
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
    scale_strokes,
    spots_of,
)
from orthocline.drawing.shoes import shoe
from orthocline.drawing.ticks import ticks
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording

WIDTH = 640.0
STRIDE_HEIGHT, STRIDE_LEFT, STRIDE_RIGHT = 136.0, 30.0, 616.0
STEPS = 4
FEET_Y, FOOT_GAP, FOOT_HALF = 52.0, 13.0, 5.0
PACES_Y, YARDS_Y = 94.0, 116.0
LEAST_MIDDLE = 96.0
"""The words of the pace are centred no nearer the sheet's edge."""
STROKES_HEIGHT = 230.0
LEFT, RIGHT, TOP, BOTTOM = 60.0, 600.0, 20.0, 186.0
"""The plot of strokes."""
ROOM = 1.15
MOST_MARKS = 9


def stride_drawing(wording: Wording) -> Scene:
    """Return the golfer's paces, or the usual ones, to scale, with the usual yard beside them."""
    scale = (STRIDE_RIGHT - STRIDE_LEFT - 6.0) / (STEPS * max(wording.calibration.pace_m, PACE_M) + 0.3)
    whose = "your" if wording.calibration.own_pace else "the usual"
    words = f"{whose} pace {wording.far(wording.calibration.pace_m)}"
    items = [Area(box(0.0, 0.0, WIDTH, STRIDE_HEIGHT), fill=Fill.GROUND), *_feet(scale, wording)]
    for name, step_m, y, sign, half in (
        ("paces", wording.calibration.pace_m, PACES_Y, Sign.DO, 6.0),
        ("yards", PACE_M, YARDS_Y, Sign.QUIET, 4.0),
    ):
        places = [STRIDE_LEFT + i * scale * step_m for i in range(STEPS + 1)]
        items.append(Line(spots_of((STRIDE_LEFT, y), (STRIDE_RIGHT, y)), sign, 1.4))
        items.append(Strokes(scale_strokes(places, y, half), sign, 1.4, name=name))
    middle = STRIDE_LEFT + 0.5 * scale * wording.calibration.pace_m
    items.append(Words(words, Spot(max(middle, LEAST_MIDDLE), 22.0), Sign.DO, "middle", name="pace"))
    items.append(Words("yards", Spot(STRIDE_RIGHT, YARDS_Y + 18.0), Sign.QUIET, "end"))
    return Scene("stride-drawing", WIDTH, STRIDE_HEIGHT, words, tuple(items))


def _feet(scale: float, wording: Wording) -> Iterator[Item]:
    step, long = scale * wording.calibration.pace_m, scale * wording.calibration.shoe_m
    for i in range(STEPS + 1):
        x, y = STRIDE_LEFT + i * step, FEET_Y + (FOOT_GAP if i % 2 else -FOOT_GAP)
        yield Area(shoe(Spot(x, y), long, FOOT_HALF), Sign.INK, Fill.OPEN, 1.6, name="foot")


def strokes_drawing(putts: list[StrokePutt], rate: Estimate | None, wording: Wording) -> Scene | None:
    """Return launch speed against length of stroke: the putts that calibrate it; None without any."""
    if not putts:
        return None
    each = [(putt.stroke_m, _launch(putt)) for putt in putts]
    longest = ROOM * max(*(stroke for stroke, _ in each), INCH_M)
    fastest = ROOM * max(speed for _, speed in each)

    def spot(stroke_m: float, speed: float) -> Spot:
        x = LEFT + (RIGHT - LEFT) * stroke_m / longest
        return Spot(x, BOTTOM - (BOTTOM - TOP) * speed / fastest)

    items: list[Item] = [
        Area(box(0.0, 0.0, WIDTH, STROKES_HEIGHT), fill=Fill.GROUND),
        Line(spots_of((LEFT, TOP), (LEFT, BOTTOM), (RIGHT, BOTTOM)), Sign.INK, 1.4),
    ]
    if rate:
        end = min(longest, fastest / rate.value)
        items.append(Line(spots_of(spot(0.0, 0.0), spot(end, rate.value * end)), Sign.DO, 2.0, name="rate"))
    items += [Disc(spot(*one), 5.5, Sign.REAL, name="putt") for one in each]
    marks = ticks(0.0, longest / wording.units.near_m, MOST_MARKS)[1:]
    places = [spot(mark * wording.units.near_m, 0.0).x for mark in marks]
    items.append(Strokes(scale_strokes(places, BOTTOM + 3.0, 3.0), Sign.INK, 1.0))
    items += [
        Words(tidy(mark), Spot(x, BOTTOM + 22.0), Sign.QUIET, "middle")
        for mark, x in zip(marks, places, strict=True)
    ]
    items.append(Words(f"stroke, {wording.units.near}", Spot(RIGHT, BOTTOM + 42.0), Sign.QUIET, "end"))
    items.append(Words("launch speed", Spot(8.0, TOP - 4.0), Sign.QUIET))
    return Scene("strokes", WIDTH, STROKES_HEIGHT, "Launch speed against length of stroke", tuple(items))


def _launch(putt: StrokePutt) -> float:
    alone = stroke_rate([putt])
    return alone.value * putt.stroke_m if alone else 0.0
