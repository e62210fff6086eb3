"""Holes of the day on pages: asked for, waited for, its map and its list, its sheet."""

import math

import pytest

from orthocline.core.chart import Chart, ChartPin, ChartReading
from orthocline.core.study import Played, places_of
from orthocline.db.carry.models import Print
from orthocline.db.ground.models import GreenStudy
from orthocline.db.jobs.models import Job
from orthocline.engine import blocks
from orthocline.services.account.access import Viewer
from orthocline.services.ground.charts import keep_chart, new_green
from orthocline.services.ground.places import Place
from orthocline.services.jobs.jobs import carry_out
from tests.formats.test_printed import pdftotext
from tests.page import drawn, links, parsed, text, value, words_at

CORNERS = ((-9.0, 0.0), (9.0, 0.0), (9.0, 18.0), (-9.0, 18.0))
READ = tuple(
    ChartReading((x, y), "level_averaged", way, size)
    for x in (-8.0, -3.0, 3.0, 8.0)
    for y in (2.0, 6.5, 11.0, 16.0)
    for way, size in ((-0.5 * math.pi, 0.015), (0.0, 0.0))
)
PINS = (
    ChartPin((2.0, 6.0), "front"),
    ChartPin((-8.0, 2.0), "corner"),
    ChartPin((0.0, 9.0), "old", retired=True),
)


@pytest.fixture
def green(signed_in, session):
    """The address of the holes of a green of Tove's."""
    chart = Chart(CORNERS, READ, PINS)
    number = keep_chart(Viewer(signed_in.golfer), session, Place("Links", "green 6"), chart, "charted")
    session.commit()
    return f"/greens/{number}/holes"


@pytest.fixture
def study(signed_in, session, sessions, green, monkeypatch):
    """The address of a study that is worked out: harder farther back, at 11 too steep but on the right."""

    def worked_out(_work, _asked, items):
        for number, (speed, (x, y)) in enumerate(items):
            holds = 0.5 if speed == 1 and x < 5.0 else 1.0
            yield number, Played(holds, 0.9 - 0.01 * y, 0.6 - 0.01 * y, 0.05 + 0.01 * y, 100)

    monkeypatch.setattr(blocks, "worked_out", worked_out)
    asked = signed_in.post(green, data={"speed": "10", "faster": "y", "level": "middle"})
    address = asked.location
    number = int(address.rpartition("/")[2])
    carry_out(sessions, session.get(GreenStudy, number).job_id)
    session.expire_all()
    return address


def test_it_is_asked_for_waited_for_and_cancelled(signed_in, session, green):
    asked = signed_in.post(green, data={"speed": "10.5", "faster": "y", "level": "tournament"})
    assert asked.status_code == 303
    page = signed_in.get(asked.location)
    assert "It waits for its turn" in text(page)
    assert "Speed 10.5 and 11.5, tournament golfers" in text(signed_in.get(green))
    job = session.get(GreenStudy, int(asked.location.rpartition("/")[2])).job_id
    assert session.get(Job, job).total == 2 * len(places_of(Chart(CORNERS).outline))
    signed_in.post(f"/jobs/{job}/cancel")
    assert "It was cancelled" in text(signed_in.get(asked.location))


def test_without_the_foot_more_it_is_one_speed(signed_in, green):
    signed_in.post(green, data={"speed": "10.5", "level": "new"})
    assert "Speed 10.5, new golfers" in text(signed_in.get(green))


@pytest.mark.parametrize(
    ("speed", "says"), [("fast", "Green speed"), ("99", "between"), ("19.5", "foot more")]
)
def test_what_is_typed_stays_with_what_is_wrong(signed_in, green, speed, says):
    page = signed_in.post(green, data={"speed": speed, "faster": "y", "level": "low"})
    assert page.status_code == 422
    assert value(page, "speed") == speed
    assert says in words_at(page, "#speed-message")
    assert parsed(page).select_one("#level option[selected]")["value"] == "low"


def test_a_green_without_readings_says_what_is_first(signed_in, session):
    bare = new_green(Viewer(signed_in.golfer), session, Place("Links", "9"), deep_m=20.0, wide_m=20.0)
    session.commit()
    page = signed_in.get(f"/greens/{bare}/holes")
    assert "Nothing is read of this green yet" in text(page)
    assert not parsed(page).select("#speed")


def test_the_map_and_the_list_say_where(signed_in, study):
    page = signed_in.get(study)
    lead = words_at(page, "#lead")
    assert lead == "Easiest fair hole at speed 10 and 11: 5 paces on, 5 right."
    tables = parsed(page).select("table")
    rows = [" ".join(row.get_text(" ").split()) for row in tables[0].select("tbody tr")]
    assert len(rows) == 9
    assert rows[0].startswith("1 5 paces on")
    assert "Fair at 10 and 11" in rows[0]
    assert "Fair at 10, not at 11" in rows[-1]
    assert rows[0].endswith("6, 6 % 58, 58 % 88, 88 %")
    pins = [" ".join(row.get_text(" ").split()) for row in tables[1].select("tbody tr")]
    assert len(pins) == 2, "a pin that is out of use is not there"
    assert pins[0].startswith("front 10 paces on, 2 right Fair at 10, not at 11")
    assert pins[1].startswith("corner 6 paces on, 9 left Not fair: too near the edge")
    assert len(drawn(page, "hole")) == 9
    assert drawn(page, "harder")


def test_the_map_shows_each_figure_at_each_speed(signed_in, study):
    first = signed_in.get(study)
    for shows in ("three", "short", "mid", "holds"):
        for speed in (0, 1):
            page = signed_in.get(f"{study}?show={shows}&at={speed}")
            assert page.status_code == 200
            chosen = [one.text for one in parsed(page).select(".chips a[aria-current]")]
            assert chosen[1] == ("at 10", "at 11")[speed]
    assert len(drawn(signed_in.get(f"{study}?show=holds&at=0"), "harder") or []) == 0
    assert drawn(signed_in.get(f"{study}?show=holds&at=1"), "harder")
    odd = signed_in.get(f"{study}?show=everything&at=77")
    assert words_at(odd, "#lead") == words_at(first, "#lead")


def test_a_study_without_a_fair_hole_says_so(signed_in, session, study):
    row = session.get(GreenStudy, int(study.rpartition("/")[2]))
    found = dict(row.found)
    found["played"] = [[[0.5, *figures[1:]] for figures in rows] for rows in found["played"]]
    row.found = found
    session.commit()
    page = signed_in.get(study)
    assert words_at(page, "#lead") == "No fair hole at speed 10."
    assert "Nowhere four paces from the edge" in text(page)


def test_the_sheet_is_kept_and_printed(signed_in, session, sessions, study):
    kept = signed_in.post(f"{study}/print").location
    carry_out(sessions, session.get(Print, int(kept.rpartition("/")[2])).job_id)
    page = signed_in.get(kept)
    assert "Links: green 6" in parsed(page).select_one("#carried svg")["aria-label"]
    said = pdftotext(signed_in.get(f"{kept}/pdf").data)
    for told in (
        "Links: green 6",
        "Easiest fair hole at speed 10 and 11",
        "Three-putts",
        "Fair at 10, not at 11",
    ):
        assert told in said
    assert "Speed 10 and 11, middle-handicap golfers." in said


def test_the_chart_that_changed_since_is_told_of(signed_in, green, study):
    assert "The chart has changed since" not in text(signed_in.get(study))
    signed_in.post(
        green.removesuffix("/holes"),
        data={"do": "add", "tool": "slope", "place": "9 on", "size": "2 %", "way": "front", "by": "level"},
    )
    assert "The chart has changed since" in text(signed_in.get(study))


def test_it_is_deleted_and_brought_back(signed_in, green, study):
    gone = signed_in.post(f"{study}/delete", follow_redirects=True)
    assert "No study of this green yet." in text(gone)
    assert signed_in.get(study).status_code == 404
    assert "Speed 10 and 11" in text(signed_in.post(f"{study}/restore", follow_redirects=True))
    assert links(signed_in.get(green), study)


def test_the_work_leads_to_its_study(signed_in, session, study):
    job = session.get(GreenStudy, int(study.rpartition("/")[2])).job_id
    assert signed_in.get(f"/jobs/{job}").location == f"/holes/made/{job}"
    assert signed_in.get(f"/holes/made/{job}").location == study
    other = signed_in.post("/account/export").location.rpartition("/")[2]
    assert signed_in.get(f"/holes/made/{other}").status_code == 404


def test_ground_that_is_not_sure_has_no_fair_hole(signed_in, session, study):
    number = session.get(GreenStudy, int(study.rpartition("/")[2])).green_id
    left = tuple(one for one in READ if one.at_m in ((-8.0, 2.0), (-8.0, 6.5), (-3.0, 6.5)))
    keep_chart(Viewer(signed_in.golfer), session, number, Chart(CORNERS, left, PINS), "the left side alone")
    session.commit()
    page = signed_in.get(study)
    assert drawn(page, "unsure")
    rows = [row.text for row in parsed(page).select("table")[0].select("tbody tr")]
    assert rows
    assert all(" left" in row or "in the middle" in row for row in rows)
