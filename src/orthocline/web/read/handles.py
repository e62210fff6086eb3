"""What can be dragged in the drawing of a read."""

import math
from collections.abc import Mapping
from typing import NamedTuple

from orthocline.core.instruments import Gives
from orthocline.core.roll import Read, RollPast
from orthocline.drawing.ground.readings import reading_spot, tip_spot
from orthocline.drawing.roll.plan import HEIGHT, WIDTH, Plan
from orthocline.drawing.scene import Spot
from orthocline.web.shared.places_view import PlacesView
from orthocline.web.shared.read_request import ReadRequest


class Handle(NamedTuple):
    """Something that can be dragged: what it says and is now, and where it lies in percent of the drawing."""

    says: str
    now: float
    left: float
    top: float


def handles_of(
    solved: Read, drawn: Plan, read: ReadRequest, shown: Mapping[str, str], places: PlacesView
) -> dict[str, Handle]:
    """Return the ball, the fall or its readings, and the roll-past; the impression while the read waits."""
    putt, handles = solved.putt, {"ball": _handle(shown["length"], solved.putt.length_m, drawn.ball)}
    if places.marks is None and not places.on_green:
        says = f"{shown['side']} falling {shown['falls']}"
        handles["fall"] = _handle(says, drawn.fall_deg % 360, drawn.fall_knob)
    else:
        handles |= _reading_handles(solved, drawn, places)
    if read.hidden:
        right = read.impression_m or 0.0
        says = shown.get("impression", "at the hole")
        handles["aim"] = _handle(says, right, drawn.frame.spot(0.0, right))
    elif isinstance(putt.pace, RollPast) and solved.aim.past_m is not None:
        handles["past"] = _handle(shown["past"], putt.pace.past_m, drawn.rest)
    return handles


def _reading_handles(solved: Read, drawn: Plan, places: PlacesView) -> dict[str, Handle]:
    """Return a handle at each reading, and at the tip of those that are an arrow."""
    found, readings = {}, places.marks.readings if places.marks else ()
    for i, (one, where) in enumerate(zip(readings, places.wheres, strict=True)):
        at, tip = (spot(one, solved.putt, drawn.frame) for spot in (reading_spot, tip_spot))
        found[f"spot-{i}"] = _handle(where, 100.0 * one.at, at)
        if one.gives in (Gives.WAY, Gives.ARROW, Gives.FIRST):
            found[f"tip-{i}"] = _handle(where, math.degrees(one.toward_rad) % 360, tip)
    return found


def _handle(says: str, now: float, at: Spot) -> Handle:
    return Handle(says, round(now, 2), round(100 * at.x / WIDTH, 1), round(100 * at.y / HEIGHT, 1))
