"""Strides along a tape and strokes against the rolls they made, drawn to scale."""

import math
from dataclasses import dataclass

import numpy as np

from orthocline.core.estimate import Estimate
from orthocline.core.speed import StrokePutt, stroke_rate
from orthocline.core.units import INCH_M, PACE_M
from orthocline.drawing.frame import path_d, segments_d
from orthocline.wording.figures import Wording, tidy

STRIDE_LEFT, STRIDE_RIGHT = 30.0, 610.0
STEPS = 4
FOOT_GAP = 13.0
PLOT = (60.0, 600.0, 20.0, 186.0)
"""Left, right, top and bottom of the plot of strokes."""


@dataclass(frozen=True)
class Stride:
    """Four paces along a tape: where each foot stands, the paces marked, and the usual yard below."""

    feet: tuple[tuple[float, float], ...]
    foot_length: float
    marks: str
    pace_end: float
    usual: str
    words: str


@dataclass(frozen=True)
class Strokes:
    """Launch speed against the length of the stroke: the putts tried and the golfer's line through them."""

    dots: tuple[tuple[float, float], ...]
    line: str
    rule: tuple[tuple[float, str], ...]
    words: str


def stride_drawing(wording: Wording) -> Stride:
    """Return the golfer's paces, or the usual ones, to scale, with the usual yard beside them."""
    scale = (STRIDE_RIGHT - STRIDE_LEFT) / (STEPS * max(wording.pace_m, PACE_M) + 0.3)
    step, shoe = scale * wording.pace_m, scale * wording.shoe_m
    feet = tuple(
        (round(STRIDE_LEFT + i * step, 1), 52.0 + (FOOT_GAP if i % 2 else -FOOT_GAP))
        for i in range(STEPS + 1)
    )
    marks = np.array([[x, y] for x, _ in feet for y in (88.0, 100.0)])
    yards = np.array(
        [[STRIDE_LEFT + i * scale * PACE_M, y] for i in range(STEPS + 1) for y in (112.0, 120.0)]
    )
    words = f"{'your' if wording.own_pace else 'the usual'} pace {wording.far(wording.pace_m)}"
    return Stride(feet, round(shoe, 1), segments_d(marks), feet[1][0], segments_d(yards), words)


def strokes_drawing(putts: list[StrokePutt], rate: Estimate | None, wording: Wording) -> Strokes:
    """Return the putts that calibrate the stroke."""
    left, right, top, bottom = PLOT
    each = [(putt.stroke_m, _launch(putt)) for putt in putts]
    longest = 1.15 * max([stroke for stroke, _ in each], default=24.0 * INCH_M)
    fastest = 1.15 * max([speed for _, speed in each], default=2.5)

    def spot(stroke_m: float, speed: float) -> tuple[float, float]:
        return (
            round(left + (right - left) * stroke_m / longest, 1),
            round(bottom - (bottom - top) * speed / fastest, 1),
        )

    line = ""
    if rate:
        end = min(longest, fastest / rate.value)
        line = path_d(np.array([spot(0.0, 0.0), spot(end, rate.value * end)]))
    step = next(step for step in (2, 5, 10, 20, 50) if longest / wording.near_m / step <= 9)
    marks = [step * i for i in range(1, math.floor(longest / wording.near_m / step) + 1)]
    rule = tuple((spot(mark * wording.near_m, 0.0)[0], tidy(mark)) for mark in marks)
    return Strokes(tuple(spot(*one) for one in each), line, rule, f"stroke, {wording.near_unit}")


def _launch(putt: StrokePutt) -> float:
    alone = stroke_rate([putt])
    return alone.value * putt.stroke_m if alone else 0.0
