"""My measures and the beat: kept, told what is wrong, and followed on every page and drawing."""

import re

import pytest

from orthocline.core.train import Asks
from orthocline.services.account.access import Viewer
from orthocline.services.ground.charts import new_green
from orthocline.services.ground.places import Place
from tests.page import links, parsed, text, value, values, words_at, words_of
from tests.reads import SPINDRIFT
from tests.speeds import kept_speed

METRIC_ANSWERS = {
    "amount": "20 cm left",
    "apex": "1 m ahead, 5 cm left",
    "straight": "40",
    "gate": "5 cm left",
}
METRIC = {"units": "metres", "slopes": "degrees", "bend": "borrow", "hand": "left", "eye": "unknown"}


@pytest.fixture
def metric(signed_in):
    assert (
        signed_in.post("/measures", data={**METRIC, "usual_past": "45 cm", "shoe": "29 cm"}).status_code
        == 303
    )
    return signed_in


def test_what_is_kept_is_shown_again_in_the_new_units(metric):
    page = metric.get("/measures")
    shown = [value(page, name) for name in ("usual_past", "shoe", "hand")]
    assert shown == ["45 cm", "29 cm", "left"]


def test_every_page_and_drawing_follows_the_units(metric, session):
    kept_speed(session, metric.golfer)
    session.commit()
    start = metric.get("/read")
    assert "45 cm past" in text(start), "the usual roll-past"
    for name, wanted in (("length", "3 m"), ("side", "0.57 deg"), ("past", "45 cm")):
        assert value(start, name) == wanted
    metric.post("/log", data=values(parsed(start)))
    ramp = "/speed/ramp?out=2.8&out=2.82&out=2.79&back=3.4&back=3.42&back=3.38"
    zero = "/speed/without-a-ramp?by=tuning&target=4&balls=4.2&balls=4.4"
    noted = "spot-0-at=1/2&spot-0-falls=left&spot-0-size=1.2&spot-0-by=level"
    looks = [
        f"/read?{noted}",
        f"/look?{noted}",
        f"/look?{noted}&stop=hole",
        "/look?stops=low_side&note=low_side.0:up",
    ]
    others = ["/log", "/", "/log/1/finish", ramp, zero, "/beat?mark=1.8&stroke=40"]
    for address in ("/read?own=20", "/schools", *looks, *others):
        page = metric.get(address)
        said = [words_of(element) for element in parsed(page).find_all(["text", "h1", "dd", "li"])]
        feet = [s for s in said if re.search(r"\d\s?(?:ft|in)\b", s) and "within" not in s and "±" not in s]
        percent = [s for s in said if re.search(r"\d\s?%", s) and "soft" not in s]
        assert (feet, percent) == ([], []), address
    assert "Borrow" in text(metric.get("/read"))


@pytest.mark.parametrize(
    "address",
    [
        "/straight",
        "/straight?by=plate",
        "/straight?by=feet&ball=3+5+h",
        "/grain?worn=3&grain=strong",
        "/balls?whose=own&stopped=30+short+40+left",
        "/balls?start=4+4+h&stopped=1+m+past&seen_line=30+right",
    ],
)
def test_what_is_placed_and_watched_follows_the_units(metric, address):
    said = [
        words_of(element)
        for element in parsed(metric.get(address)).select("#placed :is(text, h1, section > p)")
    ]
    said = [re.sub(r"at \d+ % of the way", "", one) for one in said if "Your ball from" not in one]
    assert [s for s in said if re.search(r"\d\s?(?:ft|in\b|%)", s)] == []
    assert any(re.search(r"\d\s?(?:m|cm)\b", s) for s in said)


@pytest.mark.parametrize("asks", [one.value for one in Asks])
def test_the_trainer_follows_the_units(metric, asks):
    address = f"/train/putt?asks={asks}&ground=made&level=2&seed=11"
    page = metric.get(address)
    (question,) = parsed(page).select("#question")
    chips = [one["value"] for one in question.select("button[name=answer]")]
    hints = [one.get("placeholder", "") for one in question.select("input")]
    answered = metric.post(address, data={"answer": (chips or [METRIC_ANSWERS[asks]])[-1], "by": "aim_spot"})
    result = metric.get(answered.location)
    assert result.status_code == 200
    said = [words_of(question), *hints, *[words_of(one) for one in parsed(result).select("#result, text")]]
    assert [one for one in said if re.search(r"\d\s?(?:ft|in\b|%)", one)] == []


def test_the_demo_putt_is_offered_in_the_golfers_units(metric):
    offered = links(metric.get("/"), "Spindrift")[0]
    assert "length=4.27+m" in offered
    assert metric.get(offered).status_code == 200


def test_steps_and_drags_are_in_the_golfers_units(metric):
    stepped = metric.get("/read?length=3&step=length:1")
    assert value(stepped, "length") == "3.25 m"
    rise = metric.get("/read?length=3&rise=3+cm&step=rise:1")
    assert value(rise, "rise") == "4 cm"
    assert parsed(rise).find(attrs={"data-far": "m", "data-near": "cm"})
    level = metric.get("/speed/ramp?seed=7&add=level")
    assert re.search(r"level=[\d.]+\+deg", level.location)


def test_a_greens_map_follows_the_units(metric, session):
    number = new_green(Viewer(metric.golfer), session, Place("Links", "4"), deep_m=20.0, wide_m=24.0)
    session.commit()
    green = f"/greens/{number}"
    said = {"tool": "slope", "by": "level", "do": "add", "place": "8 m on, 2 m left", "way": "front"}
    metric.post(green, data={**said, "size": "1 deg"})
    page = metric.get(green, query_string={"spot": "10 m on"})
    assert " cm from the front" in words_at(page, "#there")
    assert "°" in words_at(page, "#there")
    assert "cm" in words_of(parsed(page).select_one("#map"))
    assert "%" not in words_at(page, "#placed").replace("±", "")


def test_where_one_looks_from_and_how_the_putter_hangs_is_kept_as_typed(signed_in):
    own = {
        "stand": "3 m",
        "crouch_height": "62 cm",
        "shaft_left": "0.5 cm right",
        "shaft_right": "0.1 cm left",
    }
    assert signed_in.post("/measures", data={**METRIC, **own, "shaft": "50 cm"}).status_code == 303
    page = signed_in.get("/measures")
    kept = values(parsed(page))
    assert {name: kept[name] for name in own} == own
    assert "Look along its right edge. It hangs 0.11 deg out of plumb" in text(page)
    signed_in.post("/measures", data={**METRIC, "shaft_left": "0 cm", "shaft_right": "0.4 cm left"})
    assert "Look along its left edge: it hangs true." in text(signed_in.get("/measures"))


@pytest.mark.parametrize(
    ("typed", "message"),
    [
        ({"shoe": "3 ft"}, "Shoe, heel to toe must be between 6 and 18 in"),
        ({"finger_1": "wide"}, "Index finger cannot be read"),
        ({"arm_full": "2 m"}, "must be between 12 and 39 in"),
        ({"usual_past": "40 ft"}, "between 0 and 16 ft"),
        ({"stand": "40 ft"}, "I look from behind the ball must be between 1 and 26 ft"),
        ({"shaft_left": "4 in right"}, "Foot of its left edge must be at most 2 in"),
        ({"units": "rods"}, "Not a valid choice"),
    ],
)
def test_bad_measures_are_told_and_kept_on_the_page(signed_in, typed, message):
    response = signed_in.post("/measures", data={**METRIC, **typed})
    assert response.status_code == 422
    assert message in text(response)
    assert "units" in typed or values(parsed(response)).items() >= typed.items()


def test_stride_and_stroke_are_tried_and_taken_back(signed_in):
    for paces, tape in (("10", "28 ft"), ("10", "27 ft 6 in"), ("20", "56")):
        assert signed_in.post("/measures/stride", data={"paces": paces, "tape": tape}).status_code == 303
    assert "Your pace is 2.8 ft, within" in text(signed_in.get("/measures"))
    assert "3.6 paces" in text(signed_in.get("/read?length=10+ft"))
    assert "10 paces" in text(signed_in.get("/measures"))
    forms = parsed(signed_in.get("/measures")).find_all("form", action=re.compile("stride/.*/remove"))
    signed_in.post(forms[1]["action"])
    assert "10 paces along 27 ft 6 in" not in text(signed_in.get("/measures"))
    assert text(signed_in.get("/measures")).count("Remove") == 2
    bad = signed_in.post("/measures/stride", data={"paces": "0", "tape": "far"})
    assert bad.status_code == 422
    assert "Paces must be between 1 and 200" in text(bad)
    assert value(bad, "tape") == "far"
    odd = signed_in.post("/measures/stride", data={"paces": "1", "tape": "30 ft"})
    assert "A pace is 1 to 5 ft" in text(odd)
    stroke = {"stroke": "14 in", "roll": "12 ft", "stroke_speed": "10"}
    assert signed_in.post("/measures/stroke", data=stroke).status_code == 303
    assert "by your own putts" in text(signed_in.get("/read"))
    assert "must be 3 to 20 feet" in text(
        signed_in.post("/measures/stroke", data={**stroke, "stroke_speed": "99"})
    )


PAIRS = [("1 %", "0.6 %"), ("2 %", "1.7 %"), ("3 %", "2.2 %"), ("4 %", "2.9 %"), ("2 %", "1.2 %")]


def test_what_the_feet_tell_is_found_from_pairs_and_read_by(signed_in):
    felt = {**SPINDRIFT, "side": "3 felt"}
    before = signed_in.get("/read", query_string=felt)
    assert value(before, "side") == "3 %"
    assert "felt ±1.5 %" in text(before)
    assert "5 more pairs" in text(signed_in.get("/measures"))
    for guess, level in PAIRS:
        pair = {"sense": "feet", "guess": guess, "level": level}
        assert signed_in.post("/measures/slope", data=pair).status_code == 303
    page = signed_in.get("/measures")
    assert "what you take for 3 % is 2.2 %" in text(page)
    assert len(parsed(page).find_all(attrs={"data-part": "pair"})) == 5
    after = signed_in.get("/read", query_string=felt)
    assert value(after, "side") == "2.2 %"
    chosen = parsed(after).find("select", id="side_from").find("option", selected=True)
    assert words_of(chosen).startswith("felt, yours ±")
    remove = parsed(page).find(id="slope").find("form", action=lambda to: to and "remove" in to)
    assert signed_in.post(remove["action"]).status_code == 303
    assert "1 more pair" in text(signed_in.get("/measures"))


@pytest.mark.parametrize(
    ("typed", "message"),
    [
        ({"guess": "nine", "level": "1 %"}, "Your guess cannot be read"),
        ({"guess": "12 %", "level": "1 %"}, "between 0 and 10 %"),
        ({"guess": "2 %", "level": ""}, "The level is not there yet"),
        ({"guess": "2 %", "level": "1 %", "sense": "nose"}, ""),
    ],
)
def test_pairs_that_cannot_be_are_told(signed_in, typed, message):
    page = signed_in.post("/measures/slope", data={"sense": "feet", **typed})
    assert page.status_code == 422
    assert message in text(page)


def test_measuring_oneself_is_refused_in_competition_but_units_are_not(signed_in):
    signed_in.post("/mode", data={"mode": "competition"})
    assert signed_in.post("/measures/stride", data={"paces": "10", "tape": "28 ft"}).status_code == 403
    assert "Measuring is off in Competition" in text(signed_in.get("/measures"))
    assert signed_in.post("/measures", data=METRIC).status_code == 303


def test_the_beat_is_set_from_the_read(client):
    page = client.get(links(client.get("/read", query_string=SPINDRIFT), "/beat")[0])
    assert "beat mark: 6.8 ft" in text(page)
    assert "8 in back, as far through" in text(page)
    assert "0.6 s back, 0.3 s to the ball" in text(page)
    assert "0.8 s back, 0.4 s to the ball" in text(client.get("/beat?back=0.8"))
    bad = client.get("/beat?back=0&mark=far")
    assert bad.status_code == 422
    assert "Back must be between 0.3 and 1.2 s" in text(bad)


def test_a_left_hander_sees_the_hole_on_the_right(metric):
    assert "to the hole →" in text(metric.get("/beat"))


TO_ME = {"past": "9 in", "usual": "9 in"}
"""A roll-past as the page filled it in."""


@pytest.fixture
def three_pasts(signed_in):
    pasts = {"usual_past": "9 in", "usual_past_uphill": "13 in", "usual_past_downhill": "5 in"}
    signed_in.post("/measures", data={**METRIC, "units": "feet", "slopes": "percent", **pasts})
    return signed_in


@pytest.mark.parametrize(
    ("asked", "past", "beside"),
    [
        ({}, "9 in", "usual"),
        ({"rise": "2 %", "slope": "down"}, "5 in", "usual downhill"),
        ({"rise": "2 %", "slope": "up", **TO_ME}, "13 in", "usual uphill"),
        ({"rise": "2 %", "slope": "up", "past": "7 in", "usual": "9 in"}, "7 in", "if covered"),
        ({"rise": "2 %", "slope": "up", "past": "9 in"}, "9 in", "if covered"),
        ({**TO_ME, "step": "past:1"}, "10 in", "if covered"),
        ({**TO_ME, "around": "180", "rise": "2 %", "slope": "up"}, "5 in", "usual downhill"),
    ],
)
def test_the_usual_roll_past_goes_with_the_slope_until_another_is_asked_for(three_pasts, asked, past, beside):
    page = three_pasts.get("/read", query_string=asked)
    assert value(page, "past") == past
    assert beside in words_of(parsed(page).select_one("#past-beside"))


def test_a_tempo_is_kept_and_the_read_counts_by_it(signed_in):
    page = signed_in.get("/beat?back=0.7&beat=1.3")
    assert "Keep this tempo and beat as mine" in text(page)
    signed_in.post("/beat", data={"back": "0.7", "beat": "1.3"})
    assert "0.7 s back, 0.35 s to the ball" in text(signed_in.get("/beat"))
    assert "0.7 s back, then one beat of 1.3 s" in text(signed_in.get("/measures"))
    read = signed_in.get("/read", query_string=SPINDRIFT)
    assert "one beat, 1.3 s, after the strike" in text(read)
    assert signed_in.get("/read/roll", query_string=SPINDRIFT).get_json()["beat_s"] == 1.3
    refused = signed_in.post("/beat", data={"back": "0.7", "beat": "3"})
    assert "One beat must be between 0.8 and 2 s" in text(signed_in.get(refused.location))


def test_the_stroke_is_held_against_the_golfers_feet(signed_in):
    signed_in.post("/measures", data={**METRIC, "units": "feet", "slopes": "percent", "stance": "17 in"})
    assert re.search(r"its ends ½ in inside your feet", text(signed_in.get("/read", query_string=SPINDRIFT)))


def test_a_roll_past_kept_in_inches_is_round_in_centimetres_too(three_pasts):
    three_pasts.post("/measures", data={**METRIC, "usual_past": "12 in"})
    page = three_pasts.get("/read", query_string={"rise": "2 deg", "slope": "down"})
    assert value(page, "past") == "30.5 cm"
    assert "usual downhill" in words_of(parsed(page).select_one("#past-beside"))
