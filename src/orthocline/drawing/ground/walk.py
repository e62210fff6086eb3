"""The walk on a small plan: the stops, the golfer's own place, the line not to step on, what was noted."""

import math
from collections.abc import Iterator, Sequence

import numpy as np

from orthocline.core.ground import Stop
from orthocline.core.roll import Putt, Read
from orthocline.core.sure import Sureness
from orthocline.drawing.frame import Frame, fit
from orthocline.drawing.ground.readings import Marks, reading_layer
from orthocline.drawing.ground.uneven import uneven_items
from orthocline.drawing.labels import Room, Wanted, ink_of, place_labels
from orthocline.drawing.roll.hole_frame import way_spots
from orthocline.drawing.scene import Area, Disc, Fill, Item, Line, Scene, Sign, Spot, Words, box, spots_of
from orthocline.drawing.sure.band import band_items
from orthocline.wording.wording import Wording

WIDTH, HEIGHT = 360.0, 330.0
TOP, BOTTOM, MIDDLE, COLUMN = 62.0, 272.0, 180.0, 150.0
ROOM = Room(left=6.0, right=354.0, top=18.0, bottom=326.0)
FARTHEST_ASIDE, FARTHEST_BEHIND = 130.0, 34.0
"""Stops further off stand so far off on the sheet."""
NEAREST_ASIDE = 54.0
SHOE, SHOE_HALF, APART = 9.0, 3.6, 5.5
RING = 9.0


def walk_scene(
    putt: Putt,
    read: Read | None,
    marks: Marks | None,
    stops: Sequence[Stop],
    here: int,
    wording: Wording,
    says: str,
    sure: Sureness | None = None,
) -> Scene:
    """Return the plan of a walk.

    Parameters
    ----------
    read : Read or None
        The read by what was noted so far, if it can be read.
    stops : sequence of Stop
        In the order of the walk.
    here : int
        The one where the golfer stands.
    says : str
        The picture in words.
    """
    frame = _frame(putt, read)
    readings = reading_layer(marks, putt, frame, wording) if marks else None
    ground = box(0.0, 0.0, WIDTH, HEIGHT)
    below = [Area(ground, fill=Fill.GROUND), *uneven_items(putt, frame, ground)]
    items: list[Item] = []
    if sure and sure.range:
        items += band_items(putt, sure.range, frame)
    items.append(
        Line(spots_of(frame.spot(-putt.length_m, 0.0), frame.hole), Sign.INK, 1.6, "0.1 6", name="ball-hole")
    )
    items += readings.items if readings else ()
    items += _way(putt, read, frame) if read else ()
    items += [
        Disc(frame.hole, 6.0, Sign.INK, name="hole"),
        Disc(frame.spot(-putt.length_m, 0.0), 6.0, Sign.INK, Fill.OPEN, 2.2, name="ball"),
    ]
    places = [_stand(one, putt, frame) for one in stops]
    items += [item for i, at in enumerate(places) for item in _stop(i, at, here=i == here)]
    wanted = [
        *(readings.labels if readings else ()),
        Wanted("you", places[here], "near", Sign.INK, needed=False),
    ]
    labels = place_labels(wanted, ink_of(items), ROOM)
    return Scene(
        "walk", WIDTH, HEIGHT, says, (*below, *items, *(item for label in labels for item in label.items))
    )


def _frame(putt: Putt, read: Read | None) -> Frame:
    right = [0.0, read.aim_right_m or 0.0] if read else [0.0, 0.0]
    spots = np.array([[-putt.length_m, right[0]], [0.0, right[1]]])
    return fit(spots, width=COLUMN, height=BOTTOM - TOP, center_x=MIDDLE, top=TOP)


def _way(putt: Putt, read: Read, frame: Frame) -> Iterator[Item]:
    """Yield the ball's way, and the line on which it starts."""
    yield Line(way_spots(putt, read.path[:, 1:3], frame)[::4], Sign.INK, 2.4, name="path")
    if read.aim_right_m is not None:
        aim = frame.spot(0.0, read.aim_right_m)
        yield Line(spots_of(frame.spot(-putt.length_m, 0.0), aim), Sign.DO, 1.6, name="aim-line")


def _stand(stop: Stop, putt: Putt, frame: Frame) -> Spot:
    """Return where one stands on the sheet: on the low side, and never on the line, however long the putt."""
    low = 1.0 if putt.side_tilt_right >= 0.0 else -1.0
    along = frame.spot((stop.at - 1.0) * putt.length_m, 0.0)
    aside = min(max(frame.scale * stop.aside_m, NEAREST_ASIDE), FARTHEST_ASIDE) if stop.aside_m else 0.0
    behind = math.copysign(FARTHEST_BEHIND, stop.behind_m) if stop.behind_m else 0.0
    return Spot(along.x + low * aside, along.y - behind)


def _stop(i: int, at: Spot, *, here: bool) -> Iterator[Item]:
    """Yield a stop: its number in a ring, or two shoes where the golfer stands."""
    if not here:
        yield Disc(at, RING, Sign.QUIET, Fill.OPEN, 1.4, name="stop")
        yield Words(str(i + 1), Spot(at.x, at.y + 5.0), Sign.QUIET, "middle")
        return
    for side in (-APART, APART):
        x, y = at.x + side, at.y
        shoe = spots_of(
            (x - SHOE_HALF, y + SHOE),
            (x - SHOE_HALF, y - 4.0),
            (x, y - SHOE),
            (x + SHOE_HALF, y - 4.0),
            (x + SHOE_HALF, y + SHOE),
        )
        yield Area(shoe, Sign.INK, name="you")
