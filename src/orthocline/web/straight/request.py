"""What the straight putt is asked for: a read, its readings at the hole, and where the ball is put."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Final

from orthocline.core.account import UsualPasts
from orthocline.core.calls import dial_of
from orthocline.core.ground import Reading
from orthocline.core.instruments import FIRST_LOOK, Gives
from orthocline.core.roll import RANGES
from orthocline.core.sure import Source
from orthocline.web.shared.asked import Asked, asked
from orthocline.web.shared.placing import moved_of, nudged_of
from orthocline.web.shared.read_request import ReadRequest
from orthocline.web.shared.readings import Noted
from orthocline.wording.ground.dial import parse_place
from orthocline.wording.quantities import QuantityError
from orthocline.wording.wording import Wording

BALL_STEP_DEG, FALL_STEP_DEG = 3.0, 5.0
WAYS: Final = ("plate", "feet", "level")
"""How the fall is found at the hole: by its way alone, or by a reading across and one along."""
ACROSS_AND_ALONG: Final = 2


@dataclass(frozen=True)
class StraightAsked:
    """What is asked.

    Attributes
    ----------
    asked : Asked
        The read, with the ball where it was put.
    turn_deg : float
        How far round the drawing is while the ball is held.
    typed, error : str
        Where the ball was to be, and why that cannot be.
    """

    asked: Asked
    turn_deg: float = 0.0
    typed: str = ""
    error: str = ""

    @property
    def way(self) -> str:
        """How the fall is found; empty for the tilt and rise of the read."""
        read = self.asked.read
        if read is None:
            by = self.asked.typed.get("spot-0-by", "")
            return by if by in WAYS else ""
        if not read.noted:
            return ""
        readings = read.readings.plain
        if len(readings) == 1 and readings[0].gives is Gives.WAY:
            return "plate"
        instruments = [one.by for one in readings if one.at_hole]
        two_alike = len(readings) == len(instruments) == ACROSS_AND_ALONG and len(set(instruments)) == 1
        return instruments[0] if two_alike and instruments[0] in WAYS else "read"


def straight_of(
    arguments: Mapping[str, str], wording: Wording, start: Mapping[str, str], usual: UsualPasts | None
) -> StraightAsked:
    """Return what an address asks: a drag, a way to find the fall, or a place for the ball."""
    moved = moved_of(arguments)
    wanted = asked({**arguments, **_edits(arguments)}, wording, start, usual)
    if wanted.read is None:
        return StraightAsked(wanted)
    if arguments.get("by") in WAYS:
        return StraightAsked(_asked_as(wanted, found_by(wanted.read, arguments["by"])))
    nudged = nudged_of(arguments)
    if nudged and nudged.handle == "fall":
        return StraightAsked(_asked_as(wanted, _fall_nudged(wanted.read, nudged.right or nudged.up)))
    turn = moved.round_deg if moved and moved.held and moved.handle == "ball" else 0.0
    typed = arguments.get("ball", "").strip()
    if not typed or typed == arguments.get("ball_was", "").strip():
        return StraightAsked(wanted, turn)
    try:
        return StraightAsked(_asked_as(wanted, _put(wanted.read, typed)))
    except QuantityError as error:
        return StraightAsked(wanted, turn, typed, f"Your ball {error}.")


def found_by(read: ReadRequest, by: str) -> ReadRequest:
    """Return a read whose fall is found at the hole, as it falls so far; of the rest nothing is known."""
    putt, glance = read.asked_putt, Source(FIRST_LOOK)
    ahead, right = -putt.grade, putt.side_tilt_right
    toward = math.atan2(right, ahead) if math.hypot(ahead, right) > 0.0 else 0.5 * math.pi
    unit = read.wording.units.slope
    readings = [Reading(1.0, toward, None, by)]
    if by != "plate":
        readings = [
            Reading(1.0, math.copysign(0.5 * math.pi, right), _tenth(right), by),
            Reading(1.0, math.pi if ahead <= 0.0 else 0.0, _tenth(ahead), by),
        ]
    known = replace(read.known, side=glance, rise=glance)
    return replace(read, known=known, noted=tuple(Noted(one, unit) for one in readings))


def _tenth(slope: float) -> float:
    return round(abs(slope), 3)


def _edits(arguments: Mapping[str, str]) -> dict[str, str]:
    """Return a drag or a nudge as the edits of a read."""
    moved, nudged = moved_of(arguments), nudged_of(arguments)
    alone = "spot-0-by" in arguments and "spot-1-by" not in arguments
    if moved and moved.handle == "ball":
        return {"around": f"{moved.round_deg:.2f}"}
    if nudged and nudged.handle == "ball":
        return {"around": f"{-BALL_STEP_DEG * (nudged.right or nudged.up):g}"}
    if moved and moved.handle == "fall":
        toward = f"{FALL_STEP_DEG * round(moved.toward_deg / FALL_STEP_DEG):g}"
        return {"ground": f"turn:0:{toward}"} if alone else {"fall": toward}
    return {}


def _fall_nudged(read: ReadRequest, way: int) -> ReadRequest:
    """Return a read whose ground falls a step further round, by its plate or as one tilt."""
    putt = read.asked_putt
    toward = math.degrees(math.atan2(putt.side_tilt_right, -putt.grade)) + FALL_STEP_DEG * way
    return read.read_in(read.readings.turned(0, toward)) if read.noted else read.falling(toward)


def _put(read: ReadRequest, typed: str) -> ReadRequest:
    """Return a read whose ball lies where it was said to, from the straight putt or by an hour."""
    place = parse_place(typed, read.putt.length_m, read.wording)
    least, most = RANGES.length_m
    if not least <= place.distance_m <= most:
        raise QuantityError("must lie between 6 in and 196 ft (60 m) from the hole")
    dial = dial_of(read.asked_putt)
    to_straight = dial.round_rad if dial else 0.0
    return read.rotated(math.degrees(to_straight + place.round_rad)).of_length(place.distance_m)


def _asked_as(wanted: Asked, read: ReadRequest) -> Asked:
    return replace(wanted, typed=read.exact, read=read, putt=read.asked_putt)
