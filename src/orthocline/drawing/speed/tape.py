"""The rolls of a ramp along a tape: each where it ended, the speed with its range, the ground below."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from orthocline.core.estimate import Estimate
from orthocline.core.speed import OneWay, Ramp, RampSpeed
from orthocline.core.units import FOOT_M
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Item,
    Line,
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

LEFT, RIGHT, Y = 92.0, 616.0, 486.0
TOP = 304.0
LEAST_M = 9.0 * FOOT_M
ROOM = 1.25
"""The tape goes on beyond the longest roll, so that its length can be written there."""
LANES = {"out": (356.0, "out →"), "back": (432.0, "back ←")}
MOST_TICKS = 11
EXAGGERATION = 3.0
TALLEST_FALL = 36.0
"""The ground under the tape is drawn so many times as steep, as far as it fits."""
SPEED_WORDS = (110.0, 570.0)
"""Between which places the speed can be written over its line."""
TAIL = 16.0


@dataclass(frozen=True)
class Roll:
    """A roll as it was taped [m], and whether the golfer leaves it out."""

    length_m: float
    left_out: bool = False


def tape_items(
    ramp: Ramp, ramp_speed: RampSpeed | None, out: Sequence[Roll], back: Sequence[Roll], wording: Wording
) -> Iterator[Item]:
    """Yield the tape with the rolls of both directions, the speed with its range, and the ground below."""
    lengths = [ramp.correction * one.length_m for one in (*out, *back)]
    high_m = (ramp_speed.speed_ft.value + ramp_speed.speed_ft.within) * FOOT_M if ramp_speed else 0.0
    reach_m = max(*lengths, high_m, LEAST_M) * ROOM
    scale = (RIGHT - LEFT) / reach_m
    speed = ramp_speed.speed_ft if ramp_speed else None
    if speed:
        yield from _speed_items(speed, scale)
    yield from _scale_items(reach_m, scale, wording)
    for name, rolls in (("out", out), ("back", back)):
        way = getattr(ramp_speed, name) if ramp_speed else None
        yield from _lane_items(name, ramp, rolls, way, speed, scale, wording)
    if ramp_speed and ramp_speed.slope:
        yield from _ground_items(ramp_speed.slope, wording)


def _speed_items(speed: Estimate, scale: float) -> Iterator[Item]:
    x, low, high = (
        _tape_x(feet * FOOT_M, scale)
        for feet in (speed.value, max(speed.value - speed.within, 0.0), speed.value + speed.within)
    )
    yield Area(box(low, TOP, high, Y), Sign.UNSURE, Fill.HATCHED, 1.0, name="range")
    yield Line(spots_of((x, TOP), (x, Y)), Sign.DO, 2.4, name="speed")
    least, most = SPEED_WORDS
    words = Spot(min(max(x, least), most), TOP - 10.0)
    yield Words(f"speed {speed_text(speed.value)}", words, Sign.DO, "middle", large=True)


def _scale_items(reach_m: float, scale: float, wording: Wording) -> Iterator[Item]:
    marks = ticks(0.0, reach_m / wording.units.far_m, MOST_TICKS)
    places = [_tape_x(mark * wording.units.far_m, scale) for mark in marks]
    yield Line(spots_of((LEFT, Y), (RIGHT, Y)), Sign.INK, 1.4)
    yield Strokes(scale_strokes(places, Y, 6.0), Sign.INK, 1.4)
    for mark, x in zip(marks, places, strict=True):
        unit = f" {wording.units.far}" if mark == 0.0 else ""
        yield Words(f"{tidy(mark)}{unit}", Spot(x, Y + 24.0), Sign.QUIET, "middle", name="tick")


def _lane_items(
    name: str,
    ramp: Ramp,
    rolls: Sequence[Roll],
    way: OneWay | None,
    speed: Estimate | None,
    scale: float,
    wording: Wording,
) -> Iterator[Item]:
    y, words = LANES[name]
    yield Words(words, Spot(6.0, y + 6.0))
    yield Line(spots_of((LEFT, y), (RIGHT, y)), Sign.RULE, 1.0)
    if way:
        x = _tape_x(way.mean_m, scale)
        yield Line(spots_of((x, y - 14.0), (x, y + 14.0)), Sign.INK, 2.0, name=f"mean-{name}")
        before = speed is not None and way.mean_m < speed.value * FOOT_M
        spot, anchor = (Spot(x - 6.0, y - 18.0), "end") if before else (Spot(x + 6.0, y - 18.0), "start")
        yield Words(wording.taped(way.mean_m), spot, anchor=anchor)
    flags = iter(way.stands_out if way else ())
    for roll in rolls:
        at = Spot(_tape_x(ramp.correction * roll.length_m, scale), y)
        yield from _left_out(at, name) if roll.left_out else _roll_items(at, name, next(flags, False))


def _roll_items(at: Spot, name: str, stands_out: bool) -> Iterator[Item]:
    yield Line(spots_of((at.x - TAIL, at.y), at), Sign.REAL, 1.6)
    yield Disc(at, 5.5, Sign.REAL, name=f"roll-{name}")
    if stands_out:
        yield Disc(at, 11.0, Sign.UNSURE, None, 2.0, "3 3", name="stands-out")


def _left_out(at: Spot, name: str) -> Iterator[Item]:
    x, y = at
    cross = spots_of((x - 5, y - 5), (x + 5, y + 5), (x + 5, y - 5), (x - 5, y + 5))
    yield Strokes(cross, Sign.QUIET, 1.6, name=f"left-out-{name}")


def _ground_items(slope: Estimate, wording: Wording) -> Iterator[Item]:
    """Yield the ground under the tape, rising toward out, and what it says."""
    wanted = EXAGGERATION * slope.value * (RIGHT - LEFT)
    rise = max(-TALLEST_FALL, min(TALLEST_FALL, wanted)) / 2
    middle = Y + 46.0
    yield Line(spots_of((LEFT, middle + rise), (RIGHT, middle - rise)), Sign.FALL, 2.4, name="tape-ground")
    way = "up" if slope.value > 0.0 else "down"
    scale = f"drawn {EXAGGERATION:g} times as steep" if abs(wanted) <= TALLEST_FALL else "not to scale"
    words = f"{wording.slope(abs(slope.value))} {way} the way out ({scale})"
    yield Words(words, Spot(340.0, Y + 82.0), Sign.FALL, "middle")


def _tape_x(length_m: float, scale: float) -> float:
    return LEFT + scale * length_m
