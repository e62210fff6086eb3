"""How sure a read is, on its page: where figures come from, the range, what next, and the fan."""

import json
import re

import pytest
from sqlalchemy import select

from orthocline.db.log.models import LoggedPutt
from tests.page import link, parsed, text, words_of
from tests.page import values as fields_of
from tests.reads import SPINDRIFT

METRIC = {"units": "metres", "slopes": "degrees", "bend": "borrow", "hand": "left", "eye": "unknown"}
FELT = {**SPINDRIFT, "side_from": "feet"}


def asked(client, **more):
    return client.get("/read", query_string={**SPINDRIFT, **more})


def exact(page):
    return json.loads(parsed(page).find(id="drawing")["data-values"])


def part_of(page, name):
    return words_of(parsed(page).find(id=name))


def takes(page):
    """The addresses that take candidate lines away."""
    return [line.a["href"] for line in parsed(page).find(id="start-lines").find_all("li")]


def chosen(page, name):
    return parsed(page).find("select", attrs={"name": name}).find("option", selected=True)["value"]


def test_a_felt_tilt_gives_a_range_and_a_headline_that_it_bears(client):
    page = client.get("/read", query_string=FELT)
    assert part_of(page, "headline").startswith("Aim 18 in right of centre.")
    assert part_of(page, "range").startswith("Between 6 and 33 in right.")
    assert "A level across the line half-way would leave" in part_of(page, "range")
    assert "17¾" not in text(page)
    assert parsed(page).find("path", attrs={"data-part": "range"})
    assert "level next" in part_of(page, "drawing")


def test_typed_figures_have_no_range(client):
    page = asked(client)
    assert parsed(page).find(id="range") is None
    assert "17¾ in right" in part_of(page, "headline")
    assert "taken as typed" in part_of(page, "next")
    assert parsed(page).find("path", attrs={"data-part": "range"}) is None


@pytest.mark.parametrize(
    ("typed", "kept", "said"),
    [
        ({"side": "2.1 ±0.8 %"}, {"side": "2.1 ±0.8 %"}, "Between 11 and 25 in right"),
        ({"side": "2.1 % +- 0.8"}, {"side": "2.1 ±0.8 %"}, "Between 11 and 25 in right"),
        ({"length": "14 ft ±10 %"}, {"length": "14 ±1.4 ft"}, "Between 15"),
        ({"length": "14 ± 1.4 ft"}, {"length": "14 ±1.4 ft"}, "Between 15"),
        ({"rise": "1½ in ±1"}, {"rise": "1.5 ±1 in"}, "Between"),
        ({"speed": "10.2 ±0.5"}, {"speed": "10.2 ±0.5"}, "Between"),
    ],
)
def test_how_sure_a_figure_is_can_be_typed_with_it(client, typed, kept, said):
    page = asked(client, **typed)
    assert part_of(page, "range").startswith(said)
    fields = exact(page)
    assert {name: fields[name] for name in kept} == kept
    again = client.get("/read", query_string=fields)
    assert (exact(again), part_of(again, "range")) == (fields, part_of(page, "range"))


@pytest.mark.parametrize(
    ("typed", "message"),
    [
        ({"side": "2.1 ±30 %"}, "Tilt is sure within 0 to 25 %."),
        ({"length": "14 ft ±60 %"}, "Length is sure within 0 to 50 %."),
        ({"length": "14 ft ±a %"}, "Length cannot be read"),
        ({"speed": "10 ±6"}, "Green speed is sure within 0 to 5 feet."),
        ({"speed": "10 ±"}, ""),
        ({"side": "2 ±0.5 furlongs"}, "Tilt has an unknown unit"),
        ({"side_from": "crystal ball"}, "Not a valid choice"),
    ],
)
def test_what_cannot_be_so_sure_is_said_and_stays(client, typed, message):
    page = asked(client, **typed)
    assert page.status_code == (422 if message else 200)
    assert message in text(page)
    ((name, said),) = typed.items()
    if message and name != "side_from":
        assert parsed(page).find("input", attrs={"name": name})["value"] == said


def test_a_length_in_paces_is_a_paced_one_unless_it_is_said_otherwise(client):
    page = asked(client, length="5 paces")
    assert chosen(page, "length_from") == "usual_paces"
    assert "Between" in part_of(page, "range")
    taped = asked(client, length="5 paces", length_from="tape")
    assert parsed(taped).find(id="range") is None
    assert "±0.5 %" in words_of(parsed(page).find("select", attrs={"name": "side_from"}))


def test_the_source_of_each_figure_is_a_choice_beside_it(client):
    sources = {"side_from": "trained_eye", "rise_from": "rise_by_eye", "length_from": "own_paces"}
    for name, by in sources.items():
        page = asked(client, **{name: by})
        assert chosen(page, name) == by
        assert exact(page)[name] == by
        assert parsed(page).find(id="range") is not None


def test_a_speed_ages_and_a_speed_of_ones_own_goes_before_it(client):
    fresh = asked(client, measured="10.2 ±0.3 at 2026-01-01T07:40Z by ramp")
    assert "plays like" in text(fresh).lower()
    assert "Between" in part_of(fresh, "range"), "the months since make it unsure"
    own = asked(client, measured="10.2 ±0.3 at 2026-01-01T07:40Z by ramp", speed="10.2 ±0.1")
    assert "as typed" in part_of(own, "source-head")


def test_grain_by_its_kind_is_judged_by_clues_and_a_number_is_not(client):
    kind = asked(client, grain="strong", grain_toward="right")
    assert "Between" in part_of(kind, "range")
    assert parsed(asked(client, grain="0.14", grain_toward="right")).find(id="range") is None


def test_what_to_find_out_next_is_listed_and_leads_to_where_it_is_noted(client):
    page = client.get("/read", query_string={**FELT, "length": "5 paces"})
    lines = [words_of(line) for line in parsed(page).find(id="next").find_all("li")]
    assert lines[0].startswith("A level across the line half-way leaves")
    assert len(lines) >= 4
    noted = client.get(parsed(page).find(id="next").a["href"].partition("#")[0])
    assert chosen(noted, "side_from") == "level"
    page = asked(client, speed="10.2 ±1", length="5 paces")
    lines = [words_of(line) for line in parsed(page).find(id="next").find_all("li")]
    named = [line.partition(" leaves")[0] for line in lines]
    assert named == ["Three balls each way of the ramp", "Pacing it again"]
    assert "/speed/ramp" in link(page, "measure the speed")


def test_where_the_slope_counts_is_said_and_drawn(client):
    page = asked(client)
    assert "The last third shows 69 of 100 parts of the turning" in part_of(page, "counting")
    profile = parsed(page).find(id="side-view")
    thirds = profile.find_all("text", attrs={"data-part": "counts"})
    assert sum(int(words_of(one)) for one in thirds) == pytest.approx(100, abs=1)
    straight = asked(client, side="0 %")
    assert "It rolls straight" in part_of(straight, "counting")


def test_the_fan_is_closed_line_by_line(client):
    fan = {**FELT, "side_from": "level", "fan": "1", "tries": "12 in right, 18 in right, 3 in left"}
    page = client.get("/read", query_string=fan)
    drawing = parsed(page).find(id="plan")
    assert len(drawing.find_all(attrs={"data-part": "fan"})) == 24
    assert len(drawing.find_all(attrs={"data-part": "try"})) == 3
    lines = [words_of(line) for line in parsed(page).find(id="start-lines").find_all("li")]
    assert lines[2].startswith("3 in left: never drops")
    assert "18 in right: drops in" in lines[1]
    fewer = client.get(takes(page)[2])
    assert exact(fewer)["tries"] == "12 in right, 18 in right"
    last = client.get(takes(fewer)[0])
    assert exact(last)["tries"] == "18 in right"
    mine = client.get(link(last, "Make it your read"))
    assert fields_of(parsed(mine))["own"] == "18 in"


@pytest.mark.parametrize(
    ("tries", "message"),
    [
        ("twelve", "A line cannot be read"),
        (", ".join(["1 in"] * 10), "Lay at most 9 lines"),
        ("200 ft right", "A line aims at most 100 ft"),
    ],
)
def test_lines_that_cannot_be_laid_are_said(client, tries, message):
    page = asked(client, tries=tries)
    assert page.status_code == 422
    assert message in text(page)
    assert parsed(page).find(id="tries")["value"] == tries


def test_a_read_that_is_held_back_says_nothing_of_its_range(client):
    page = client.get("/read", query_string={**FELT, "first": "1"})
    assert "Between" not in text(page)
    assert parsed(page).find(id="next").find("li") is None
    assert parsed(page).find("path", attrs={"data-part": "range"}) is None


def test_how_sure_it_was_is_kept_with_the_read_and_comes_back(signed_in, session):
    signed_in.post("/log", data={**FELT, "length": "14 ft ±4 %"})
    kept = session.scalars(select(LoggedPutt)).one()
    assert kept.putt_document["within"] == pytest.approx({"length_percent": 4.0, "side_percent": 1.5})
    assert kept.read_document["aim_range_right_m"][0] < kept.read_document["aim_right_m"]
    assert "aim 18 in right, 9 in past" in text(signed_in.get("/log"))
    today = signed_in.get("/")
    assert "Aim 18 in right" in text(today)
    again = signed_in.get(parsed(today).find("a", class_="block")["href"])
    assert exact(again)["side"] == "2.1 ±1.5 %"
    assert "Between 6 and 33 in right" in part_of(again, "range")


def test_a_read_by_a_speed_that_is_hardly_known_is_kept_and_comes_back(signed_in, session):
    old = {**FELT, "measured": "10.2 ±9.9 at 2024-01-01T07:40Z by ramp"}
    signed_in.post("/log", data=old)
    kept = session.scalars(select(LoggedPutt)).one()
    assert kept.putt_document["within"]["green_speed_ft"] == 5.0
    assert signed_in.get("/").status_code == 200


def test_metres_and_degrees_are_kept_to(signed_in):
    signed_in.post("/measures", data=METRIC)
    metric = {**FELT, "length": "4.27 m", "past": "23 cm", "side": "1.2 deg", "rise": "0.5 deg"}
    page = signed_in.get("/read", query_string=metric)
    assert re.match(r"Between \d+ and \d+ cm right", part_of(page, "range"))
    assert "±0.9°" in words_of(parsed(page).find("select", attrs={"name": "side_from"}))
    for name in ("call", "next", "start-lines", "counting"):
        assert "%" not in part_of(page, name)
