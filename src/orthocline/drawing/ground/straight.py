"""The dial round the hole: where the straight putt begins, and what each hour breaks; the golfer's eye up."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final, NamedTuple

from orthocline.core.calls import Dial
from orthocline.core.roll import Putt
from orthocline.core.sure import Fall
from orthocline.core.units import HOUR_RAD
from orthocline.drawing.frame import Frame
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Words,
    arrowhead,
    box,
    diamond,
    spots_of,
)
from orthocline.wording.wording import Wording

SIZE: Final = 470.0
MIDDLE: Final = Spot(235.0, 235.0)
RADIUS: Final = 150.0
INNER, BESIDE, ABOVE = 128.0, 46.0, 34.0
"""How far in the fall line begins, and how far from the dial its hours stand, at its sides and above it."""
TICK, HOLE, BALL = 8.0, 7.0, 8.0
ARC_STEPS: Final = 24
WIDEST_RAD: Final = 0.5 * math.pi
STRAIGHT: Final = 6.0
"""The hour of the straight putt uphill."""
SQUARE: Final = (3, 9)
STRAIGHT_HOURS: Final = (6, 12)
"""From straight below and straight above a putt breaks nothing, but for grain."""


class DialSheet(NamedTuple):
    """The drawing, where the ball lies on it, and where the fall line ends, if there is one."""

    scene: Scene
    ball: Spot
    fall: Spot | None


def dial_sheet(
    putt: Putt, fall: Fall, dial: Dial | None, wording: Wording, says: str, turn_rad: float = 0.0
) -> DialSheet:
    """Return the dial of a putt, true to scale, the ball below the hole as the golfer sees it.

    Parameters
    ----------
    putt : Putt
        The putt.
    fall : Fall
        How the ground falls and how sure that is.
    dial : Dial or None
        Its hours; none on level ground.
    says : str
        The picture in words.
    turn_rad : float
        How far clockwise the drawing is turned, while the ball is dragged round the hole.
    """
    frame = Frame(RADIUS / putt.length_m, MIDDLE.x, MIDDLE.y, math.degrees(turn_rad))
    ball = frame.spot(-putt.length_m, 0.0)
    hours = _Hours(dial, turn_rad) if dial else None
    items: list[Item] = [
        Area(box(0.0, 0.0, SIZE, SIZE), fill=Fill.GROUND),
        Disc(MIDDLE, RADIUS, Sign.EDGE, None, 1.4, name="dial"),
        Words("your ball below, your eye up", Spot(8.0, 22.0), Sign.QUIET),
        Words("↑ putted uphill  ↓ downhill", Spot(8.0, SIZE - 8.0), Sign.FALL),
    ]
    if hours:
        items += [*_unsure(fall, hours), *_fall_line(hours), *_hours(hours, wording), *_walk(hours, ball)]
    items += [*_own(putt, dial, frame, ball), Disc(MIDDLE, HOLE, Sign.INK, name="hole")]
    data = {"scale": frame.scale, "hole-x": MIDDLE.x, "hole-y": MIDDLE.y}
    foot = hours.spot(STRAIGHT, INNER) if hours else None
    return DialSheet(Scene("dial-sheet", SIZE, SIZE, says, tuple(items), data), ball, foot)


@dataclass(frozen=True)
class _Hours:
    """Where the hours of a dial lie on the sheet, turned so far clockwise."""

    dial: Dial
    turn_rad: float

    def spot(self, hour: float, radius: float = RADIUS) -> Spot:
        """Return the place of an hour so far from the hole."""
        turn = HOUR_RAD * (hour - self.dial.hour) + self.turn_rad
        x, y = MIDDLE.x - radius * math.sin(turn), MIDDLE.y + radius * math.cos(turn)
        return Spot(round(x, 1), round(y, 1))

    def letters(self, hour: float) -> Spot:
        """Return where the words of an hour stand, clear of the dial."""
        at = self.spot(hour)
        x, y = (at.x - MIDDLE.x) / RADIUS, (at.y - MIDDLE.y) / RADIUS
        return Spot(round(at.x + BESIDE * x, 1), round(at.y + ABOVE * y, 1))


def _unsure(fall: Fall, hours: _Hours) -> Iterator[Item]:
    """Yield the part of the dial in which the straight putt begins (95 %)."""
    within = min(fall.within_rad, WIDEST_RAD)
    if within < math.radians(0.5):
        return
    to_side = [within / HOUR_RAD * (2.0 * i / ARC_STEPS - 1.0) for i in range(ARC_STEPS + 1)]
    spots = spots_of(MIDDLE, *(hours.spot(STRAIGHT + by) for by in to_side))
    yield Area(spots, Sign.UNSURE, Fill.HATCHED, 1.2, name="unsure")


def _fall_line(hours: _Hours) -> Iterator[Item]:
    """Yield the way water runs through the hole."""
    top, foot = hours.spot(12.0, INNER), hours.spot(STRAIGHT, INNER)
    way = (foot.x - top.x) / (2.0 * INNER), (foot.y - top.y) / (2.0 * INNER)
    yield Line(spots_of(top, foot), Sign.FALL, 2.4, name="fall-line")
    for share in (0.25, 0.8):
        tip = Spot(top.x + 2.0 * INNER * share * way[0], top.y + 2.0 * INNER * share * way[1])
        yield Area(arrowhead(tip, way, 15.0, 6.5), Sign.FALL)


def _hours(hours: _Hours, wording: Wording) -> Iterator[Item]:
    """Yield the hours, each with what a putt from there breaks."""
    for hour, aim in enumerate(hours.dial.aims_m, start=1):
        yield Line(spots_of(hours.spot(hour, RADIUS - TICK), hours.spot(hour, RADIUS + TICK)), Sign.INK, 2.0)
        at = hours.letters(hour)
        yield Words(f"{hour} h{_half(hour)}", Spot(at.x, at.y - 4.0), Sign.FALL, "middle")
        breaks = _breaks(hour, aim, wording)
        yield Words(breaks, Spot(at.x, at.y + 17.0), Sign.INK, "middle")


def _half(hour: int) -> str:
    """Return whether a putt from an hour goes up or down; square across it does neither."""
    if hour in SQUARE:
        return ""
    return " ↑" if SQUARE[0] < hour < SQUARE[1] else " ↓"


def _breaks(hour: int, aim_m: float | None, wording: Wording) -> str:
    if aim_m is None:
        return "–"
    return "straight" if hour in STRAIGHT_HOURS and abs(aim_m) < wording.least_m else wording.short(aim_m)


def _walk(hours: _Hours, ball: Spot) -> Iterator[Item]:
    """Yield the way from the ball to where the straight putt begins, and that putt."""
    straight = hours.spot(STRAIGHT)
    yield Line(spots_of(ball, straight), Sign.DO, 2.0, "7 5", name="walk")
    yield Line(spots_of(straight, MIDDLE), Sign.DO, 2.6, name="straight-putt")
    yield Disc(straight, BALL, Sign.DO, Fill.OPEN, 2.6, name="straight")


def _own(putt: Putt, dial: Dial | None, frame: Frame, ball: Spot) -> Iterator[Item]:
    """Yield the own putt: the line to the hole, and where it is aimed."""
    yield Line(spots_of(ball, MIDDLE), Sign.INK, 1.6, "0.1 6", name="ball-hole")
    if dial and dial.own_aim_m is not None and abs(dial.own_aim_m) < putt.length_m:
        aim = frame.spot(0.0, dial.own_aim_m)
        yield Line(spots_of(ball, aim), Sign.DO, 1.6, name="aim-line")
        yield Area(diamond(aim, 7.0), Sign.DO, Fill.OPEN, 2.2, name="aim")
    yield Disc(ball, BALL, Sign.INK, Fill.OPEN, 2.4, name="ball")
