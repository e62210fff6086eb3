"""A scale of green speeds with the one found, and where zero putts stopped."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from orthocline.core.estimate import Estimate
from orthocline.core.speed import ZeroScore
from orthocline.core.units import INCH_M
from orthocline.drawing.frame import segments_d
from orthocline.wording.figures import Wording, speed_text

LEFT, RIGHT = 40.0, 600.0
SCALE_TOP, SCALE_LANE = 76.0, 84.0
LEAST_SPEED, MOST_SPEED = 4, 16
LANE, FIRST_LANE = 58.0, 72.0
LEAVE_M = 18.0 * INCH_M


@dataclass(frozen=True)
class ScaleLane:
    """One speed on the scale with its range; the `last` is what they make together."""

    y: float
    x: float
    low_x: float
    high_x: float
    words: str
    last: bool


@dataclass(frozen=True)
class SpeedScale:
    """A scale of green speeds: its marks, and the speeds on it, one below the other."""

    lanes: tuple[ScaleLane, ...]
    marks: tuple[tuple[float, str], ...]
    strokes: str
    axis_y: float
    height: float


@dataclass(frozen=True)
class ZeroBall:
    """One ball: where it stopped, on a lane of its own, and what that is."""

    x: float
    y: float
    good: bool
    words: str


@dataclass(frozen=True)
class ZeroPlan:
    """The last yards of zero putts, seen from above: target, where a ball should stop, the balls.

    Attributes
    ----------
    target_x, leave_x : float
        The target, and eighteen inches past it.
    mean_x : float
        Where the balls stopped on average.
    """

    target_x: float
    leave_x: float
    mean_x: float
    balls: tuple[ZeroBall, ...]
    height: float
    leave_words: str


def speed_scale(speeds: Sequence[tuple[str, Estimate]]) -> SpeedScale:
    """Return the scale with speeds on it, each with its name, the last one being the answer."""
    least = min(LEAST_SPEED, *(math.floor(one.value - one.within) for _, one in speeds))
    most = max(MOST_SPEED, *(math.ceil(one.value + one.within) for _, one in speeds))
    per_foot = (RIGHT - LEFT) / (most - least)

    def x_of(speed: float) -> float:
        return round(LEFT + per_foot * (speed - least), 1)

    lanes = tuple(
        ScaleLane(
            SCALE_TOP + SCALE_LANE * i,
            x_of(one.value),
            x_of(one.value - one.within),
            x_of(one.value + one.within),
            f"{name}: {speed_text(one.value)} ±{speed_text(one.within)}",
            i == len(speeds) - 1,
        )
        for i, (name, one) in enumerate(speeds)
    )
    axis = SCALE_TOP + SCALE_LANE * len(speeds) - 16.0
    marks = tuple((x_of(speed), str(speed)) for speed in range(least, most + 1, 2))
    strokes = np.array([[x, y] for x, _ in marks for y in (axis - 7.0, axis + 7.0)])
    return SpeedScale(lanes, marks, segments_d(strokes), axis, axis + 72.0)


def zero_plan(score: ZeroScore, wording: Wording) -> ZeroPlan:
    """Return where the balls stopped, to scale, each on its own lane."""
    low = min(*score.past_m, -LEAVE_M)
    high = max(*score.past_m, 2.0 * LEAVE_M)
    scale = (RIGHT - LEFT - 110.0) / (high - low)

    def x_of(past: float) -> float:
        return round(LEFT + scale * (past - low), 1)

    balls = tuple(
        ZeroBall(x_of(past), FIRST_LANE + LANE * i, good, _stopped(past, wording))
        for i, (past, good) in enumerate(zip(score.past_m, score.good, strict=True))
    )
    height = FIRST_LANE + LANE * len(balls) + 44.0
    leave = f"0 to {wording.short(LEAVE_M)} past"
    return ZeroPlan(x_of(0.0), x_of(LEAVE_M), x_of(score.mean_m), balls, height, leave)


def _stopped(past_m: float, wording: Wording) -> str:
    if abs(past_m) < 0.25 * INCH_M:
        return "dead"
    return f"{wording.short(past_m)} {'past' if past_m > 0.0 else 'short'}"
