"""The pace target on the plan: a bar across the ball-hole line to which the putt is paced on the level."""

from orthocline.core.calls import PaceTarget
from orthocline.core.roll import Read
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Line, Sign, Spots, Strokes, spots_of

HALF = 18.0


def reach(_read: Read, target: PaceTarget) -> Spots:
    """Return where the target lies, beyond the hole and right of it [m]."""
    return spots_of((target.beyond_m, 0.0))


def layer(sheet: PuttSheet, target: PaceTarget) -> Layer:
    """Return the layer of a target."""
    at, hole = sheet.frame.spot(target.beyond_m, 0.0), sheet.frame.hole
    items = (
        Line(spots_of(hole, at), Sign.DO, 1.6, "2 6", name="pace-line"),
        Strokes(spots_of((at.x - HALF, at.y), (at.x + HALF, at.y)), Sign.DO, 4.0, name="pace-target"),
    )
    return Layer(items, (Wanted("pace to here", at, sheet.inside, Sign.DO),))
