"""Balls on a putt whose slope is hidden: where they rolled and rest, and what it was once it is shown."""

from collections.abc import Iterator, Sequence
from typing import Final

import numpy as np

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.roll import OwnRoll, Read
from orthocline.drawing.frame import Frame, fit
from orthocline.drawing.ground.uneven import uneven_items
from orthocline.drawing.roll.hole_frame import hole_frame, line_from_ball, way_spots
from orthocline.drawing.scene import Area, Disc, Fill, Item, Line, Scene, Sign, Spot, Words, box

WIDTH, HEIGHT = 520.0, 520.0
TOP, TALL, WIDE = 60.0, 410.0, 400.0
LEAST_HOLE, BALL = 6.0, 6.0
FAR_M: Final = 4.0
"""A ball that rests further off is drawn no further."""


def balls_drawing(solved: Read, rolls: Sequence[OwnRoll], says: str, *, shown: bool) -> Scene:
    """Return the balls from above, the hole on top; with the ground and the model's way if `shown`."""
    return Scene("balls", WIDTH, HEIGHT, says, tuple(_items(solved, rolls, shown=shown)))


def _frame(solved: Read, rolls: Sequence[OwnRoll]) -> Frame:
    places = [(0.0, 0.0), (-solved.putt.length_m, 0.0), (0.3, 0.3), (0.3, -0.3)]
    for one in rolls:
        near = np.clip((one.finish_along_m, one.finish_right_m), -FAR_M, FAR_M)
        places.append((float(near[0]), float(near[1])))
    return fit(np.array(places), width=WIDE, height=TALL, center_x=0.5 * WIDTH, top=TOP)


def _items(solved: Read, rolls: Sequence[OwnRoll], *, shown: bool) -> Iterator[Item]:
    putt, frame = solved.putt, _frame(solved, rolls)
    sheet = box(0.0, 0.0, WIDTH, HEIGHT)
    yield Area(sheet, fill=Fill.GROUND, name="sheet")
    if shown:
        yield from uneven_items(putt, frame, sheet)
    yield Line(line_from_ball(putt, (0.0, 0.0), frame), Sign.INK, 1.6, "0.1 6", name="ball-hole")
    yield Disc(frame.hole, max(frame.scale * HOLE_RADIUS_M, LEAST_HOLE), Sign.INK, name="hole")
    if shown:
        yield Line(way_spots(putt, solved.path[:, 1:3], frame), Sign.INK, 2.6, name="path")
        aim = solved.aim_right_m
        if aim is not None:
            yield Line(line_from_ball(putt, (0.0, aim), frame), Sign.DO, 2.0, name="aim-line")
    for number, one in enumerate(rolls, start=1):
        rows = one.track.even_times(0.0, one.track.duration_s, 40)
        end = one.capture.drops
        spots = way_spots(putt, rows[:, 1:3], frame)
        if end:
            away = np.hypot(*np.array(hole_frame(putt, rows[:, 1:3])))
            spots = spots[: int(away.argmin()) + 1]
        yield Line(spots, Sign.REAL, 1.6, "5 3", name="rolled")
        rest = Spot(*spots[-1].tolist())
        yield Disc(rest, BALL, Sign.REAL, name="rest")
        yield Words(str(number), Spot(rest.x + 10.0, rest.y - 8.0), Sign.REAL)
    yield Disc(frame.spot(-putt.length_m, 0.0), BALL, Sign.INK, Fill.OPEN, 2.2, name="ball")
