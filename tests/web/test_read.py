"""The read page: one address as a page, a part and a roll; bad figures beside their fields."""

import itertools
import json

import pytest

from orthocline.web.shared.read_address import START
from tests.page import link, parsed, text, value, words_of
from tests.page import values as fields_of
from tests.reads import SPINDRIFT

PART = {"HX-Request": "true"}


def exact(response):
    """The fields of the address to all digits."""
    return json.loads(parsed(response).find(id="drawing")["data-values"])


def values(response):
    """The same as the page's fields show them."""
    drawing = parsed(response).find(id="drawing")
    return exact(response) | json.loads(drawing.get("data-rounded", "{}"))


def values_of(response):
    """What stands in the fields of the page."""
    return fields_of(parsed(response).find(id="putt"))


def test_an_address_is_a_read(client):
    page = client.get("/read", query_string=SPINDRIFT)
    assert page.status_code == 200
    assert "17¾ in right of centre." in text(page)
    assert "Plays like 15.7 ft." in text(page)
    assert "17.7" not in text(page), "a value is rounded alike everywhere"
    assert "Ternholm Links, green 4, Spindrift" in text(page)
    assert "as typed" in text(page)
    assert values(page) == SPINDRIFT


def test_htmx_gets_the_part_and_the_address_follows(client):
    part = client.get("/read", query_string=SPINDRIFT, headers=PART)
    assert parsed(part).html is None
    assert parsed(part).find(id="call")
    assert part.headers["HX-Replace-Url"].startswith("/read?length=14+ft&side=2.1+%25")
    assert "HX-Request" in part.headers["Vary"]


def test_an_empty_address_starts_somewhere_and_offers_the_demo_putt(client):
    page = client.get("/read")
    assert values(page) == START
    assert "read the demo putt" in text(page)


@pytest.mark.parametrize(
    ("typed", "field", "message"),
    [
        ({"length": "abc"}, "length", "cannot be read"),
        ({"length": ""}, "length", "is not there yet"),
        ({"length": "1000000000 ft"}, "length", "between 6 in and 196 ft"),
        ({"length": "0 ft"}, "length", "between 6 in"),
        ({"length": "-3 ft"}, "length", "between 6 in"),
        ({"side": "NaN"}, "side", "a slope such as"),
        ({"side": "26 %"}, "side", "at most 25 %"),
        ({"side": "20 %", "rise": "20 %"}, "side", "together"),
        ({"rise": "3 miles"}, "rise", "unknown unit"),
        ({"speed": "2"}, "speed", "between 3 and 20"),
        ({"past": "9 m/s"}, "past", "0.05 to 5 m/s"),
        ({"past": "17 ft"}, "past", "between 0 and 16 ft"),
        ({"own": "<script>"}, "own", "cannot be read"),
        ({"grain": "0.9"}, "grain", "between 0 and 0.5"),
        ({"grain": "couch"}, "grain", "bent, fescue, mixed"),
        ({"wind": "99 m/s"}, "wind", "between 0 and 25"),
        ({"measured": "25:99"}, "measured", "such as 10.2 ±0.3 at"),
        ({"course": "x" * 81}, "course", "80 characters"),
        ({"falls": "up"}, "falls", "Not a valid choice"),
        ({"grain": "0.1", "grain_toward": "north"}, "grain_toward", "Not a valid choice"),
    ],
)
@pytest.mark.parametrize("headers", [{}, PART], ids=["page", "part"])
def test_a_bad_figure_is_told_beside_its_field(client, typed, field, message, headers):
    response = client.get("/read", query_string={**START, **typed}, headers=headers)
    assert response.status_code == 422
    assert message in words_of(parsed(response).find(id=f"{field}-message"))
    assert "Not read yet" in text(response)
    if headers:
        assert response.headers["HX-Reswap"] == "none"
    elif field in ("length", "side", "own"):
        assert value(response, field) == typed[field]


@pytest.mark.parametrize(("typed", "quiet"), [("", True), ("abc", False)])
def test_a_figure_that_is_not_there_yet_is_no_error(client, typed, quiet):
    page = parsed(client.get("/read", query_string={**START, "length": typed}))
    assert ("message-next" in page.find(id="length-message")["class"]) is quiet
    assert ("text-quiet" in page.find(id="call").find("p")["class"]) is quiet


@pytest.mark.parametrize(
    ("step", "name", "result"),
    [
        ("length:1", "length", "15 ft"),
        ("side:-1", "side", "2 %"),
        ("rise:1", "rise", "1 %"),
        ("past:-1", "past", "8 in"),
        ("speed:1", "speed", "10.3"),
        ("length:9", "length", "14 ft"),
        ("green:1", "green", SPINDRIFT["green"]),
    ],
)
def test_steps(client, step, name, result):
    assert values(client.get("/read", query_string={**SPINDRIFT, "step": step}))[name] == result


def test_steps_keep_units_and_turn_over_at_nothing(client):
    metric = {**SPINDRIFT, "length": "4.3 m", "side": "0 %", "past": "0.6 m/s", "step": "length:1"}
    assert values(client.get("/read", query_string=metric))["length"] == "4.55 m"
    turned = values(client.get("/read", query_string={**metric, "step": "side:-1"}))
    assert (turned["side"], turned["falls"]) == ("0.1 %", "right")
    assert values(client.get("/read", query_string={**metric, "step": "past:1"}))["past"] == "0.65 m/s"


@pytest.mark.parametrize(
    ("typed", "step", "result"),
    [
        ({"rise": "0.1 m"}, "rise:1", ("rise", "4.44 in")),
        ({"rise": "0.5 ft"}, "rise:-1", ("rise", "5.5 in")),
        ({"side": "1.2°"}, "side:1", ("side", "1.3 deg")),
        ({"side": "2 percent"}, "side:1", ("side", "2.1 %")),
        ({"speed": "10'6\""}, "speed:1", ("speed", "10.6")),
        ({"speed": "3.1 m"}, "speed:1", ("speed", "10.27")),
        ({"length": "14'6\""}, "length:1", ("length", "15.5 ft")),
    ],
)
def test_a_step_never_changes_what_a_figure_means(client, typed, step, result):
    name, said = result
    assert values(client.get("/read", query_string={**SPINDRIFT, **typed, "step": step}))[name] == said


def test_the_ball_dragged_round_the_hole_turns_the_ground(client):
    """A quarter turn clockwise makes a fall to the left a fall toward the hole: downhill."""
    asked = {**START, "side": "2 %", "around": "90"}
    turned = values(client.get("/read", query_string=asked))
    assert (turned["side"], turned["rise"], turned["slope"]) == ("0 %", "2 %", "up")
    back = values(client.get("/read", query_string={**turned, "around": "-90"}))
    assert (back["side"], back["falls"]) == ("2 %", "left")
    assert values(client.get("/read", query_string={**asked, "around": "x"}))["side"] == "2 %"


def test_grain_and_wind_stay_where_they_are_when_the_ball_moves(client):
    asked = {**START, "grain": "0.1", "wind": "3 m/s", "wind_toward": "ball and left", "around": "90"}
    turned = values(client.get("/read", query_string=asked))
    assert (turned["grain_toward"], turned["wind_toward"]) == ("left", "ball and right")
    fallen = values(client.get("/read", query_string={**asked, "around": "", "fall": "90"}))
    assert (fallen["grain_toward"], fallen["wind_toward"]) == ("hole", "ball and left")


def test_thirty_steps_of_three_degrees_are_one_drag_of_ninety(client):
    """The address goes round by itself each time: nothing is lost by what the fields show."""
    ways = {"grain": "0.1", "grain_toward": "hole and left", "wind": "3 m/s", "wind_toward": "ball"}
    start = {**START, "side": "2.17 %", "rise": "1.3 %", "length": "13 ft", **ways}
    stepped = exact(client.get("/read", query_string=start))
    for _ in range(30):
        stepped = exact(client.get("/read", query_string={**stepped, "around": "3"}))
    dragged = exact(client.get("/read", query_string={**start, "around": "90"}))
    assert stepped.keys() == dragged.keys()
    for name in ("side", "rise"):
        figures = [float(one[name].removesuffix(" %")) for one in (stepped, dragged)]
        assert figures[0] == pytest.approx(figures[1], abs=1e-7)
    for name in ("falls", "slope", "grain_toward", "wind_toward", "length"):
        assert stepped[name] == dragged[name], name
    third = client.get("/read", query_string={**start, "around": "30"})
    assert (exact(third)["grain_toward"], exact(third)["wind_toward"]) == ("75", "-150")
    assert values_of(third)["grain_toward"] == "75"
    assert "75° left of the hole" in text(third)
    assert values_of(third)["side"] == "1.23 %"
    assert exact(third)["side"] == "1.22927513 %"


def test_a_frame_of_a_drag_is_the_drawing_and_the_calls_first_line(client):
    demo = {**SPINDRIFT, "measured": "10.2 ±0.3 at 2026-07-14T07:40Z by ramp", "around": "20"}
    frame = client.get("/read", query_string={**demo, "frame": "100,320,120,20"}, headers=PART)
    assert {element["id"] for element in parsed(frame).find_all(id=True)} == {
        "drawing",
        "plan",
        "hachures",
        "unsure-plan",
        "headline",
        "eyes-ask",
    }
    assert len(frame.data) < 4300
    assert "curve gate" not in text(frame), "labels come back when the hand lets go"
    assert values(frame).keys() >= {"length", "side", "falls", "rise", "slope", "past"}
    assert "aria-live" not in frame.text
    whole = client.get("/read", query_string=demo, headers=PART)
    assert words_of(parsed(whole).find(id="told")) == words_of(parsed(frame).find(id="headline"))


def test_a_ball_that_dies_and_rolls_back_is_offered_the_softest_pace_that_can_be_asked(client):
    page = client.get("/read", query_string={**SPINDRIFT, "rise": "0.6 %", "past": "0 in"})
    assert page.status_code == 200
    straight = client.get(link(page, "Read the ball that goes straight in"))
    assert "Reach the hole at 0.16 ft/s" in text(straight)
    assert "rolls back" not in text(straight)


def test_what_a_hand_drags_is_as_round_as_a_hand_is_sure(client):
    dragged = client.get("/read", query_string={**SPINDRIFT, "to_length": "3.21", "to_past": "0.4"})
    assert (values(dragged)["length"], values(dragged)["past"]) == ("10.5 ft", "16 in")
    by_speed = client.get("/read", query_string={**SPINDRIFT, "past": "0.6 m/s", "to_past": "0.4"})
    assert values(by_speed)["past"] == "16 in"
    far = client.get("/read", query_string={**SPINDRIFT, "length": "4.3 m", "to_length": "99"})
    assert values(far)["length"] == "60 m"
    for odd in ("x", "nan", "inf"):
        same = client.get("/read", query_string={**SPINDRIFT, "to_length": odd, "around": odd, "fall": odd})
        assert values(same) == SPINDRIFT


@pytest.mark.parametrize(
    ("typed", "step", "name", "result"),
    [
        ({"rise": "1 in"}, "rise:1", "rise", "1.5 in"),
        ({"past": "2 ft/s"}, "past:1", "past", "2.2 ft/s"),
        ({"length": "5 paces"}, "length:1", "length", "6 paces"),
        ({"length": "60 m"}, "length:1", "length", "60 m"),
        ({"past": "0 in"}, "past:-1", "past", "0 in"),
        ({"speed": "20"}, "speed:1", "speed", "20"),
        ({"side": "25 %", "rise": "0 %"}, "side:1", "side", "25 %"),
        ({"wind": "12 mph"}, "length:1", "wind", "12 mph"),
    ],
)
def test_a_step_keeps_its_unit_and_stops_at_the_end_of_its_range(client, typed, step, name, result):
    assert values(client.get("/read", query_string={**SPINDRIFT, **typed, "step": step}))[name] == result


def test_the_fall_dragged_on_its_dial(client):
    turned = values(client.get("/read", query_string={**START, "side": "2 %", "fall": "90"}))
    assert (turned["side"], turned["falls"], turned["rise"]) == ("2 %", "right", "0 %")


def test_a_held_drawing_keeps_its_frame_and_its_address(client):
    held = client.get("/read", query_string={**SPINDRIFT, "frame": "100,320,120,20"}, headers=PART)
    assert parsed(held).find(id="plan")["data-scale"] == "100"
    assert "HX-Replace-Url" not in held.headers
    for bad in ("1,2", "a,b,c,d", "1e9,0,0,0", "nan,0,0,0"):
        assert client.get("/read", query_string={**SPINDRIFT, "frame": bad}).status_code == 200


@pytest.mark.parametrize("scale", [1, 10, 300, 1000, 5000])
@pytest.mark.parametrize(
    "asked", ["", "&own=9+in", "&length=60+m&side=4+%25&rise=4+%25&slope=down&own=60+in"]
)
def test_any_frame_that_may_be_held_can_be_drawn(client, scale, asked):
    for x, y, turn in itertools.product((0, 320, 1000), (0, 310, 1000), (-720, 0, 45, 180)):
        response = client.get(f"/read?frame={scale},{x},{y},{turn}{asked}", headers=PART)
        assert response.status_code == 200, (x, y, turn)
        assert parsed(response).find(id="plan")
    for odd in ("nan,0,0,0", "300,inf,0,0", "300,1e999,0,0", "300,0,0", "x", "0,0,0,0"):
        assert client.get(f"/read?frame={odd}{asked}", headers=PART).status_code == 200, odd


def test_own_read_is_shown_beside_the_models(client):
    page = client.get("/read", query_string={**SPINDRIFT, "own": "9 in", "own_side": "right"})
    assert "Your aim is 8¾ in left of the read: it would pass" in text(page)
    assert "your aim" in text(page)


def test_my_read_first_holds_the_call_back(client):
    page = client.get("/read", query_string={**SPINDRIFT, "first": "1"})
    assert "where would you aim?" in text(page)
    assert "17¾" not in text(page)
    assert words_of(parsed(page).find(id="told")) == "Your read first: where would you aim?"
    assert parsed(page).find(id="way") is None
    after = client.get("/read", query_string={**SPINDRIFT, "first": "1", "own": "9 in"})
    assert "17¾ in right" in text(after)


def test_grain_and_wind_count(client):
    grain = client.get("/read", query_string={**SPINDRIFT, "grain": "0.1", "grain_toward": "right"})
    assert "worth 0.8 % of slope" in text(grain)
    assert "17¾ in right" not in text(grain)
    kind = client.get("/read", query_string={**SPINDRIFT, "grain": "Strong", "grain_toward": "right"})
    assert exact(kind)["grain"] == "strong"
    wind = client.get("/read", query_string={**SPINDRIFT, "wind": "8 m/s", "wind_toward": "left"})
    assert "17¾ in right" not in text(wind)


@pytest.mark.parametrize(
    ("asked", "words"),
    [
        ({"length": "3 ft", "side": "0 %"}, "the centre."),
        ({"length": "60 ft", "side": "4 %", "rise": "4 %", "slope": "down"}, "ft right of centre."),
        ({"side": "9 %", "rise": "3 %", "slope": "down"}, "cannot hold a ball"),
        ({"past": "16 ft"}, "too fast to drop"),
        ({"past": "0 in"}, "Let it die at the hole."),
        ({"past": "0.6 m/s"}, "Reach the hole at 1.97 ft/s"),
        ({"side": "7.6 %", "rise": "1.4 %", "slope": "down"}, "60 degrees"),
    ],
)
def test_extremes_are_read(client, asked, words):
    page = client.get("/read", query_string={**START, **asked})
    assert page.status_code == 200
    assert words in text(page)


def test_where_the_ball_comes_back_one_that_goes_straight_in_is_offered(client):
    steep = START | {"side": "5.49 %", "rise": "5.49 %", "green": "Green 4"}
    offered = link(client.get("/read", query_string=steep), "Read the ball that goes straight in")
    assert "green=Green+4" in offered
    straight = client.get(offered)
    assert "Reach the hole at 0.72 ft/s" in text(straight)
    assert "rolls back" not in text(straight)
    assert "goes straight in" not in text(client.get("/read", query_string=START))


def test_every_line_at_the_same_pace_is_offered_and_leads_back(client):
    steep = START | {"side": "3 %", "rise": "8.5 %", "slope": "down", "speed": "11", "past": "1.2 m/s"}
    page = client.get("/read", query_string=steep)
    assert "A longer way in has this pace too" in text(page)
    longer = client.get(link(page, "Read that line"))
    assert values(longer)["line"] == "2"
    assert text(client.get(link(longer, "Read that line"))).count("Read that line") == 1
    beyond = client.get("/read", query_string=steep | {"line": "5"})
    assert "There is no line 5 here" in text(beyond)
    assert values(beyond)["line"] == "2", "what is changed next asks for the line that is there"
    assert "The line is a number from 1 to 8." in text(
        client.get("/read", query_string=steep | {"line": "9"})
    )


def test_a_hole_that_no_ball_reaches_is_said(client, monkeypatch):
    for module in ("aim", "lines"):
        monkeypatch.setattr(f"orthocline.core.roll.{module}.lines_at", lambda *_: [])
    page = client.get("/read", query_string=START | {"wind": "5 m/s"})
    assert page.status_code == 422
    assert "no ball, however firm, reaches the hole" in text(page)


def test_the_roll_is_the_balls_way_in_time(client):
    response = client.get("/read/roll", query_string=SPINDRIFT).get_json()
    assert response["duration_s"] == pytest.approx(3.074, abs=0.001)
    assert len(response["spots"]) == 92
    assert client.get("/read/roll?length=x").status_code == 422


def test_competition_refuses_the_read_and_the_roll(client):
    client.post("/mode", data={"mode": "competition"})
    for address in ("/read", "/read/roll"):
        refused = client.get(address)
        assert refused.status_code == 403
        assert "committee" in text(refused)
        assert "The log and your notes stay open." in text(refused)
    assert "Play. Reading is off." in text(client.get("/"))
    client.post("/mode", data={"mode": "open_play"})
    assert client.get("/read").status_code == 200
