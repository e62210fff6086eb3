"""Greens: charted on their map by drags, taps and typing; looked at, undone, with pins that are told of."""

import math

import pytest

from orthocline.services.account.access import Viewer
from orthocline.services.ground.charts import find_green, new_green
from orthocline.services.ground.places import Place
from tests.page import drawn, link, links, parsed, text, value, values, words_at

PACE = 0.9144


@pytest.fixture
def green(signed_in, session):
    """The address of a green of Tove's that nothing is read of yet."""
    number = new_green(Viewer(signed_in.golfer), session, Place("Links", "green 6"), deep_m=20.0, wide_m=24.0)
    session.commit()
    return f"/greens/{number}"


def chart(signed_in, session, green):
    return find_green(Viewer(signed_in.golfer), session, int(green.rpartition("/")[2])).chart


def post(client, green, **said):
    return client.post(green, data=said, follow_redirects=True)


def draw(client, green, begun, to, **more):
    return post(client, green, tool="slope", moved=f"new:{to}", begun=begun, **more)


@pytest.fixture
def tilted(signed_in, green):
    """A green that falls two percent to its front, drawn by nine arrows."""
    for x in (-7.0, 0.0, 7.0):
        for y in (4.0, 10.0, 16.0):
            draw(signed_in, green, f"{x}:{y}", f"{x}:{y - 1.1}")
    return green


def test_a_stranger_is_told_what_greens_are_for(client):
    page = client.get("/greens")
    assert "Chart a green in a quarter of an hour" in text(page)
    assert "Sign in" in text(page)


def test_a_green_is_charted_by_its_size_in_paces(signed_in):
    said = {"course": "Ternholm Links", "green": "green 6", "deep": "24 paces", "wide": "26"}
    page = signed_in.post("/greens", data=said, follow_redirects=True)
    assert "Nothing read yet." in words_at(page, "#lead")
    assert "Begin in the middle: 12 paces on" in words_at(page, "#next")
    assert drawn(page, "edge")
    listed = signed_in.get("/greens")
    assert "24 paces deep, no readings, no pins" in text(listed)


def test_a_size_that_no_green_has_is_said_beside_its_field(signed_in):
    page = signed_in.post("/greens", data={"course": "Links", "green": "", "deep": "300", "wide": "26"})
    assert page.status_code == 422
    assert value(page, "deep") == "300"
    assert "from 3 to 50 m" in text(page)


def test_an_arrow_is_drawn_as_steep_as_it_is_long(signed_in, session, green):
    page = draw(signed_in, green, "2:10", "2:8.35")
    one = chart(signed_in, session, green).readings[0]
    assert (one.at_m, one.by, one.size) == ((2.0, 10.0), "arrow", 0.03)
    assert one.toward_rad == pytest.approx(-math.pi / 2)
    assert "3 %" in value(page, "size")
    assert value(page, "way") == "front"
    assert "One slope" in words_at(page, "#lead")


def test_what_is_dragged_is_shown_and_not_kept(signed_in, session, green):
    said = {"tool": "slope", "moved": "new:2:8.35", "begun": "2:10", "held": "1"}
    shown = signed_in.get(green, query_string=said)
    assert drawn(shown, "reading")
    part = signed_in.get(green, query_string=said, headers={"HX-Request": "true"})
    assert [one["id"] for one in parsed(part).find_all(id=True) if one.name == "div"] == ["stage"]
    assert chart(signed_in, session, green).readings == ()


def test_a_reading_is_typed_with_an_instrument_of_its_own(signed_in, session, green):
    said = {"tool": "slope", "by": "level", "do": "add", "place": "10 on, 3 left", "way": "front right"}
    page = post(signed_in, green, **said, size="1.5 %")
    one = chart(signed_in, session, green).readings[0]
    assert one.at_m == pytest.approx((-3 * PACE, 10 * PACE), abs=0.01)
    assert (one.by, one.size) == ("level", 0.015)
    assert "10 paces on, 3 left: 1.5 % toward the front right by level" in words_at(page, "#readings")


@pytest.mark.parametrize(
    ("field", "typed", "says"),
    [
        ("place", "over there", "cannot be read"),
        ("way", "downhill", "front left"),
        ("size", "40 %", "between 0 and 25 %"),
    ],
)
def test_what_cannot_be_read_is_said_beside_its_field_and_stays(
    signed_in, session, green, field, typed, says
):
    said = {"place": "10 on", "way": "front", "size": "2 %"} | {field: typed}
    page = signed_in.post(green, data={"tool": "slope", "do": "add", **said})
    assert page.status_code == 422
    assert says in words_at(page, f"#{field}-message")
    assert {name: value(page, name) for name in said} == said
    assert chart(signed_in, session, green).readings == ()


def test_a_reading_is_moved_turned_changed_and_removed(signed_in, session, green):
    draw(signed_in, green, "2:10", "2:8.9")
    post(signed_in, green, tool="slope", moved="reading-0:3:11")
    post(signed_in, green, tool="slope", moved="head-0:4.65:11")
    post(signed_in, green, tool="slope", nudged="head-0:0:1")
    one = chart(signed_in, session, green).readings[0]
    assert (one.at_m, one.toward_rad, one.size) == ((3.0, 11.0), pytest.approx(0.0), pytest.approx(0.0325))
    chosen = {"tool": "slope", "chosen": "reading-0"}
    post(signed_in, green, **chosen, do="change", place="12 on", way="left", size="1 %", **{"with": "feet"})
    one = chart(signed_in, session, green).readings[0]
    assert (one.by, one.size) == ("feet", 0.01)
    post(signed_in, green, **chosen, do="remove")
    assert chart(signed_in, session, green).readings == ()


def test_an_edit_is_undone_and_done_again(signed_in, tilted):
    undone = signed_in.post(f"{tilted}/undo", data={"tool": "slope"}, follow_redirects=True)
    assert "Readings: 8" in text(undone)
    again = signed_in.post(f"{tilted}/redo", headers={"HX-Request": "true"})
    assert "Readings: 9" in text(again)
    assert not again.text.startswith("<!doctype")


def test_a_place_that_is_looked_at_has_a_slope_a_height_and_water(signed_in, tilted):
    page = signed_in.get(tilted, query_string={"spot": "12 on, 2 right"})
    said = words_at(page, "#there")
    assert "Falls 2 % toward the front" in said
    assert "up 8" in said
    assert "Water from here leaves front" in said
    assert drawn(page, "water")
    tapped = signed_in.get(tilted, query_string={"moved": "tap:2:12"}, headers={"HX-Request": "true"})
    assert tapped.headers["HX-Replace-Url"].endswith("spot=13.1+on%2C+2.2+right")


def test_a_place_that_cannot_be_read_is_said(signed_in, tilted):
    page = signed_in.get(tilted, query_string={"spot": "near the tree"})
    assert "cannot be read" in words_at(page, "#spot-message")
    assert value(page, "spot") == "near the tree"


def test_where_nothing_was_read_is_washed_and_asked_for(signed_in, green):
    page = draw(signed_in, green, "-8:4", "-8:2.9")
    assert drawn(page, "unsure")
    assert drawn(page, "next")
    assert "Read next" in words_at(page, "#next")
    looked = signed_in.get(link(page, "Read next"))
    assert drawn(looked, "spot")
    assert value(looked, "place")


def test_spot_heights_make_ground(signed_in, session, green):
    for place, height in (("2 on", "0 in"), ("12 on", "20 in"), ("20 on", "36 in")):
        post(signed_in, green, tool="height", do="add", place=place, size=height)
    assert chart(signed_in, session, green).readings[-1].by == "staff"
    page = signed_in.get(green, query_string={"spot": "12 on"})
    assert "Falls 5" in words_at(page, "#there")


def test_a_pin_is_set_named_retired_and_told_of(signed_in, session, tilted):
    post(signed_in, tilted, tool="pin", moved="tap:0:15")
    chosen = {"tool": "pin", "chosen": "pin-0"}
    post(signed_in, tilted, **chosen, do="change", name="back", place="17 on, 4 from left")
    page = signed_in.get(tilted, query_string=chosen)
    assert "Holds a ball at 10.0, and" in words_at(page, "#holds")
    assert "comes from 6 o'clock" in words_at(page, "#straight")
    assert parsed(page).select_one("#dial-sheet")
    assert chart(signed_in, session, tilted).pins[0].at_m[0] < -5.0
    post(signed_in, tilted, **chosen, do="retire")
    assert "retired" in words_at(signed_in.get(tilted), "#pins")


def test_a_steep_pin_does_not_hold_a_ball(signed_in, green):
    for x in (-4.0, 0.0, 4.0):
        post(
            signed_in,
            green,
            tool="slope",
            by="level",
            do="add",
            place=f"12 on, {x} right",
            way="front",
            size="10 %",
        )
    post(signed_in, green, tool="pin", moved="tap:0:10")
    page = signed_in.get(green, query_string={"tool": "pin", "chosen": "pin-0"})
    assert "Does not hold a ball at 10.0: only up to" in words_at(page, "#holds")
    assert drawn(page, "too-steep")


def test_the_edge_is_pulled_cornered_and_walked(signed_in, session, green):
    before = chart(signed_in, session, green).corners
    post(signed_in, green, tool="edge", moved="corner-2:13:10")
    post(signed_in, green, tool="edge", moved="tap:6:1")
    corners = chart(signed_in, session, green).corners
    assert len(corners) == len(before) + 1
    assert (13.0, 10.0) in corners
    assert (6.0, 1.0) in corners
    legs = "10 paces 270, 20 paces 0, 20 paces 90, 20 paces 180, 9 paces 270"
    page = post(signed_in, green, tool="edge", do="walk", legs=legs)
    assert len(chart(signed_in, session, green).corners) == 5
    measured = "0 on; 6 on, 9 right; 14 on, 11 right; 22 on; 12 on, 10 left"
    post(signed_in, green, tool="edge", do="walk", legs=measured)
    typed = chart(signed_in, session, green).corners
    assert typed[2] == pytest.approx((typed[0][0] + 11 * PACE, typed[0][1] + 14 * PACE), abs=0.01)
    wrong = signed_in.post(green, data={"tool": "edge", "do": "walk", "legs": "0 on; by the tree; 9 on"})
    assert "cannot be read" in words_at(wrong, "#legs-message")
    for flat in ("0 on; 5 on; 9 on", "0 on; 9 on"):
        wrong = signed_in.post(green, data={"tool": "edge", "do": "walk", "legs": flat})
        assert wrong.status_code == 422, flat
    assert "3 ft out" in parsed(page).select_one("#undo")["title"]


def test_grain_is_drawn_on_a_part(signed_in, session, green):
    post(signed_in, green, tool="grain", moved="new:2:8", begun="2:10")
    said = {
        "tool": "grain",
        "chosen": "grain-0",
        "place": "12 on",
        "radius": "5 m",
        "way": "left",
        "within": "30",
    }
    post(signed_in, green, **said, do="change", grass="mixed")
    area = chart(signed_in, session, green).grain[0]
    assert (area.radius_m, area.strength) == (5.0, 0.08)
    assert abs(area.toward_rad) == pytest.approx(math.pi)
    assert area.way_sd_rad == pytest.approx(math.radians(15.0))
    wrong = signed_in.post(green, data={**said, "do": "change", "grass": "mixed", "within": "400"})
    assert "within 1 to 180 degrees" in words_at(wrong, "#within-message")


def test_a_green_has_a_name_and_a_sentence(signed_in, green):
    page = signed_in.post(
        f"{green}/about", data={"green": "six", "character": "Two tiers."}, follow_redirects=True
    )
    assert words_at(page, "#character") == "Two tiers."
    refused = signed_in.post(f"{green}/about", data={"green": "", "character": ""})
    assert refused.status_code == 422


def test_a_full_chart_says_so_and_loses_nothing(signed_in, green):
    for i in range(40):
        post(signed_in, green, tool="pin", do="add", name=f"p{i}", place="5 on")
    page = signed_in.post(green, data={"tool": "pin", "do": "add", "name": "one more", "place": "5 on"})
    assert page.status_code == 422
    assert "40 pins at most" in text(page)
    assert value(page, "name") == "one more"


@pytest.fixture
def pinned(signed_in, tilted):
    """The green that falls to its front, with a pin."""
    post(signed_in, tilted, tool="pin", do="add", name="back", place="17 on")
    return tilted


def placed(client, green, **said):
    return client.get(green, query_string={"tool": "putt", **said})


@pytest.mark.parametrize(
    ("ball", "lies"),
    [
        ("straight 10 ft", "13.7 on"),
        ("straight 10 ft, 2 paces right", "13.7 on, 2 right"),
        ("14 paces 0 deg", "14 on"),
        ("12 on, 3 left", "12 on, 3 left"),
        ("straight 10 ft 3 h", "17 on, 3.3 right"),
    ],
)
def test_a_ball_is_placed_by_paces_by_bearing_or_from_the_straight_putt(signed_in, pinned, ball, lies):
    page = placed(signed_in, pinned, hole="back", ball=ball)
    said = value(page, "ball").split(", ")
    for one, other in zip(said, lies.split(", "), strict=False):
        assert float(one.split()[0]) == pytest.approx(float(other.split()[0]), abs=0.25)
        assert one.split()[1] == other.split()[1]
    assert drawn(page, "way")
    assert "Roll it" in words_at(page, "#lead")
    assert "on=" in link(page, "Read it")


def test_a_putt_on_the_map_is_read_with_the_same_call(signed_in, pinned):
    page = placed(signed_in, pinned, hole="back", ball="14 on, 3 left")
    read = signed_in.get(link(page, "Read it"))
    call = words_at(page, "#lead").split(". ")[0]
    assert call in words_at(read, "#headline")
    assert parsed(page).select_one("#glimpse [data-part=grid]"), "and seen through the golfer's eyes"
    assert "Links" in value(read, "course")


def test_ball_and_hole_are_dragged_and_nudged_without_being_kept(signed_in, session, pinned):
    page = placed(signed_in, pinned, hole="back", moved="ball:3:12")
    assert value(page, "ball") == "13.1 on, 3.3 right"
    page = placed(signed_in, pinned, hole="back", ball="13.1 on, 3.3 right", nudged="hole:1:0")
    assert value(page, "hole").endswith("0.3 right")
    assert len(chart(signed_in, session, pinned).pins) == 1


def test_a_ball_that_cannot_be_placed_is_said_beside_its_field(signed_in, pinned):
    page = placed(signed_in, pinned, hole="back", ball="somewhere")
    assert "The ball cannot be read" in words_at(page, "#ball-message")
    assert value(page, "ball") == "somewhere"


def test_a_putt_needs_a_chart(signed_in, green):
    assert "take Slope first" in text(placed(signed_in, green))


def test_a_reading_at_odds_is_ringed_and_named(signed_in, tilted):
    said = {"tool": "slope", "by": "level", "do": "add", "place": "12 on, 1 right", "way": "back"}
    page = post(signed_in, tilted, **said, size="8 %")
    assert "10" in words_at(page, "#odd")
    assert "with what lies round" in words_at(page, "#odd")
    assert drawn(page, "odd")


def test_what_lies_under_the_pointer_is_said(signed_in, tilted):
    said = signed_in.get(f"{tilted}/at", query_string={"moved": "at:2:12"})
    assert text(said).startswith("Falls 2 % toward the front")
    assert text(signed_in.get(f"{tilted}/at", query_string={"moved": "at:30:30"})) == ""
    assert text(signed_in.get(f"{tilted}/at", query_string={"moved": "at:here"})) == ""


def test_a_green_that_only_a_putt_has_named_is_charted_from_its_page(signed_in):
    signed_in.post("/log/note", data={"length": "14 ft", "course": "Links", "green": "green 9"})
    address = next(one for one in links(signed_in.get("/greens"), "/greens/"))
    page = signed_in.get(address)
    assert "green 9 is not charted yet" in text(page)
    said = values(parsed(page).find("form", action="/greens")) | {"deep": "20", "wide": "22"}
    charted = signed_in.post("/greens", data=said, follow_redirects=True)
    assert charted.request.path == address
    assert "Nothing read yet." in words_at(charted, "#lead")


def test_the_tab_key_stops_at_the_chosen_reading_and_not_at_all_of_them(signed_in, tilted):
    page = signed_in.get(tilted, query_string={"tool": "slope", "chosen": "reading-4"})
    stops = {pin["data-pin"] for pin in parsed(page).select("[data-pin][tabindex='0']")}
    assert stops == {"reading-4", "head-4"}
    assert len(parsed(page).select("[data-pin]")) == 10


def test_a_corner_is_chosen_typed_and_removed(signed_in, session, green):
    chosen = {"tool": "edge", "chosen": "corner-3"}
    page = signed_in.get(green, query_string=chosen)
    assert "on" in value(page, "place")
    count = len(chart(signed_in, session, green).corners)
    post(signed_in, green, **chosen, do="change", place="14 on, 13 right")
    assert chart(signed_in, session, green).corners[3] == pytest.approx((13 * PACE, 14 * PACE), abs=0.05)
    post(signed_in, green, **chosen, do="remove")
    assert len(chart(signed_in, session, green).corners) == count - 1


def test_a_list_of_heights_is_added_at_once(signed_in, session, green):
    said = {"tool": "height", "do": "heights"}
    lines = [f"{x} {y} {0.02 * y:.3f}" for x in (-6, 0, 6) for y in (3, 10, 17)]
    page = post(signed_in, green, **said, heights="\n".join(lines))
    assert len(chart(signed_in, session, green).readings) == 9
    assert "One slope, 2 % toward the front" in words_at(page, "#lead")
    post(signed_in, green, tool="edge", moved="corner-0:0:-2")
    post(signed_in, green, **said, heights="1 5 0.1")
    charted = chart(signed_in, session, green)
    front = charted.outline.front
    assert front[1] < -1.0
    assert charted.readings[-1].at_m == pytest.approx((front[0] + 1.0, front[1] + 5.0), abs=1e-3)
    for wrong, says in (
        ("3 4", "line 1"),
        ("1 2 3\n1 nan 2", "line 2"),
        ("", "three figures"),
        ("90 0 1", "None"),
    ):
        refused = signed_in.post(green, data={**said, "heights": wrong})
        assert refused.status_code == 422
        assert says in words_at(refused, "#heights-message")
        assert value(refused, "heights") == wrong.replace("\r", "")


def test_what_is_changed_in_size_stays_where_it_was(signed_in, session, green):
    draw(signed_in, green, "2.013:10.027", "2.013:8.9")
    chosen = {"tool": "slope", "chosen": "reading-0"}
    shown = value(signed_in.get(green, query_string=chosen), "place")
    post(signed_in, green, **chosen, do="change", place=shown, way="front", size="4 %")
    one = chart(signed_in, session, green).readings[0]
    assert (one.at_m, one.size) == ((2.013, 10.027), 0.04)
