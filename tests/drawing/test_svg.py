"""The one writer: every thing of a scene is in the SVG, escaped, and a file of it stands alone."""

import re
from pathlib import Path
from xml.etree import ElementTree

import pytest

from orthocline.core.roll import read
from orthocline.core.speed import STANDARD_RAMP
from orthocline.drawing.lettering import LARGE, LARGE_ON_PHONE, ON_PHONE, USUAL, text_width
from orthocline.drawing.roll.plan import plan
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Group,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Strokes,
    Words,
    spots_of,
)
from orthocline.drawing.speed.ramp import ramp_plan
from orthocline.drawing.svg import svg, svg_file
from orthocline.drawing.ticks import CALENDAR, INCHES, tick_step, ticks
from orthocline.wording.wording import USUAL_WORDING
from tests.putts import plane_putt

SVG = "{http://www.w3.org/2000/svg}"
EVERYTHING = Scene(
    "all",
    100.0,
    50.0,
    'says "<all>"',
    (
        Line(spots_of((0, 1), (2.25, 3)), Sign.DO, 1.5, "2 5", name="line"),
        Strokes(spots_of((0, 0), (1, 1), (2, 2), (3, 3)), Sign.INK, 2.0),
        Area(spots_of((0, 0), (1, 0), (1, 1)), Sign.UNSURE, Fill.HATCHED, 1.0),
        Disc(Spot(5, 6), 7.0, Sign.REAL, Fill.OPEN, hidden=True),
        Group((Words("<b>", Spot(1, 2), Sign.DO, "end", large=True),), "a & b"),
    ),
    {"per-near": 1.5},
)


def test_everything_on_the_sheet_is_written():
    root = ElementTree.fromstring(svg(EVERYTHING, "block"))
    assert (root.get("viewBox"), root.get("aria-label")) == ("0 0 100 50", 'says "<all>"')
    assert (root.get("class"), root.get("data-per-near")) == ("sheet block", "1.5")
    line, strokes, area, disc, group = (one for one in root if one.tag != "defs")
    assert (line.get("d"), line.get("class"), line.get("data-part")) == ("M0 1L2.2 3", "line sign-do", "line")
    assert strokes.get("d") == "M0 0l1 1M2 2l1 1"
    assert (area.get("d"), area.get("fill")) == ("M0 0L1 0L1 1Z", "url(#unsure-all)")
    assert root.find("defs/pattern").get("id") == "unsure-all"
    assert (disc.get("r"), disc.get("class")) == ("7", "open sign-real hidden")
    title, words = group
    assert (title.text, words.text, words.get("text-anchor")) == ("a & b", "<b>", "end")


def test_what_cannot_be_written_is_refused():
    with pytest.raises(TypeError, match="Item"):
        svg(Scene("", 1.0, 1.0, "", (Item(),)))


@pytest.mark.parametrize("scene", [ramp_plan(STANDARD_RAMP, None, (), (), USUAL_WORDING), None])
def test_a_file_stands_alone(scene):
    putt = plane_putt(14, side_right=-0.021)
    scene = scene or plan(putt, read(putt), USUAL_WORDING).scene
    drawn = svg_file(scene)
    root = ElementTree.fromstring(drawn)
    assert "var(" not in drawn
    for one in root.iter():
        assert one.get("class") is None
        if one.tag in (f"{SVG}path", f"{SVG}circle", f"{SVG}text"):
            assert (one.get("fill"), one.get("stroke")) != (None, None), "every thing has its colours"


def test_words_of_a_file_stand_on_a_rim_of_the_ground():
    scene = Scene("all", 9.0, 9.0, "", (Words("a < b", Spot(1.0, 2.0), Sign.DO, large=True),))
    rim, words = ElementTree.fromstring(svg_file(scene))
    assert rim.text == words.text == "a < b"
    assert (rim.get("stroke"), rim.get("stroke-width"), words.get("stroke")) == ("#edeedd", "5px", "none")
    assert words.get("fill") == "#b5301a"
    assert words.get("font-weight") == "700"


def test_letters_on_a_phone_are_as_large_as_labels_have_room_for():
    style = (Path(__file__).parents[2] / "assets" / "app.css").read_text()
    sizes = re.findall(r"\.sheet-large \.words[\w-]* { font-size: (\d+)px; }", style)
    assert [float(one) for one in sizes] == [ON_PHONE, LARGE_ON_PHONE]


def test_words_are_as_wide_as_their_letters():
    assert text_width("il") < text_width("wm")
    assert text_width("12", LARGE) == pytest.approx(text_width("11", LARGE)), "figures of one width"
    assert text_width("→", USUAL) == USUAL, "another type's letter has room"


@pytest.mark.parametrize(
    ("least", "steps", "step"),
    [
        *((0.9, (), 1.0), (1.0, (), 1.0), (1.1, (), 2.0), (0.03, (), 0.05), (600.0, (), 1000.0)),
        *((0.3, INCHES, 0.5), (7.0, INCHES, 12.0), (200.0, INCHES, 96.0), (3.0, CALENDAR, 7.0)),
    ],
)
def test_steps_are_round(least, steps, step):
    assert tick_step(least, steps) == pytest.approx(step)


def test_ticks_hold_both_ends():
    assert ticks(0.0, 15.0, 5) == [0.0, 5.0, 10.0, 15.0]
    assert ticks(7.0, 13.0, 6) == [7.0, 8.0, 9.0, 10.0, 11.0, 12.0, 13.0]
