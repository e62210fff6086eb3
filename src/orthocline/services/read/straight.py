"""The straight putt of a green: the fall line through its hole, and every other putt by its hour round it."""

from collections.abc import Sequence
from typing import NamedTuple

from orthocline.core.calls import Dial, dial_of
from orthocline.core.ground import Reading
from orthocline.core.roll import Putt
from orthocline.core.sure import Fall, Uncertainty, fall_at_hole, fall_by_ways, fall_of
from orthocline.services.account.access import Viewer, open_play


class Straight(NamedTuple):
    """How the ground falls and how sure that is, and the dial; no dial on level ground."""

    fall: Fall
    dial: Dial | None


@open_play("The straight putt")
def straight_putt(
    _viewer: Viewer, putt: Putt, readings: Sequence[Reading], uncertainty: Uncertainty
) -> Straight:
    """Return the straight putt of a putt's green by its readings; refused in Competition."""
    at_hole = all(one.at_hole for one in readings)
    found = fall_by_ways(readings) or (fall_at_hole if at_hole else fall_of)(putt, uncertainty)
    return Straight(found, dial_of(putt))
