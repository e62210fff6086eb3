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
    at = sheet.frame.spot(target.beyond_m, 0.0)
    line = sheet.frame.path(spots_of((0.0, 0.0), (target.beyond_m, 0.0)))
    items = (
        Line(line, Sign.DO, 1.6, "2 6", name="pace-line"),
        Strokes(sheet.across(target.beyond_m, 0.0, -HALF, HALF), Sign.DO, 4.0, name="pace-target"),
    )
    return Layer(items, (Wanted("pace to here", at, sheet.inside, Sign.DO, needed=False),))
