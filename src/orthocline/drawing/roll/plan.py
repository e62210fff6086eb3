"""The plan of a putt: to scale, the golfer's eye up, with its dimensions."""

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from orthocline.core.calls import USUAL_GOLFER, GolferFigures
from orthocline.core.constants import BALL_RADIUS_M, HOLE_RADIUS_M
from orthocline.core.ground import Plane
from orthocline.core.roll import OwnRoll, Putt, Read
from orthocline.core.sure import AimRange, Sureness
from orthocline.drawing.calls import PuttSheet, call_layers, reach_of
from orthocline.drawing.calls.layer import Layer
from orthocline.drawing.frame import Frame, fit
from orthocline.drawing.ground.dial import DIAL, dial_items, dial_spot
from orthocline.drawing.ground.hachures import clockwise_from_up, hachures
from orthocline.drawing.ground.readings import Marks, reading_layer
from orthocline.drawing.ground.uneven import uneven_items
from orthocline.drawing.labels import LabelSide, Room, Wanted, ink_of, place_labels
from orthocline.drawing.lettering import ON_PHONE
from orthocline.drawing.roll.hole_frame import hole_frame
from orthocline.drawing.roll.way import OwnWay, Way, aim_dimension, own_way, way_items, way_of
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Group,
    Hachures,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Spots,
    Strokes,
    Words,
    arrowhead,
    diamond,
    spots_of,
)
from orthocline.drawing.sure.band import band_items
from orthocline.drawing.sure.fan import fan_items, try_items
from orthocline.drawing.sure.next_mark import next_mark
from orthocline.wording.sure.ranges import blurred
from orthocline.wording.wording import Wording

WIDTH, HEIGHT = 640.0, 620.0
TOP, BOTTOM = 96.0, 556.0
"""Heights on the sheet between which hole and ball are drawn."""
COLUMN, CENTER = 330.0, 320.0
"""Width and middle of the column for the putt; the inputs stand beside it on a wide screen."""
ROOM = Room(150.0, 504.0, 118.0, 592.0, ON_PHONE, beside=(160.0, 480.0), open=540.0)
"""For labels: on a wide screen inputs stand on the right half-way up, and below them the dial."""
LEAST_HOLE, LEAST_BALL, LEAST_PLAYED = 5.0, 5.0, 7.0
"""Radii below which hole, ball and the ball to be played are not drawn, however long the putt."""
FALL_LINE = 60.0
"""How far the fall line is drawn from the hole."""
LABELLED_SECONDS = 3
CLEAR = 22.0
"""How far labels keep from the dimension line at the hole."""
FAR_M = 3.0
"""The own ball is drawn until so far from the putt's box of places."""
LENGTH_X = 140.0
"""Where the putt's length is dimensioned, beside its input."""
OUTLINE = spots_of(
    *((300, 10), (420, 2), (520, 60), (575, 150), (628, 240), (640, 360), (596, 462), (556, 556)),
    *((452, 612), (330, 612), (205, 614), (92, 566), (46, 462), (6, 366), (20, 240), (72, 150)),
    *((122, 62), (196, 16), (300, 10)),
)
"""The green's edge, as control points of cubic curves; not surveyed, and so not a thing to aim by."""


@dataclass(frozen=True)
class PlanSheet(PuttSheet):
    """A read on the plan."""

    frame: Frame


@dataclass(frozen=True)
class Plan:
    """The picture, and what can be taken hold of in it.

    Attributes
    ----------
    ball, hole, rest, fall_knob : Spot
        The ball, the hole, where the ball comes to rest beyond it, and the fall's place on its dial.
    fall_deg : float
        The way the ground falls on the sheet, clockwise from up.
    """

    scene: Scene
    frame: Frame
    ball: Spot
    hole: Spot
    rest: Spot
    fall_deg: float
    fall_knob: Spot


def plan(
    putt: Putt,
    read: Read | None,
    wording: Wording,
    rolls: Mapping[str, OwnRoll] | None = None,
    held: tuple[float, float, float, float] | None = None,
    says: str = "The putt, drawn to scale",
    sure: Sureness | None = None,
    tries_m: Sequence[float] | None = None,
    marks: Marks | None = None,
    golfer: GolferFigures = USUAL_GOLFER,
    lit: str = "",
    impression_m: float | None = None,
) -> Plan:
    """Return the plan of a putt, with its read unless that is still hidden.

    Parameters
    ----------
    rolls : mapping, optional
        Other launches that are rolled beside the read's, by what they are: ``your aim``.
    held : tuple of four float, or None
        Scale, hole x, hole y and turn of a drawing to keep still, while something is dragged; it has no
        labels then.
    says : str
        The putt in words.
    sure : Sureness, optional
        How far the read can be trusted: the band of its aim's range, and where to read the ground next.
    tries_m : sequence of float, optional
        The golfer's candidate lines [m]: with them the fan of start lines stands in the band's place.
    marks : Marks, optional
        Readings of the ground, drawn where they were made.
    golfer : GolferFigures
        Whose fingers, eyes and stroke the schools' layers show.
    lit : str
        The school whose layer is lit; the other layers are faint then.
    impression_m : float, optional
        The aim of a first impression [m], drawn while the read is hidden.
    """
    found = sure.range if sure else None
    reach = reach_of(read, golfer, lit) if read else None
    frame = Frame(*held) if held else _fit(putt, read, tuple((rolls or {}).values()), found, reach)
    fall = _fall_deg(putt) + frame.turn_deg
    way = way_of(putt, read, frame) if read else None
    others = [own_way(putt, one, frame, says) for says, one in (rolls or {}).items()]
    said = blurred(wording, read, found) if read else wording
    ground = hachures(putt.mean_plane.tilt, fall, frame.scale, frame.hole, wording)
    sheet = PlanSheet(read, frame, said, golfer) if read else None
    readings = reading_layer(marks, putt, frame, wording) if marks else None
    items = [
        *_ground_items(putt, frame, ground),
        *(() if held else _length_items(putt, frame)),
        *_sure_items(putt, sure, frame, tries_m),
        *(readings.items if readings else ()),
        *(_read_items(sheet, way, others, sure, readings, lit, held=bool(held)) if sheet and way else ()),
        *(() if read else _aim_to_be_given(putt, impression_m, frame)),
        *_hole_and_ball(putt, frame),
        *(() if held else (_rolling(putt, frame),)),
        *dial_items(fall if ground else None),
        Words(_foot(putt, ground), Spot(8.0, 612.0), Sign.FALL),
    ]
    data = {
        "scale": frame.scale,
        "hole-x": frame.hole_x,
        "hole-y": frame.hole_y,
        "turn": frame.turn_deg,
        "dial-x": DIAL.x,
        "dial-y": DIAL.y,
    }
    ball = frame.spot(-putt.length_m, 0.0)
    data |= {"ball-x": ball.x, "ball-y": ball.y} if marks else {}
    return Plan(
        Scene("plan", WIDTH, HEIGHT, says, tuple(items), data),
        frame,
        ball,
        frame.hole,
        way.rest if way else frame.hole,
        fall,
        dial_spot(fall),
    )


def _sure_items(
    putt: Putt, sure: Sureness | None, frame: Frame, tries_m: Sequence[float] | None
) -> Iterator[Item]:
    """Yield the band of the aim's range, or the fan of start lines with candidates laid on it."""
    if sure and tries_m is not None and sure.start_lines:
        yield from fan_items(putt, sure.start_lines, frame)
        yield from try_items(putt, tries_m, frame)
    elif sure and sure.range:
        yield from band_items(putt, sure.range, frame)


def _fall_deg(putt: Putt) -> float:
    return clockwise_from_up(putt.grade, putt.side_tilt_right)


def _fit(
    putt: Putt,
    read: Read | None,
    rolls: Sequence[OwnRoll],
    sure: AimRange | None,
    reach: Spots | None,
) -> Frame:
    beyond, right = [0.0, -putt.length_m], [0.0, 0.0]
    if reach is not None:
        beyond += reach[:, 0].tolist()
        right += reach[:, 1].tolist()
    if read:
        for rows in (read.path, read.path_past):
            along, across = hole_frame(putt, rows[:, 1:3])
            beyond += [float(along.min()), float(along.max())]
            right += [float(across.min()), float(across.max())]
        if read.aim_right_m is not None:
            beyond.append(0.0)
            right.append(read.aim_right_m)
    if sure and sure.aim_right_m:
        ends = (sure.aim_right_m.least, sure.aim_right_m.most)
        right += np.clip(ends, min(right) - FAR_M, max(right) + FAR_M).tolist()
        beyond += [0.0, 0.0]
    for one in rolls:
        beyond.append(0.0)
        right.append(float(np.clip(one.aim_right_m, min(right) - FAR_M, max(right) + FAR_M)))
    spots = np.column_stack([beyond, right])
    return fit(spots, width=COLUMN, height=BOTTOM - TOP, center_x=CENTER, top=TOP)


def _ball_radius(frame: Frame) -> float:
    return max(frame.scale * BALL_RADIUS_M, LEAST_BALL)


def _hole_radius(frame: Frame) -> float:
    return max(frame.scale * HOLE_RADIUS_M, LEAST_HOLE)


def _ground_items(putt: Putt, frame: Frame, ground: Hachures | None) -> Iterator[Item]:
    yield Area(OUTLINE, fill=Fill.GROUND, curved=True)
    if not isinstance(putt.surface, Plane):
        yield from uneven_items(putt, frame, OUTLINE[::3])
    elif ground:
        yield Area(OUTLINE, fill=ground, curved=True)
        yield Line(_fall_line(putt, frame), Sign.FALL, 1.6, "14 4 2 4", name="fall-line")


def _fall_line(putt: Putt, frame: Frame) -> Spots:
    """Return the fall line through the hole, from the high side to the low side."""
    reach, down = FALL_LINE / frame.scale, math.radians(_fall_deg(putt))
    low = frame.spot(reach * math.cos(down), reach * math.sin(down))
    high = frame.spot(-reach * math.cos(down), -reach * math.sin(down))
    return spots_of(high, low)


def _length_items(putt: Putt, frame: Frame) -> Iterator[Item]:
    """Yield the dimension of the putt's length, beside its input."""
    hole, ball = frame.hole, frame.spot(-putt.length_m, 0.0)
    out, back = LENGTH_X - 12.0, LENGTH_X + 12.0
    ends = [
        *((LENGTH_X, hole.y), (LENGTH_X, ball.y)),
        *((out, hole.y), (max(hole.x - _hole_radius(frame) - 8.0, back), hole.y)),
        *((out, ball.y), (max(ball.x - 16.0, back), ball.y)),
    ]
    yield Strokes(spots_of(*ends), Sign.QUIET, 1.2)
    yield Area(arrowhead(Spot(LENGTH_X, hole.y), (0.0, -1.0), 11.0, 4.0), Sign.QUIET)
    yield Area(arrowhead(Spot(LENGTH_X, ball.y), (0.0, 1.0), 11.0, 4.0), Sign.QUIET)


def _read_items(
    sheet: PlanSheet,
    way: Way,
    others: Sequence[OwnWay],
    sure: Sureness | None,
    readings: Layer | None,
    lit: str,
    *,
    held: bool,
) -> Iterator[Item]:
    """Yield the read: the ball's way, the schools' layers, and labels that touch none of it.

    While one school is lit the others are faint and without labels. While something is dragged there are no
    labels at all: they would jump about, and cost a fifth of the drawing.
    """
    putt, frame = sheet.putt, sheet.frame
    calls = list(call_layers(sheet, lit))
    layers = [layer for name, layer in calls if not lit or name == lit]
    if sure and not held:
        layers += [next_mark(sheet, best) for best in sure.next_readings[:1]]
    faint = [item for name, layer in calls if lit and name != lit for item in layer.items]
    drawn = [
        *way_items(way, others, _ball_radius(frame)),
        *(item for layer in layers for item in layer.items),
    ]
    if faint:
        yield Group(tuple(faint), name="faint")
    yield from drawn
    dimension: tuple[Item, ...] = ()
    if way.marked and not frame.turn_deg:
        dimension = tuple(aim_dimension(sheet.read, frame, sheet.wording, ink_of(drawn)))
    yield from dimension
    if held:
        return
    layers += [readings] if readings else []
    wanted = [label for layer in layers for label in layer.labels]
    drawn += readings.items if readings else ()
    lines = [
        Line(_fall_line(putt, frame), Sign.FALL, 1.6),
        *_hole_and_ball(putt, frame),
        *drawn,
        *faint,
        *dimension,
    ]
    room = replace(ROOM, ruled=(frame.hole_y, sheet.ball.y))
    for label in place_labels([*wanted, *_wanted(sheet, way, others)], ink_of(lines), room):
        yield from label.items


def _aim_to_be_given(putt: Putt, right_m: float | None, frame: Frame) -> Iterator[Item]:
    """Yield the mark that a golfer drags before the read is shown, and the line to it once it was dragged."""
    mark = frame.spot(0.0, right_m or 0.0)
    if right_m is not None:
        ball = frame.spot(-putt.length_m, 0.0)
        yield Line(spots_of(ball, mark), Sign.DO, 2.4, name="impression-line")
    yield Area(diamond(mark, 9.0), Sign.DO, Fill.OPEN, 2.4, name="impression")


def _hole_and_ball(putt: Putt, frame: Frame) -> Iterator[Item]:
    ball = frame.spot(-putt.length_m, 0.0)
    yield Line(spots_of(ball, frame.hole), Sign.INK, 1.6, "0.1 6", name="ball-hole")
    yield Disc(frame.hole, _hole_radius(frame), Sign.INK, name="hole")
    yield Disc(ball, max(_ball_radius(frame), LEAST_PLAYED), Sign.INK, Fill.OPEN, 2.2, name="ball")


def _rolling(putt: Putt, frame: Frame) -> Item:
    """Return the ball that rolls when that is asked."""
    ball = frame.spot(-putt.length_m, 0.0)
    return Disc(ball, LEAST_PLAYED, Sign.INK, Fill.OPEN, 2.2, name="rolling", hidden=True)


def _foot(putt: Putt, ground: Hachures | None) -> str:
    if not isinstance(putt.surface, Plane):
        return "your eye up · strokes downhill, heavier where steep"
    return f"your eye up · lines every {ground.interval} of fall" if ground else "your eye up"


def _wanted(sheet: PlanSheet, way: Way, others: Sequence[OwnWay]) -> Iterator[Wanted]:
    """Yield the labels of ball, clock and own aim; the schools' layers bring their own."""
    yield Wanted("your ball", way.ball, "right")
    middles = 0.5 * (way.seconds[::2] + way.seconds[1::2])
    for i, (x, y) in enumerate(middles[:LABELLED_SECONDS].tolist(), start=1):
        if abs(y - sheet.frame.hole_y) >= CLEAR:
            yield Wanted(f"{i} s", Spot(x, y), sheet.inside, Sign.INK, needed=False)
    for one in others:
        outside: LabelSide = "right" if one.mark.x > sheet.frame.hole_x else "left"
        below = Spot(one.mark.x, one.mark.y + CLEAR)
        yield Wanted(one.says, below, outside, Sign.REAL, needed=False)
