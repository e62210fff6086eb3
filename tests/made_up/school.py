"""A school that nobody follows: the aim in thumbs, each two centimetres wide at the hole."""

from orthocline.core.calls import SCHOOLS, School
from orthocline.drawing.calls import LAYERS, Layer
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Disc, Sign
from orthocline.wording.calls import SAYINGS
from orthocline.wording.calls.saying import Saying, titled

NAME = "thumbs"
THUMB_M = 0.02


def value(read, _golfer):
    return None if read.aim_right_m is None else read.aim_right_m / THUMB_M


def members(thumbs):
    return {NAME: thumbs}


def words(_read, thumbs, _wording):
    return f"{abs(thumbs):.0f} thumbs"


def layer(sheet, thumbs):
    spot = sheet.frame.spot(0.0, 0.5 * thumbs * THUMB_M)
    return Layer((Disc(spot, 3.0, Sign.QUIET, name=NAME),), (Wanted("half the thumbs", spot, sheet.outside),))


def add(monkeypatch):
    monkeypatch.setitem(SCHOOLS, NAME, School(NAME, value, members))
    monkeypatch.setitem(SAYINGS, NAME, Saying(titled("Thumbs"), words))
    monkeypatch.setitem(LAYERS, NAME, layer)
