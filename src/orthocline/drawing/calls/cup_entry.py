"""The cup entry on the plan: an arrow into the hole from the hour at which the ball goes in."""

import math

from orthocline.core.calls import CupEntry
from orthocline.core.units import HOUR_RAD
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Area, Line, Sign, Spot, arrowhead, spots_of
from orthocline.wording.figures import hour_words

FROM, TO = 52.0, 9.0
"""The arrow begins and ends so far from the hole's centre on the sheet."""


def layer(sheet: PuttSheet, entry: CupEntry | None) -> Layer:
    """Return the layer of an entry."""
    if entry is None:
        return Layer()
    turn, hole = HOUR_RAD * entry.hours, sheet.frame.hole
    out = math.sin(turn), -math.cos(turn)
    foot, tip = (Spot(hole.x + far * out[0], hole.y + far * out[1]) for far in (FROM, TO))
    arrow = (
        Line(spots_of(foot, tip), Sign.DO, 3.0, name="entry"),
        Area(arrowhead(tip, (-out[0], -out[1]), 13.0, 6.0), Sign.DO),
    )
    return Layer(arrow, (Wanted(hour_words(entry.hours), foot, sheet.inside, Sign.DO, needed=False),))
