"""A putt through the golfer's eyes: everything that the plan says, in its true place."""

import math
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np

from orthocline.core.roll import Putt, Read
from orthocline.core.sight import Stand
from orthocline.drawing.calls import call_layers
from orthocline.drawing.calls.layer import Layer
from orthocline.drawing.labels import Room, Wanted, ink_of, label_box, place_labels
from orthocline.drawing.roll.hole_frame import line_from_ball
from orthocline.drawing.roll.way import OwnWay, Way, own_way, way_items, way_of
from orthocline.drawing.scene import (
    Area,
    Fill,
    Group,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    diamond,
)
from orthocline.drawing.sight.framing import SHAPES, Looking, PuttFacts, framed
from orthocline.drawing.sight.held import EyeSheet, fingers, shaft
from orthocline.drawing.sight.lie import Lie
from orthocline.drawing.sight.noted import noted_items
from orthocline.drawing.sight.putt import LEAST_BALL, ball_item, putt_items
from orthocline.drawing.sight.seen import seen_items
from orthocline.drawing.sight.sight import Sight
from orthocline.drawing.sure.band import band_items
from orthocline.drawing.sure.fan import fan_items, try_items
from orthocline.drawing.sure.next_mark import next_mark
from orthocline.wording.calls.saying import is_centre
from orthocline.wording.sight.looking import grid_m
from orthocline.wording.sure.ranges import blurred
from orthocline.wording.wording import Wording

CLEAR, BESIDE_STICK = 14.0, 6.0
"""Whole seconds of the way are marked from so far from the hole on; labels keep so far off the flagstick."""
HELD: dict[str, Callable[..., Layer]] = {"hand_gauge": fingers, "plumb_line": shaft}
"""Schools whose instrument is held up before the eye."""


@dataclass(frozen=True)
class Eyes:
    """The picture, and what can be taken hold of in it.

    Attributes
    ----------
    sight : Sight
    stand : Stand
    aim : Spot or None
        The mark of the aim that can be dragged; None where it is not seen on the sheet.
    aim_m : float
        That aim [m].
    hole_hidden, aim_hidden : bool
        Whether the ground hides the hole, or where to aim.
    """

    scene: Scene
    sight: Sight
    stand: Stand
    aim: Spot | None
    aim_m: float
    hole_hidden: bool
    aim_hidden: bool


def through_eyes(putt: Putt, facts: PuttFacts, looking: Looking, wording: Wording) -> Eyes:
    """Return a putt through the golfer's eyes."""
    sight, stand, reach = framed(putt, facts, looking)
    width, height = SHAPES[looking.shape]
    ground = list(Lie(sight, width, height, grid_m(wording), reach).items())
    noted = noted_items(facts.marks, sight) if facts.marks else ()
    under = list(
        seen_items((*_sure_items(putt, facts, sight), *noted, *putt_items(sight, flag=looking.flag)))
    )
    # From beside the line labels lie about it, and keep off the skyline too.
    ink = [*under, *(one for one in ground if looking.stop.aside_m and one.name == "skyline")]
    items = [
        *ground,
        *under,
        *(_read_items(facts.read, facts, looking, sight, ink, wording) if facts.read else ()),
        *(() if facts.read else _impression(putt, facts, sight)),
        ball_item(sight, "ball"),
        ball_item(sight, "rolling"),
    ]
    aim_m = _aim_m(facts)
    mark = sight.spot(0.0, aim_m)
    hidden, on_sheet = math.isnan(mark.x), 0.0 <= mark.x <= width and 0.0 <= mark.y <= height
    data = {"focal": sight.focal, "per-m": _per_m(sight, aim_m)}
    scene = Scene("eyes", width, height, f"Through your eyes. {facts.says}", tuple(seen_items(items)), data)
    hole_hidden = math.isnan(sight.spot(0.0, 0.0).x)
    return Eyes(scene, sight, stand, mark if on_sheet else None, aim_m, hole_hidden, hidden)


def _aim_m(facts: PuttFacts) -> float:
    """Return the aim that can be dragged [m]: a first impression, an own read, or else the read's."""
    own = facts.rolls.get("your read")
    if facts.read is None:
        return facts.impression_m or 0.0
    return own.aim_right_m if own else facts.read.aim_right_m or 0.0


def _per_m(sight: Sight, aim_m: float) -> float:
    """Return how many units to the right on the sheet a metre of aim to the right is."""
    ends = sight.lay(sight.eye.project(sight.ground(np.zeros(2), np.array([aim_m, aim_m + 0.01]))))
    return float(np.nan_to_num(ends[1, 0] - ends[0, 0])) / 0.01


def _sure_items(putt: Putt, facts: PuttFacts, sight: Sight) -> Iterator[Item]:
    """Yield the band of the aim's range, or the fan of start lines with candidates laid on it."""
    sure = facts.sure
    if sure and facts.tries_m is not None and sure.start_lines:
        yield from fan_items(putt, sure.start_lines, sight)
        yield from try_items(putt, facts.tries_m, sight)
    elif sure and sure.range:
        yield from band_items(putt, sure.range, sight)


def _read_items(
    read: Read, facts: PuttFacts, looking: Looking, sight: Sight, ink: Sequence[Item], wording: Wording
) -> Iterator[Item]:
    """Yield the read: the ball's way, the schools' layers, and labels that touch none of it."""
    sure, lit = facts.sure, facts.lit
    said = blurred(wording, read, sure.range if sure else None)
    sheet = EyeSheet(read, sight, said, facts.golfer)
    way = _way(read, sight)
    others = [own_way(read.putt, one, sight, says) for says, one in facts.rolls.items()]
    calls = list(call_layers(sheet, lit, HELD if looking.stop.behind_m < 0.0 else {}))
    layers = [layer for name, layer in calls if not lit or name == lit]
    layers += [next_mark(sheet, best) for best in (sure.next_readings[:1] if sure else ())]
    faint = tuple(seen_items(item for name, layer in calls if lit and name != lit for item in layer.items))
    drawn = list(
        seen_items((*way_items(way, others, LEAST_BALL), *(item for layer in layers for item in layer.items)))
    )
    if faint:
        yield Group(faint, name="faint")
    yield from drawn
    wanted = [*_wanted(sheet, others), *(one for layer in layers for one in layer.labels)]
    ball = seen_items([ball_item(sight, "ball")])
    yield from _labels(wanted, [*drawn, *faint, *_edges(ink), *ball], looking)


def _edges(items: Sequence[Item]) -> Iterator[Item]:
    """Yield things, an area of what is not sure by its edge: labels stand beside it or within.

    The flagstick is wider for them than it is drawn.
    """
    for item in items:
        if isinstance(item, Area) and item.sign is Sign.UNSURE:
            yield Line(np.vstack([item.spots, item.spots[:1]]), item.sign, item.width)
            continue
        yield item
        if isinstance(item, Line) and item.name == "flagstick":
            aside = np.array([BESIDE_STICK, 0.0])
            yield from (replace(item, spots=item.spots + one) for one in (-aside, aside))


def _way(read: Read, sight: Sight) -> Way:
    """Return the ball's way with its whole seconds, but for those at the hole: there they are too close."""
    way = way_of(read.putt, read, sight)
    pairs = way.seconds.reshape(-1, 2, 2)
    clear = np.hypot(*(pairs.mean(axis=1) - sight.hole).T) > CLEAR
    return replace(way, ticks=np.empty((0, 2)), seconds=pairs[clear].reshape(-1, 2))


def _labels(wanted: Sequence[Wanted], ink: Sequence[Item], looking: Looking) -> Iterator[Item]:
    """Yield labels of what is seen on the sheet; one that fits nowhere is left out."""
    width, height = SHAPES[looking.shape]
    room = Room(left=6.0, right=width - 6.0, top=16.0, bottom=height - 4.0)
    there = [one for one in wanted if 0.0 <= one.at.x <= width and 0.0 <= one.at.y <= height]
    if looking.stop.aside_m:
        there = [replace(one, side="near") for one in there]
    for label in place_labels([replace(one, needed=False) for one in there], ink_of(ink), room):
        box = label_box(label, room.size)
        if box.left >= room.left and box.right <= room.right:
            yield from label.items


def _wanted(sheet: EyeSheet, others: Sequence[OwnWay]) -> Iterator[Wanted]:
    """Yield the labels of ball, aim and own aims; the schools' layers bring their own."""
    aim = sheet.read.aim_right_m
    if aim is not None:
        figure = "the centre" if is_centre(aim, sheet.wording) else sheet.wording.aside(aim)
        yield Wanted(f"aim {figure}", sheet.frame.spot(0.0, aim), "near", Sign.DO)
    yield Wanted("your ball", ball_item(sheet.frame, "ball").at, "right", needed=False)
    for one in others:
        yield Wanted(one.says, one.mark, sheet.outside, Sign.REAL, needed=False)


def _impression(putt: Putt, facts: PuttFacts, sight: Sight) -> Iterator[Item]:
    """Yield the mark that a golfer drags before the read is shown, and the line to it once it was dragged."""
    right = facts.impression_m
    if right is not None:
        yield Line(line_from_ball(putt, (0.0, right), sight), Sign.DO, 2.4, name="impression-line")
    yield Area(diamond(sight.spot(0.0, right or 0.0), 9.0), Sign.DO, Fill.OPEN, 2.4, name="impression")
