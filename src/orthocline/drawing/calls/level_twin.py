"""The level twin on the plan: a coin, and the straight line to it."""

from orthocline.core.calls import LevelTwin
from orthocline.core.roll import Read
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Disc, Fill, Line, Sign, Spots, spots_of

RADIUS = 8.0


def reach(read: Read, twin: LevelTwin) -> Spots:
    """Return where the coin lies, beyond the hole and right of it [m]."""
    return spots_of((twin.along_m - read.putt.length_m, twin.right_m))


def layer(sheet: PuttSheet, twin: LevelTwin) -> Layer:
    """Return the layer of a coin."""
    ((beyond, right),) = reach(sheet.read, twin)
    coin = sheet.frame.spot(float(beyond), float(right))
    items = (
        Line(sheet.from_ball(float(beyond), float(right)), Sign.DO, 1.6, "2 6", name="coin-line"),
        Disc(coin, RADIUS, Sign.DO, Fill.OPEN, 3.0, name="coin"),
    )
    return Layer(items, (Wanted("coin", coin, sheet.inside, Sign.DO),))
