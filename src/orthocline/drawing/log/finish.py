"""The place to tap: rings round the cup, to scale, the golfer's eye up."""

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.log import Finish
from orthocline.drawing.labels import Room, Wanted, dots_along, place_labels
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Group,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Words,
    box,
    spots_of,
)
from orthocline.drawing.ticks import ticks
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording

SIZE = 600.0
MIDDLE = Spot(SIZE / 2, SIZE / 2)
MARGIN = 26.0
FOOT = Spot(MIDDLE.x, SIZE - 4.0)
"""Where the ball comes from."""
SPANS: Mapping[str, tuple[int, ...]] = {"ft": (3, 6, 15, 40), "m": (1, 2, 5, 12)}
"""How far from the hole the edge of the drawing may be, by the golfer's unit."""
MOST_RINGS = 5
LEAST_HOLE = 4.0
ROOM = Room(left=4.0, right=SIZE - 4.0, top=34.0, bottom=566.0)
ROUND = [math.radians(10.0 * i) for i in range(37)]


@dataclass(frozen=True)
class Target:
    """The drawing to tap on, and how far from the hole its edge is and may be, in the golfer's unit.

    The scene's data are the hole's place and how many units an inch or centimetre is.
    """

    scene: Scene
    span: int
    spans: tuple[int, ...]


def target(finish: Finish | None, asked_span: str, wording: Wording) -> Target:
    """Return the drawing round the cup; without a wish, wide enough for the finish, else the nearest."""
    spans = SPANS[wording.units.far]
    span = int(asked_span) if asked_span in map(str, spans) else _span_for(finish, spans, wording)
    scale = (MIDDLE.x - MARGIN) / (span * wording.units.far_m)
    at = Spot(MIDDLE.x + finish.across_m * scale, MIDDLE.y - finish.along_m * scale) if finish else None
    rings = [(mark, mark * wording.units.far_m * scale) for mark in ticks(0.0, span, MOST_RINGS)[1:]]
    hole = max(HOLE_RADIUS_M * scale, LEAST_HOLE)
    items = [
        Area(box(0.0, 0.0, SIZE, SIZE), fill=Fill.GROUND),
        *_ring_items(rings, at, wording),
        Line(spots_of(FOOT, (MIDDLE.x, MIDDLE.y + hole)), Sign.INK, 1.5, "0.1 6"),
        Disc(MIDDLE, hole, Sign.INK, name="hole"),
        Words("↓ your ball", Spot(10.0, 588.0), Sign.QUIET),
        Words("↑ past the hole", Spot(10.0, 26.0), Sign.QUIET),
        _finish_item(at),
    ]
    says = f"The cup and {span} {wording.units.far} round it, as you face the hole"
    data = {"middle": MIDDLE.x, "foot": FOOT.y, "per-near": wording.units.near_m * scale}
    return Target(Scene("target", SIZE, SIZE, says, tuple(items), data), span, spans)


def _ring_items(rings: Sequence[tuple[float, float]], at: Spot | None, wording: Wording) -> Iterator[Item]:
    """Yield circles round the hole, each with its distance clear of the finish."""
    for _, radius in rings:
        yield Disc(MIDDLE, radius, Sign.EDGE, None, 1.2, name="ring")
    circles = [
        spots_of(*[(MIDDLE.x + r * math.sin(turn), MIDDLE.y - r * math.cos(turn)) for turn in ROUND])
        for _, r in rings
    ]
    lines = [*circles, spots_of(FOOT, at or MIDDLE), spots_of(FOOT, MIDDLE)]
    wanted = [
        Wanted(f"{tidy(mark)} {wording.units.far}", Spot(*circle[4].tolist()), "near")
        for (mark, _), circle in zip(rings, circles, strict=True)
    ]
    for label in place_labels(wanted, dots_along(lines, spots_of(MIDDLE)), ROOM):
        yield from label.items


def _finish_item(at: Spot | None) -> Item:
    """Return where the ball rested with its way there; hidden while it is not known."""
    end = at or MIDDLE
    items = Line(spots_of(FOOT, end), Sign.REAL, 2.0), Disc(end, 9.0, Sign.REAL, name="finish-dot")
    return Group(items, name="finish", hidden=at is None)


def _span_for(finish: Finish | None, spans: tuple[int, ...], wording: Wording) -> int:
    away = max(abs(finish.along_m), abs(finish.across_m)) / wording.units.far_m if finish else 0.0
    return next((span for span in spans if away <= span), spans[-1])
