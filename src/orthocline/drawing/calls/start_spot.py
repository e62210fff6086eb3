"""The start aid on the plan: the spot to roll over, or the line on the ball."""

from orthocline.core.calls import StartAid, StartLine
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.roll.hole_frame import mark_spot
from orthocline.drawing.scene import Disc, Item, Line, Sign


def layer(sheet: PuttSheet, line: StartLine) -> Layer:
    """Return the start aid's layer; nothing for a golfer who uses neither."""
    if line.aid is StartAid.NEITHER:
        return Layer()
    spot = mark_spot(sheet.putt, line.spot, sheet.frame)
    drawn: Item = Disc(spot, 4.5, Sign.DO, name="start-spot")
    words = f"start spot, {sheet.wording.far(line.spot.ahead_m)}"
    if line.aid is StartAid.LINE:
        drawn = Line(sheet.aim_line(0.0, line.spot.ahead_m), Sign.DO, 6.0, name="ball-line")
        words = "the ball's line"
    return Layer((drawn,), (Wanted(words, spot, sheet.outside, Sign.DO),))
