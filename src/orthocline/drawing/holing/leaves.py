"""What a miss leaves: where the misses of either side stop round the hole, to scale."""

from collections.abc import Iterator, Sequence

import numpy as np

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.holing import Leave, Outlook
from orthocline.drawing.frame import Frame, fit
from orthocline.drawing.ground.hachures import clockwise_from_up
from orthocline.drawing.labels import Room, Wanted, ink_of, place_labels
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Spots,
    Words,
    arrowhead,
    box,
    spots_of,
)
from orthocline.wording.holing.leaves import leave_length, side_name
from orthocline.wording.wording import Wording

WIDTH, HEIGHT = 360.0, 300.0
MARGIN, LEAST_HOLE = 56.0, 4.0
SHOWN = 128
"""So many of the tries are drawn; the furthest tenth need not be seen."""
NEAR_PERCENT = 90.0
LEAST_M = 0.3
ROOM = Room(6.0, WIDTH - 6.0, 18.0, HEIGHT - 8.0)


def leaves_drawing(outlook: Outlook, wording: Wording) -> Scene:
    """Return where misses stop, seen from the ball: dots, and the middle of those on either side."""
    ends = outlook.chances.ends
    missed = ends.rests[~ends.drops & ~np.isnan(ends.rests[:, 0])]
    frame = _frame(missed)
    hole = Disc(frame.hole, max(frame.scale * HOLE_RADIUS_M, LEAST_HOLE), Sign.INK, name="hole")
    middles = [item for one in _sides(outlook) for item in _middle(one[0], frame)]
    ground = Area(box(0.0, 0.0, WIDTH, HEIGHT), fill=Fill.GROUND)
    items = [ground, *_misses(missed, frame), *_fall(outlook), hole, *middles]
    items += _labels(outlook, frame, [hole, *middles], wording)
    return Scene("leaves", WIDTH, HEIGHT, "Where misses stop round the hole, your eye up", tuple(items))


def _sides(outlook: Outlook) -> list[tuple[Leave, bool]]:
    """Return what the misses of each side leave, and whether it is the right one."""
    leaves = outlook.leaves
    return [(one, right) for one, right in ((leaves.right, True), (leaves.left, False)) if one]


def _frame(missed: Spots) -> Frame:
    away = np.hypot(*missed.T)
    near = missed[away <= np.percentile(away, NEAR_PERCENT)] if len(missed) else missed
    spots = np.vstack([near, LEAST_M * np.array([(1, 1), (-1, -1)])])
    return fit(spots, width=WIDTH - MARGIN, height=HEIGHT - MARGIN, center_x=0.5 * WIDTH, top=0.5 * MARGIN)


def _misses(missed: Spots, frame: Frame) -> Iterator[Item]:
    for beyond, right in missed[:SHOWN].tolist():
        at = frame.spot(beyond, right)
        if 0.0 < at.x < WIDTH and 0.0 < at.y < HEIGHT:
            yield Disc(at, 2.4, Sign.REAL, name="miss")


def _labels(outlook: Outlook, frame: Frame, drawn: Sequence[Item], wording: Wording) -> Iterator[Item]:
    high_right, wanted = outlook.leaves.high_right, []
    for one, right in _sides(outlook):
        name = side_name(right=right, high_right=high_right).lower()
        at = frame.spot(one.beyond_m, one.right_m)
        wanted.append(Wanted(f"{name}: {leave_length(one, wording)}", at, "near", Sign.INK))
    for label in place_labels(wanted, ink_of(drawn), ROOM):
        yield from label.items


def _middle(leave: Leave, frame: Frame) -> Iterator[Item]:
    at = frame.spot(leave.beyond_m, leave.right_m)
    yield Line(spots_of(at, frame.hole), Sign.INK, 1.4, "4 4")
    yield Disc(at, 6.0, Sign.REAL, name="middle")


def _fall(outlook: Outlook) -> Iterator[Item]:
    """Yield the way water runs at the hole, in a corner."""
    putt = outlook.putt
    if abs(putt.grade) + abs(putt.side_tilt_right) == 0.0:
        return
    turn = np.radians(clockwise_from_up(putt.grade, putt.side_tilt_right))
    way = float(np.sin(turn)), -float(np.cos(turn))
    middle, reach = Spot(WIDTH - 30.0, HEIGHT - 48.0), 20.0
    tip = Spot(middle.x + reach * way[0], middle.y + reach * way[1])
    yield Line(spots_of((middle.x - reach * way[0], middle.y - reach * way[1]), tip), Sign.FALL, 2.0)
    yield Area(arrowhead(tip, way, 10.0, 4.0), Sign.FALL)
    yield Words("falls", Spot(middle.x, HEIGHT - 10.0), Sign.FALL, "middle")
