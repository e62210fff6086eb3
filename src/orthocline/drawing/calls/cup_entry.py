"""The cup entry on the plan: an arrow into the hole from the hour at which the ball goes in."""

import math

from orthocline.core.calls import CupEntry
from orthocline.core.units import HOUR_RAD
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Area, Line, Sign, arrowhead, spots_of
from orthocline.wording.figures import hour_words

FROM, TO = 52.0, 9.0
"""The arrow begins and ends so far from the hole's centre on the sheet."""


def layer(sheet: PuttSheet, entry: CupEntry | None) -> Layer:
    """Return the layer of an entry."""
    if entry is None:
        return Layer()
    turn = HOUR_RAD * entry.hours
    radii = (sheet.frame.round_hole_m(far) for far in (FROM, TO))
    foot, tip = (sheet.frame.spot(radius * math.cos(turn), radius * math.sin(turn)) for radius in radii)
    far = math.dist(foot, tip) or 1.0
    arrow = (
        Line(spots_of(foot, tip), Sign.DO, 3.0, name="entry"),
        Area(arrowhead(tip, ((tip.x - foot.x) / far, (tip.y - foot.y) / far), 13.0, 6.0), Sign.DO),
    )
    return Layer(arrow, (Wanted(hour_words(entry.hours), foot, sheet.inside, Sign.DO, needed=False),))
