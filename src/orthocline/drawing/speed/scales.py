"""A scale of green speeds with the one found, and where tuning putts stopped."""

import math
from collections.abc import Iterator, Sequence

from orthocline.core.estimate import Estimate
from orthocline.core.speed import TuningScore
from orthocline.core.units import INCH_M
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
from orthocline.drawing.ticks import ticks
from orthocline.wording.figures import speed_text, tidy
from orthocline.wording.wording import Wording

WIDTH = 640.0
LEFT, RIGHT = 40.0, 600.0
SCALE_TOP, SCALE_LANE = 76.0, 84.0
LEAST_SPEED, MOST_SPEED = 4, 16
MOST_MARKS = 10
LANE, FIRST_LANE, BALLS_TOP = 58.0, 72.0, 40.0
BELOW_BALLS = 72.0
"""Two lines of words: balls may stop anywhere between the golfer and the far end."""
BALL_WORDS = 110.0
"""Room beyond the farthest ball for what it says."""


def speed_scale(speeds: Sequence[tuple[str, Estimate]]) -> Scene:
    """Return the scale with speeds on it, each with its name, the last one being the answer."""
    least = min(LEAST_SPEED, *(math.floor(one.value - one.within) for _, one in speeds))
    most = max(MOST_SPEED, *(math.ceil(one.value + one.within) for _, one in speeds))

    def x_of(speed: float) -> float:
        return LEFT + (RIGHT - LEFT) * (speed - least) / (most - least)

    axis = SCALE_TOP + SCALE_LANE * len(speeds) - 16.0
    height = axis + 72.0
    items: list[Item] = [Area(box(0.0, 0.0, WIDTH, height), fill=Fill.GROUND)]
    for i, (name, one) in enumerate(speeds):
        places = [x_of(speed) for speed in (one.value - one.within, one.value, one.value + one.within)]
        words = f"{name}: {speed_text(one.value)} ±{speed_text(one.within)}"
        items += _speed_items(places, SCALE_TOP + SCALE_LANE * i, words, last=i == len(speeds) - 1)
    marks = ticks(least, most, MOST_MARKS)
    items += _axis_items([(x_of(mark), tidy(mark)) for mark in marks], axis)
    says = f"Speed {speed_text(speeds[0][1].value)} on a scale of speeds"
    return Scene("speed-scale", WIDTH, height, says, tuple(items))


def _speed_items(places: Sequence[float], y: float, words: str, *, last: bool) -> Iterator[Item]:
    low, x, high = places
    sign = Sign.DO if last else Sign.INK
    yield Words(words, Spot(LEFT, y - 24.0), sign)
    yield Area(box(low, y - 14.0, high, y + 14.0), Sign.UNSURE, Fill.HATCHED, 1.0, name="range")
    yield Line(spots_of((x, y - 18.0), (x, y + 18.0)), sign, 3.2 if last else 2.0, name="speed")


def _axis_items(marks: Sequence[tuple[float, str]], y: float) -> Iterator[Item]:
    yield Line(spots_of((LEFT, y), (RIGHT, y)), Sign.INK, 1.5)
    yield Strokes(scale_strokes([x for x, _ in marks], y, 7.0), Sign.INK, 1.5)
    for x, words in marks:
        yield Words(words, Spot(x, y + 28.0), Sign.QUIET, "middle", name="mark")
    yield Words("← slower", Spot(LEFT, y + 54.0), Sign.QUIET)
    yield Words("faster →", Spot(RIGHT, y + 54.0), Sign.QUIET, "end")


def tuning_plan(score: TuningScore, wording: Wording) -> Scene:
    """Return where the balls stopped, to scale, each on its own lane."""
    zone_m = score.zone_m
    low, high = min(*score.past_m, -zone_m), max(*score.past_m, 2.0 * zone_m)
    scale = (RIGHT - LEFT - BALL_WORDS) / (high - low)

    def x_of(past_m: float) -> float:
        return LEFT + scale * (past_m - low)

    height = FIRST_LANE + LANE * len(score.past_m) + BELOW_BALLS
    items = [
        Area(box(0.0, 0.0, WIDTH, height), fill=Fill.GROUND),
        *_target_items(x_of(0.0), x_of(zone_m), x_of(score.mean_m), height, wording.short(zone_m)),
    ]
    for i, (past_m, good) in enumerate(zip(score.past_m, score.good, strict=True)):
        at = Spot(x_of(past_m), FIRST_LANE + LANE * i)
        items += _ball_items(at, max(at.x, x_of(zone_m)), _stopped(past_m, wording), good=good)
    items.append(Words("your ball ←", Spot(8.0, height - 12.0), Sign.QUIET))
    return Scene("tuning-putts", WIDTH, height, "Where each ball stopped", tuple(items))


def _target_items(target: float, zone: float, mean: float, height: float, zone_words: str) -> Iterator[Item]:
    """Yield where a ball should stop, and where they did on average."""
    foot = height - BELOW_BALLS
    yield Area(box(target, BALLS_TOP, zone, foot), Sign.DO, Fill.OPEN, 1.4, name="zone")
    yield Line(spots_of((target, BALLS_TOP), (target, foot)), Sign.DO, 3.0, name="target")
    yield Line(spots_of((mean, BALLS_TOP), (mean, foot)), Sign.INK, 1.6, "7 4", name="average")
    words = f"0 to {zone_words} past"
    yield Words(words, Spot((target + zone) / 2, BALLS_TOP - 12.0), Sign.DO, "middle")
    yield Words("average", Spot(mean, foot + 32.0), anchor="middle")


def _ball_items(at: Spot, words_x: float, words: str, *, good: bool) -> Iterator[Item]:
    yield Line(spots_of((8.0, at.y), at), Sign.REAL, 1.6, "" if good else "3 5")
    yield Disc(at, 7.0, Sign.REAL, Fill.SOLID if good else Fill.OPEN, 2.4, name="ball")
    yield Words(words, Spot(words_x + 14.0, at.y + 6.0), name="stopped")


def _stopped(past_m: float, wording: Wording) -> str:
    if abs(past_m) < 0.25 * INCH_M:
        return "dead"
    return f"{wording.short(past_m)} {'past' if past_m > 0.0 else 'short'}"
