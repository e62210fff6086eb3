"""The dial that shows which way the ground falls, in the corner of a sheet."""

import math
from collections.abc import Iterator

from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Item,
    Line,
    Sign,
    Spot,
    Words,
    arrowhead,
    spots_of,
)

DIAL, RADIUS = Spot(586.0, 548.0), 36.0
REACH = 26.0
"""How far the arrow reaches behind the middle."""
HEAD = 16.0


def dial_spot(fall_deg: float, radius: float = RADIUS) -> Spot:
    """Return the place on the dial toward which the ground falls [deg], clockwise from up."""
    angle = math.radians(fall_deg)
    return Spot(DIAL.x + radius * math.sin(angle), DIAL.y - radius * math.cos(angle))


def dial_items(fall_deg: float | None) -> Iterator[Item]:
    """Yield the dial with its arrow down the slope [deg], or a level stroke for None."""
    yield Disc(DIAL, RADIUS, Sign.FALL, Fill.OPEN, 1.2, name="dial")
    if fall_deg is None:
        yield Line(spots_of((DIAL.x - 18.0, DIAL.y), (DIAL.x + 18.0, DIAL.y)), Sign.FALL, 3.0)
    else:
        way = math.sin(math.radians(fall_deg)), -math.cos(math.radians(fall_deg))
        yield Line(spots_of(dial_spot(fall_deg, -REACH), dial_spot(fall_deg, REACH)), Sign.FALL, 3.0)
        yield Area(arrowhead(dial_spot(fall_deg, RADIUS + 2.0), way, HEAD, 7.0), Sign.FALL)
    yield Words(
        "level" if fall_deg is None else "fall line", Spot(DIAL.x, DIAL.y + 58.0), Sign.FALL, "middle"
    )
