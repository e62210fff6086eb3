"""A school that nobody follows: the aim in thumbs, each two centimetres wide at the hole."""

import math

from jinja2 import ChoiceLoader, DictLoader

from orthocline.core.calls import SCHOOLS, School, Term
from orthocline.core.roll import Launch, read
from orthocline.drawing.calls import LAYERS, Layer
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import Disc, Sign
from orthocline.wording.calls import SAYINGS
from orthocline.wording.calls.saying import Said, Saying, titled

NAME = "thumbs"
THUMB_M = 0.02


def value(read, _golfer):
    return None if read.aim_right_m is None else read.aim_right_m / THUMB_M


def members(thumbs):
    return {NAME: thumbs}


def launch(putt, figures, _golfer):
    speed = read(putt).launch_speed_mps
    return Launch(math.atan2(figures[0] * THUMB_M, putt.length_m), speed)


def words(_read, thumbs, _wording):
    return Said(f"{abs(thumbs):.0f} thumbs", ", laid side by side")


def layer(sheet, thumbs):
    spot = sheet.frame.spot(0.0, 0.5 * thumbs * THUMB_M)
    return Layer((Disc(spot, 3.0, Sign.QUIET, name=NAME),), (Wanted("half the thumbs", spot, sheet.outside),))


PART = "<em>measured with your own thumb</em>"


def add_part(monkeypatch, app):
    """Add what its line has beside its words on the page."""
    own = DictLoader({f"read/calls/{NAME}.html": PART})
    monkeypatch.setattr(app.jinja_env, "loader", ChoiceLoader([own, app.jinja_env.loader]))


def add(monkeypatch):
    one = School(
        *(NAME, value, members),
        terms=(Term.FINGERS,),
        figures=lambda _, thumbs: (thumbs,),
        launch=launch,
    )
    monkeypatch.setitem(SCHOOLS, NAME, one)
    monkeypatch.setitem(SAYINGS, NAME, Saying(titled("Thumbs"), words, noun="thumbs"))
    monkeypatch.setitem(LAYERS, NAME, layer)
