"""The ramp to scale with its lift, its rails seen end on, and the rolls along a tape."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from orthocline.core.constants import BALL_RADIUS_M
from orthocline.core.estimate import Estimate
from orthocline.core.speed import OneWay, Ramp, RampSpeed, Rods
from orthocline.core.units import FOOT_M
from orthocline.drawing.frame import segments_d
from orthocline.wording.figures import Wording, speed_text, tidy

FOOT_X, GROUND_Y = 430.0, 232.0
RAMP_WIDTH, RAMP_HEIGHT = 300.0, 196.0
END_X, END_Y, END_RADIUS = 545.0, 98.0, 50.0
END_WORDS = 94.0
"""How far below the ball's middle its rails are named, or lower where a groove is deep."""
TAPE_LEFT, TAPE_RIGHT, TAPE_Y = 92.0, 616.0, 486.0
ROOM = 1.25
"""The tape goes on beyond the longest roll, so that its length can be written there."""
LANES = {"out": 356.0, "back": 432.0}
TICKS = (0.5, 1.0, 2.0, 5.0, 10.0)
MOST_TICKS = 11
EXAGGERATION = 3.0
TALLEST_FALL = 36.0
"""The ground under the tape is drawn so many times as steep, as far as it fits."""
ARC = 60.0
Spot = tuple[float, float]


@dataclass(frozen=True)
class Side:
    """The ramp from the side: its top, the ball on it, the arc of its angle, what its dimensions say."""

    top: Spot
    ball: Spot
    ball_radius: float
    middle: Spot
    arc_end: Spot
    lift: str
    length: str
    angle: str
    release: str


@dataclass(frozen=True)
class End:
    """The ball on its rails, end on: the rails as an SVG path, round rods, and the width between them."""

    rails: str
    rods: tuple[Spot, ...]
    touch: tuple[Spot, Spot]
    words: str
    words_y: float


@dataclass(frozen=True)
class Roll:
    """A roll as it was taped [m], and whether the golfer leaves it out."""

    length_m: float
    left_out: bool = False


@dataclass(frozen=True)
class Dot:
    """One roll on the tape."""

    x: float
    left_out: bool
    stands_out: bool


@dataclass(frozen=True)
class Lane:
    """The rolls of one direction: their dots and their mean."""

    name: str
    y: float
    dots: tuple[Dot, ...]
    mean_x: float | None
    mean: str


@dataclass(frozen=True)
class Tape:
    """The tape with its ticks, both lanes, the speed with its range, and the ground below.

    Attributes
    ----------
    ticks : tuple of (float, str)
        Where they are and what they say.
    speed_x, low_x, high_x : float or None
        The speed and the ends of its range.
    """

    ticks: tuple[tuple[float, str], ...]
    strokes: str
    lanes: tuple[Lane, ...]
    speed_x: float | None
    low_x: float
    high_x: float
    speed: str
    ground: str
    ground_words: str


@dataclass(frozen=True)
class RampPlan:
    """Everything that the ramp page draws."""

    side: Side
    end: End
    tape: Tape


def ramp_plan(
    ramp: Ramp, found: RampSpeed | None, out: Sequence[Roll], back: Sequence[Roll], wording: Wording
) -> RampPlan:
    """Return the drawing of a ramp and its rolls; the rolls as the standard ramp would have made them."""
    return RampPlan(_side(ramp, wording), _end(ramp, wording), _tape(ramp, found, out, back, wording))


def _side(ramp: Ramp, wording: Wording) -> Side:
    run, lift = ramp.length_m * math.cos(ramp.angle_rad), ramp.lift_m
    scale = min(RAMP_WIDTH / run, RAMP_HEIGHT / lift)
    top = FOOT_X - scale * run, GROUND_Y - scale * lift
    radius = max(BALL_RADIUS_M * scale, 5.0)
    ball = top[0] + radius * math.sin(ramp.angle_rad), top[1] - radius * math.cos(ramp.angle_rad)
    return Side(
        _rounded(top),
        _rounded(ball),
        round(radius, 1),
        _rounded(((top[0] + FOOT_X) / 2 + 14.0, (top[1] + GROUND_Y) / 2 - 12.0)),
        _rounded((FOOT_X - ARC * math.cos(ramp.angle_rad), GROUND_Y - ARC * math.sin(ramp.angle_rad))),
        wording.short(lift),
        wording.short(ramp.length_m),
        f"{tidy(math.degrees(ramp.angle_rad))}°",
        f"released at {wording.ball_speed(ramp.release_speed_mps)}",
    )


def _end(ramp: Ramp, wording: Wording) -> End:
    scale = END_RADIUS / BALL_RADIUS_M
    depth = scale * ramp.rails.rolling_radius_m
    half = math.sqrt(max(END_RADIUS**2 - depth**2, 0.0))
    touch = (END_X - half, END_Y + depth), (END_X + half, END_Y + depth)
    if isinstance(ramp.rails, Rods):
        reach = (END_RADIUS + 9.0) / END_RADIUS
        rods = tuple((END_X + (x - END_X) * reach, END_Y + (y - END_Y) * reach) for x, y in touch)
        gap = wording.typed_near(ramp.rails.gap_m)
        return End("", tuple(map(_rounded, rods)), touch, f"rods {gap} apart", END_Y + END_WORDS)
    slant = math.pi / 2 - ramp.rails.angle_rad / 2
    bottom = END_Y + END_RADIUS / math.sin(ramp.rails.angle_rad / 2)
    reach = max(62.0, END_RADIUS * math.tan(slant) + 18.0)
    across, up = reach * math.cos(slant), reach * math.sin(slant)
    rails = np.array(
        [[END_X, bottom], [END_X - across, bottom - up], [END_X, bottom], [END_X + across, bottom - up]]
    )
    degrees = tidy(math.degrees(ramp.rails.angle_rad))
    return End(segments_d(rails), (), touch, f"V-groove of {degrees}°", max(bottom + 22.0, END_Y + END_WORDS))


def _tape(
    ramp: Ramp, found: RampSpeed | None, out: Sequence[Roll], back: Sequence[Roll], wording: Wording
) -> Tape:
    lengths = [ramp.correction * one.length_m for one in (*out, *back)]
    high_m = (found.speed_ft.value + found.speed_ft.within) * FOOT_M if found else 0.0
    reach_m = max(*lengths, high_m, 9.0 * FOOT_M) * ROOM
    scale = (TAPE_RIGHT - TAPE_LEFT) / reach_m
    count = int(reach_m / wording.far_m)
    step = next((step for step in TICKS if count / step <= MOST_TICKS), 20.0)
    marks = np.arange(0.0, reach_m / wording.far_m, step)
    ticks = tuple((round(TAPE_LEFT + scale * mark * wording.far_m, 1), tidy(mark)) for mark in marks.tolist())
    strokes = np.array([[x, y] for x, _ in ticks for y in (TAPE_Y - 6.0, TAPE_Y + 6.0)])
    lanes = (
        _lane("out", ramp, out, found.out if found else None, scale, wording),
        _lane("back", ramp, back, found.back if found else None, scale, wording),
    )
    speed = found.speed_ft if found else None
    ground, ground_words = _ground(found.slope if found else None, wording)
    return Tape(
        ticks,
        segments_d(strokes),
        lanes,
        _tape_x(speed.value, scale) if speed else None,
        _tape_x(max(speed.value - speed.within, 0.0), scale) if speed else 0.0,
        _tape_x(speed.value + speed.within, scale) if speed else 0.0,
        f"speed {speed_text(speed.value)}" if speed else "",
        ground,
        ground_words,
    )


def _lane(
    name: str, ramp: Ramp, rolls: Sequence[Roll], way: OneWay | None, scale: float, wording: Wording
) -> Lane:
    flags = iter(way.stands_out if way else ())
    dots = tuple(
        Dot(
            round(TAPE_LEFT + scale * ramp.correction * one.length_m, 1),
            one.left_out,
            stands_out=not one.left_out and next(flags, False),
        )
        for one in rolls
    )
    mean_x = round(TAPE_LEFT + scale * way.mean_m, 1) if way else None
    return Lane(name, LANES[name], dots, mean_x, wording.taped(way.mean_m) if way else "")


def _tape_x(feet: float, scale: float) -> float:
    return round(TAPE_LEFT + scale * feet * FOOT_M, 1)


def _ground(slope: Estimate | None, wording: Wording) -> tuple[str, str]:
    """Return the ground under the tape as an SVG path, rising toward out, and what it says."""
    if slope is None:
        return "", ""
    wanted = EXAGGERATION * slope.value * (TAPE_RIGHT - TAPE_LEFT)
    rise = max(-TALLEST_FALL, min(TALLEST_FALL, wanted)) / 2
    middle = TAPE_Y + 46.0
    path = f"M{TAPE_LEFT} {middle + rise:.1f}L{TAPE_RIGHT} {middle - rise:.1f}"
    way = "up" if slope.value > 0.0 else "down"
    scale = f"drawn {EXAGGERATION:g} times as steep" if abs(wanted) <= TALLEST_FALL else "not to scale"
    return path, f"{wording.slope(abs(slope.value))} {way} the way out ({scale})"


def _rounded(spot: Spot) -> Spot:
    return round(spot[0], 1), round(spot[1], 1)
