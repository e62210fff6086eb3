"""Measuring the green: the ramp and its simulated green, other ways, the book, the speed of a read."""

import re
from urllib.parse import parse_qsl, urlsplit

import pytest
from sqlalchemy import select

from orthocline.db.speed.models import SpeedNote
from orthocline.formats.sheet import sheet_of
from orthocline.services.account.access import Viewer
from orthocline.services.account.trials import add_stroke_putt
from orthocline.services.speed.measuring import hidden_green
from tests.page import drawn, fields, holds, parsed, text, value
from tests.speeds import COURSE, kept_speed

PART = {"HX-Request": "true"}
RODS = {"length": "30 in", "angle": "20 deg", "rails": "rods", "gap": "20 mm"}
ROLLS = {"out": ["9 ft 2 in", "9'4\"", "2.82 m"], "back": ["11 ft", "11 ft 3 in", "11 ft 1 in"]}
RAMP, OTHER = "/speed/ramp", "/speed/without-a-ramp"


def test_rolls_of_any_unit_both_ways_give_speed_slope_and_spread(client):
    page = client.get(RAMP, query_string={**RODS, **ROLLS})
    assert "Speed 10.1, within 0.3 ft." in text(page)
    assert "The ground rises 0.7 % the way out" in text(page)
    assert "(3 balls, spread" in text(page)
    assert "its rolls are the standard ramp's" in text(page)
    assert "Lift the upper end 10¼ in" in text(page)
    assert len(drawn(page, "roll-out") + drawn(page, "roll-back")) == 6, "each roll is a dot"


def test_the_ramp_is_drawn_to_scale(client):
    def steepness(**ramp):
        page = parsed(client.get(RAMP, query_string={**RODS, **ramp}))
        (ramps_line,) = page.find_all("path", d=re.compile(r"^M[\d. ]+L430 232$"))
        x, y = map(float, ramps_line["d"][1:].split("L")[0].split())
        return (430 - x) / (232 - y)

    assert steepness() == pytest.approx(1 / 0.36397, rel=0.01)
    assert "drawn 3 times as steep" in text(client.get(RAMP, query_string={**RODS, **ROLLS}))
    steep = {**RODS, "out": "6 ft", "back": "20 ft"}
    assert "the way out (not to scale)" in text(client.get(RAMP, query_string=steep))
    assert steepness(angle="10 deg", length="50 in") == pytest.approx(1 / 0.17633, rel=0.01)


def test_a_roll_that_stands_out_is_pointed_at_and_left_out_only_when_asked(client):
    odd = {**RODS, "out": ["9 ft", "9 ft 1 in", "9 ft 2 in", "11 ft"], "back": ["9 ft", "9 ft", "9 ft"]}
    page = client.get(RAMP, query_string=odd)
    assert "stands out from the others. It counts until you leave it out" in text(page)
    assert holds(page, "out-4")
    without = client.get(RAMP, query_string={**odd, "left_out": "out-4"})
    assert "stands out" not in text(without)
    assert "(3 balls" in text(without)
    assert holds(without, "11 ft"), "it stays on the page"


def test_one_way_is_flagged_with_what_a_slope_can_do_and_a_level_takes_it_out(client):
    one = {**RODS, "out": ROLLS["out"]}
    assert (
        "One way only. If the ground falls 1 % that way the speed is 8.3, if it rises as much 10.5"
        in text(client.get(RAMP, query_string=one))
    )
    levelled = text(client.get(RAMP, query_string={**one, "level": "0.8 %", "averaged": "1"}))
    assert "with the level's slope taken out" in levelled
    both = {**RODS, **ROLLS, "level": "0.7", "level_way": "up", "level_with": "level_averaged"}
    assert "no grain to be told" in text(client.get(RAMP, query_string=both))
    grain = text(client.get(RAMP, query_string={**both, "level_way": "down"}))
    assert "What the level does not see is grain: it grows the way back" in grain


def test_paces_and_shoes_are_less_sure(client):
    paced = text(client.get(RAMP, query_string={**RODS, "out": ["3 paces"] * 3, "back": ["10 shoes"] * 3}))
    assert "within 1.0 ft" in paced
    assert "Rolls in paces or shoes are less sure than a tape; the usual pace is 3 ft." in paced


@pytest.mark.parametrize(
    ("change", "message"),
    [
        ({"out": "80 ft"}, "A roll must be between 1 and 60 ft"),
        ({"out": "0"}, "A roll must be between 1 and 60 ft"),
        ({"out": "far"}, "A roll cannot be read"),
        ({"out": "9 ft 2 %"}, "A roll has an unknown unit"),
        ({"length": "3 ft", "angle": "70 deg"}, "Angle must be between 5 and 45 degrees"),
        ({"length": "3 miles"}, "Ramp length has an unknown unit"),
        ({"gap": "43 mm"}, "Gap must be between 5 and 38 mm"),
        ({"rails": "groove", "groove": "20 deg"}, "Groove must be between 60 and 180 degrees"),
        ({"length": "\0"}, "Ramp length cannot be read"),
        ({"rails": "wheels"}, "Not a valid choice"),
        ({"seed": "-3"}, "Simulated green must be a whole number"),
        ({"out": "59 ft"}, "no green lies outside 3 to 20 feet"),
        ({"level": "40 %"}, "Level reading must be at most 10 %"),
        ({"out": "59 ft", "level": "9 %"}, "Check the level's reading"),
    ],
)
def test_bad_figures_are_told_and_kept(client, change, message):
    asked = {**RODS, "out": "9 ft 2 in", **change}
    for headers in ({}, PART):
        response = client.get(RAMP, query_string=asked, headers=headers)
        assert response.status_code == 422
        assert message in text(response)
        if "out" in change:
            assert holds(response, change["out"])


def test_no_roll_and_one_roll_are_no_fault(client):
    assert client.get(RAMP).status_code == 200
    assert "Roll three balls out" in text(client.get(RAMP))
    nothing = client.get(RAMP, query_string={"out": "9 ft 2 in", "left_out": "out-1"})
    assert "No rolls yet" in text(nothing)
    one = client.get(RAMP, query_string={"out": "9 ft 2 in"})
    assert one.status_code == 200
    assert "One way only" in text(one)


def test_the_part_follows_the_address(client):
    part = client.get(RAMP, query_string={**RODS, **ROLLS}, headers=PART)
    assert parsed(part).html is None
    assert fields(part.headers["HX-Replace-Url"])["out"] == ROLLS["out"]
    assert parsed(part).find(id="kept-fields")["hx-swap-oob"] == "true"


def test_the_simulated_ramp_rolls_on_a_hidden_green_and_tells_when_asked(client):
    start = client.get(RAMP, query_string={**RODS, "add": "another"})
    assert start.status_code == 303
    assert 1 <= int(fields(start.location)["seed"][0]) <= 999_999
    rolled = client.get(RAMP, query_string={**RODS, "seed": "7", "add": "six"})
    made = fields(rolled.location)
    assert [len(made[way]) for way in ("out", "back")] == [3, 3]
    again = client.get(RAMP, query_string={**RODS, "seed": "7", "add": "six"})
    assert again.location == rolled.location
    more = client.get(f"{rolled.location}&add=out")
    assert len(fields(more.location)["out"]) == 4
    level = client.get(f"{rolled.location}&add=level")
    assert "level" in fields(level.location)
    told = client.get(f"{rolled.location}&reveal=1")
    assert f"Hidden were speed {hidden_green(7).speed_ft}" in text(told)
    assert "within what it said of itself" in text(told)


def test_two_rods_on_an_unseen_slope_measure_the_hidden_green_within_three_tenths(client):
    hidden = {**RODS, "seed": "21", "sim_speed": "9.4", "sim_slope": "1 %", "sim_grain": "0", "add": "six"}
    rolled = client.get(client.get(RAMP, query_string=hidden).location)
    speed = float(re.search(r"Speed (\d+\.\d), within", text(rolled))[1])
    assert abs(speed - 9.4) <= 0.3
    slope = float(re.search(r"rises ([\d.]+) % the way out", text(rolled))[1])
    assert slope == pytest.approx(1.0, abs=0.4)


def test_a_kept_speed_goes_into_the_book_and_on_to_the_read_that_asked(signed_in, session):
    read = "/read?length=9+ft&side=1+%25&speed=8&past=12+in"
    kept = {**RODS, **ROLLS, "course": COURSE, "green": "practice green", "next": read, "trueness": "4"}
    response = signed_in.post(RAMP, data=kept)
    assert response.status_code == 303
    onward = dict(parse_qsl(urlsplit(response.location).query))
    assert (onward["speed"], onward["length"]) == ("10.1", "9 ft")
    assert re.fullmatch(r"10\.1 ±0\.3 at \d{4}-\d\d-\d\dT\d\d:\d\dZ by ramp", onward["measured"])
    page = signed_in.get(response.location)
    assert re.search(r"by ramp, \d\d:\d\d ±0\.3 ft", text(page))
    note = session.query(SpeedNote).one()
    assert (note.course.name, note.method, note.trueness) == (COURSE, "ramp", 4)
    assert value(signed_in.get(RAMP), "gap") == "20 mm"
    again = signed_in.get(f"{RAMP}?{sheet_of(note.evidence).query}")
    assert "Speed 10.1" in text(again)


def test_a_stranger_reads_with_a_speed_that_nobody_keeps(client):
    page = client.get(RAMP, query_string={**RODS, **ROLLS, "next": "/read?length=9+ft&speed=8"})
    read = client.get(parsed(page).find(id="read-with").a["href"])
    assert re.search(r"by ramp, \d\d:\d\d ±0\.3 ft", text(read))
    assert (value(read, "length"), value(read, "speed")) == ("9 ft", "10.1")


def test_a_stranger_signs_in_and_finds_every_roll_again(client):
    response = client.post(RAMP, data={**RODS, **ROLLS, "course": COURSE, "note": "dew"})
    assert response.location.startswith("/sign-in?next=")
    back = fields(fields(response.location)["next"][0])
    assert (back["out"], back["course"], back["note"]) == (ROLLS["out"], [COURSE], ["dew"])


def test_competition_refuses_and_loses_nothing(signed_in):
    signed_in.post("/mode", data={"mode": "competition"})
    for address in (RAMP, OTHER, "/speed", "/beat"):
        refused = signed_in.get(address)
        assert refused.status_code == 403
        assert "committee" in text(refused)
    response = signed_in.post(RAMP, data={**RODS, **ROLLS, "course": COURSE})
    assert signed_in.get(response.location).status_code == 403
    signed_in.post("/mode", data={"mode": "open_play"})
    assert "Speed 10.1" in text(signed_in.get(response.location))
    assert value(signed_in.get(response.location), "course") == COURSE


@pytest.mark.parametrize(
    ("change", "message"),
    [
        ({"course": ""}, "Which course?"),
        ({"course": "x" * 81}, "At most 80 characters"),
        ({"when": "2999-01-01T08:00"}, "still to come"),
        ({"when": "yesterday"}, "A day and a time, such as"),
        ({"when": "1999-01-01T00:00"}, "ten years ago"),
        ({"when": "0001-01-01T00:00"}, "Measured"),
        ({"trueness": "9"}, "Not a valid choice"),
        ({"out": ["80 ft"]}, "Mend the marked figures first"),
        ({"out": ["1 ft"], "back": ["1 ft"]}, "no green lies outside 3 to 20 feet"),
    ],
)
def test_what_cannot_be_kept_is_told_with_everything_typed_still_there(signed_in, change, message):
    response = signed_in.post(RAMP, data={**RODS, **ROLLS, "course": COURSE, "note": "dew", **change})
    assert response.status_code == 422
    assert message in text(response)
    assert value(response, "note") == "dew"


@pytest.mark.parametrize(
    ("asked", "words"),
    [
        ({"by": "posted", "posted": "10.5"}, "Speed 10.5, within 1.0 ft."),
        ({"by": "timed", "length": "4 m", "times": ["3.5", "3.6 s", "3.4"]}, "Speed 8.6, within"),
        ({"by": "timed", "length": "4 paces", "times": ["3.5"]}, "Three times are surer"),
        ({"by": "tuning", "target": "12 ft", "balls": ["12 ft 6 in", "13 ft", "11 ft"]}, "2 of 3 where"),
        ({"by": "tuning", "target": "12 ft", "zone": "9 in", "balls": ["12 ft 6 in", "13 ft"]}, "1 of 2"),
        (
            {"by": "tuning", "target": "12 ft", "balls": ["12 ft 6 in", "13 ft"]},
            "Every ball where it should be.",
        ),
    ],
)
def test_other_ways(client, asked, words):
    for headers in ({}, PART):
        response = client.get(OTHER, query_string=asked, headers=headers)
        assert response.status_code == 200
        assert words in text(response)


@pytest.mark.parametrize(
    ("asked", "message"),
    [
        ({"by": "posted", "posted": "2"}, "between 3 and 20 feet"),
        ({"by": "timed", "length": "4 m", "times": "0 s"}, "A time must be between 0.5 and 30 s"),
        ({"by": "timed", "length": "20 m", "times": "0.5"}, "Check the times"),
        ({"by": "timed", "length": "20 m", "times": "14"}, "no green lies outside 3 to 20"),
        ({"by": "timed", "times": "3.5"}, "How far did it roll?"),
        ({"by": "timed", "length": "4 m", "times": "3 ft"}, "A time has an unknown unit"),
        ({"by": "stroke", "strokes": "12 in", "rolls": "8 ft"}, "Calibrate your stroke first"),
        ({"by": "stroke", "strokes": ["12 in", "14 in"], "rolls": "8 ft"}, "Each stroke needs its roll"),
        ({"by": "tuning", "target": "12 ft", "balls": "200 ft"}, "A ball must be between 1 and 100 ft"),
        ({"by": "tuning", "target": "1 in", "balls": "12 ft"}, "Distance must be between 3 and 60 ft"),
        ({"by": "tuning", "zone": "9 ft", "balls": "12 ft"}, "Good up to must be between 2 in and 6 ft"),
    ],
)
def test_other_ways_tell_what_cannot_be(client, asked, message):
    response = client.get(OTHER, query_string=asked)
    assert message in text(response)
    assert client.get(OTHER, query_string={"by": "feel"}).status_code == 200


def test_a_calibrated_stroke_gives_a_speed(signed_in, session):
    for stroke, roll in ((0.30, 2.2), (0.40, 3.95), (0.50, 6.15)):
        add_stroke_putt(Viewer(signed_in.golfer), session, stroke_m=stroke, roll_m=roll, green_speed_ft=10.0)
    session.commit()
    asked = {"by": "stroke", "strokes": ["40 cm", "50 cm", "45 cm"], "rolls": ["4.4 m", "6.8 m", "5.5 m"]}
    page = signed_in.get(OTHER, query_string=asked)
    assert "Speed 11.1, within" in text(page)
    assert "your calibration is good to" in text(page)
    paced = text(signed_in.get(OTHER, query_string={**asked, "rolls": ["5 paces", "7.5 paces", "6 paces"]}))
    surer, less = (float(re.search(r"within ([\d.]+) ft", said)[1]) for said in (text(page), paced))
    assert less > surer + 0.3


def test_a_posted_number_is_weighed_with_the_books(signed_in, session):
    kept_speed(session, signed_in.golfer, 10.0, within=0.3)
    session.commit()
    page = text(signed_in.get(OTHER, query_string={"by": "posted", "posted": "11"}))
    assert "Posted number: 11.0 ±1.0" in page
    assert re.search(r"Together: 10\.[01] ±0\.[3456]", page)
    kept = signed_in.post(OTHER, data={"by": "posted", "posted": "11", "course": COURSE})
    assert kept.location == "/speed"
    assert "From 2 measures, the surer ones weighing more" in text(signed_in.get("/speed"))
    zero = {"by": "tuning", "target": "12 ft", "balls": "12 ft", "course": COURSE}
    assert signed_in.post(OTHER, data=zero).status_code == 422
    assert session.query(SpeedNote).count() == 2, "tuning putts are not taken for a speed"


def test_ends_aside_tell_how_true_the_green_is_and_are_kept_with_the_speed(signed_in, session):
    asides = {"out_aside": ["3 in left", "2 in right", "0"], "back_aside": ["1 right", "-4 in", "2 in left"]}
    page = signed_in.get(RAMP, query_string={**RODS, **ROLLS, **asides})
    assert "Rolls end within 2.4° of their line: trueness 1 of 5" in text(page)
    one_bad = signed_in.get(RAMP, query_string={**RODS, **ROLLS, "out_aside": "far left"})
    assert one_bad.status_code == 422
    assert "How far aside cannot be read" in text(one_bad)
    signed_in.post(RAMP, data={**RODS, **ROLLS, **asides, "course": COURSE})
    note = session.scalars(select(SpeedNote)).one()
    assert note.trueness == 1
    assert [one["figure"] for one in note.evidence["figures"]["out_aside"]] == pytest.approx(
        [-0.0762, 0.0508, 0.0], abs=1e-4
    )
    signed_in.post(RAMP, data={**RODS, **ROLLS, **asides, "course": COURSE, "trueness": "3"})
    assert session.scalars(select(SpeedNote.trueness).order_by(SpeedNote.id.desc())).first() == 3


def test_an_end_that_was_not_noted_leaves_its_roll_without_one(client):
    aside = ["1 in left", "", "1 in right", "0", ""]
    gap = {"out": ["9 ft", "9 ft 1 in", "9 ft 2 in", "9 ft"], "out_aside": aside}
    page = client.get(RAMP, query_string={**RODS, **gap})
    typed = parsed(page).find(id="inputs").find_all("input", {"name": "out_aside"})
    assert [field["value"] for field in typed] == aside
    assert "Rolls end within 1.1° of their line" in text(page)
    left_out = client.get(RAMP, query_string={**RODS, **gap, "left_out": "out-3"})
    assert "Three one way are enough" in text(left_out), "two are left"
