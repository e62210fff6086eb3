"""What a green's map answers: how it falls at a place, where water goes, and what a pin is like."""

from dataclasses import dataclass

import numpy as np

from orthocline.core.calls import Dial, dial_of
from orthocline.core.chart import ChartPin, Known, PinGround, pin_ground
from orthocline.core.relief import Water, climbed, pour
from orthocline.core.roll import Point, Putt, RollPast, steepest_holding_slope
from orthocline.core.sure import Fall
from orthocline.core.survey import NextPlace
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.ground.charts import ROOM

Place = tuple[float, float]
DIAL_M = 3.048
"""The dial of a pin is that of ten-foot putts."""
PAST = RollPast(0.3048)


@dataclass(frozen=True)
class Looked:
    """A place that is looked at: its fall, its height over the front edge, its fall line."""

    fall: Fall
    height_m: float
    water: Water
    above: Water


@dataclass(frozen=True)
class PinFacts:
    """What a pin is like.

    Attributes
    ----------
    putt : Putt
        From straight below it on the map, on the plane that falls as the green does there.
    dial : Dial or None
        None on level ground.
    holding : float
        The steepest slope [ratio] that holds a ball at the green's speed.
    """

    pin: ChartPin
    ground: PinGround
    putt: Putt
    dial: Dial | None
    holding: float


@open_play(ROOM)
def look_at(_viewer: Viewer, known: Known, at_m: Place) -> Looked:
    """Return what a place of a green is like."""
    heights = known.heights(np.array([at_m, known.outline.front]))
    water, above = (run(known.survey, known.outline, at_m) for run in (pour, climbed))
    return Looked(known.fall_at(at_m), float(heights[0] - heights[1]), water, above)


@open_play(ROOM)
def pin_facts(_viewer: Viewer, known: Known, pin: ChartPin, speed_ft: float) -> PinFacts:
    """Return what a pin is like at a green speed."""
    ground, (x, y) = pin_ground(known, pin.at_m), pin.at_m
    putt = Putt(Point(x, y - DIAL_M), Point(x, y), ground.plane, speed_ft, PAST)
    return PinFacts(pin, ground, putt, dial_of(putt), steepest_holding_slope(speed_ft))


@open_play(ROOM)
def where_next(_viewer: Viewer, known: Known, near_m: Place | None) -> tuple[Place, NextPlace]:
    """Return where to read next, for the whole green or for what lies near a place."""
    return known.next_place(near_m)
