"""A read on a charted green: its ground is the map's, the address keeps it, the log what was read on."""

import gzip
import math

import numpy as np
import pytest

from orthocline.core.chart import Chart, ChartPin, ChartReading
from orthocline.core.relief import oval
from orthocline.db.log.models import LoggedPutt
from orthocline.services.account.access import Viewer
from orthocline.services.ground.charts import Edit, edit_chart, new_green
from orthocline.services.ground.places import Place
from tests.page import drawn, link, links, text, value, words_at
from tests.ternholm import slopes

PLACE = Place("Links", "green 6")
FIELDS = {"hole": "back", "toward": "0", "length": "12 m", "speed": "10", "past": "12 in"}


def charted():
    """Return the two tiers of Ternholm as a level found them, from the middle of their front edge."""
    readings = []
    for x in (-8.0, -3.0, 3.0, 8.0):
        for y in (3.0, 6.5, 9.0, 10.5, 12.0, 15.0, 18.0):
            east, north = slopes("Breakwater", np.array([(x + 12.0, y)]))[0]
            readings.append(ChartReading((x, y), "level", -math.pi / 2, max(float(north), 0.0)))
            across = 0.0 if east < 0.0 else math.pi
            readings.append(ChartReading((x, y), "level", across, abs(float(east))))
    return Chart(oval(20.0, 24.0).corners, tuple(readings), (ChartPin((1.0, 16.0), "back"),))


@pytest.fixture
def on(signed_in, session):
    """The number of the charted green."""
    who = Viewer(signed_in.golfer)
    number = new_green(who, session, PLACE, deep_m=20.0, wide_m=24.0)
    edit_chart(who, session, number, lambda _: Edit(charted(), "the walk"))
    session.commit()
    return number


def read(client, on, **more):
    return client.get("/read", query_string={"on": on, **FIELDS, **more})


def test_the_ground_of_a_read_is_that_of_the_map(signed_in, on):
    page = read(signed_in, on)
    assert page.status_code == 200
    assert "Aim" in words_at(page, "#headline")
    # Twelve metres over the step: half a metre and more, up.
    assert "up 22" in text(page) or "up 23" in text(page)
    assert drawn(page, "hachures")
    assert "The ground is that of the green's map" in words_at(page, "#places")
    assert link(page, "the green's map") == f"/greens/{on}"
    assert "Between" in words_at(page, "#range")


def test_a_putt_along_the_tier_and_one_up_it_are_other_putts(signed_in, on):
    up = words_at(read(signed_in, on, length="9 m"), "#headline")
    along = words_at(read(signed_in, on, length="9 m", hole="0 10.5 m", toward="90"), "#headline")
    assert "right" not in along
    assert up != along


def test_steps_and_turns_keep_the_green(signed_in, on):
    page = read(signed_in, on, step="length:1", around="15")
    said = {name: value(page, name) for name in ("on", "hole", "toward")}
    assert said == {"on": str(on), "hole": "1 16 m", "toward": "15"}
    again = signed_in.get("/read", query_string={**FIELDS, **said, "length": value(page, "length")})
    assert words_at(again, "#headline") == words_at(page, "#headline")
    part = signed_in.get(
        "/read", query_string={"on": on, **FIELDS, "around": "15"}, headers={"HX-Request": "true"}
    )
    assert "toward=15" in part.headers["HX-Replace-Url"]


def test_tilt_and_rise_of_a_map_are_not_stepped(signed_in, on):
    assert words_at(read(signed_in, on, step="side:1"), "#headline") == words_at(
        read(signed_in, on), "#headline"
    )


@pytest.mark.parametrize(
    "wrong", [{"on": "999999"}, {"on": "six"}, {"hole": "by the bunker"}, {"hole": "90 0 m"}]
)
def test_a_green_or_a_hole_that_is_not_there_is_said(signed_in, on, wrong):
    page = read(signed_in, **{"on": on, **wrong})
    assert page.status_code == 422
    assert "not among yours" in text(page) or "The hole" in text(page)


def test_a_stranger_is_told_whose_green_it_is(signed_in, on):
    signed_in.post("/sign-out")
    page = read(signed_in, on)
    assert page.status_code == 422
    assert "That green is not among yours" in text(page)


def test_the_log_keeps_the_ground_that_was_read(signed_in, session, on):
    fields = {"on": str(on), **FIELDS, "course": PLACE.course, "green": PLACE.green}
    saved = signed_in.post("/log", data=fields)
    assert saved.status_code == 303
    putt = session.query(LoggedPutt).one()
    surface = putt.putt_document["surface"]
    assert surface["kind"] == "survey"
    assert len(surface["readings"]) == 56
    assert putt.green_id == on
    assert "aim_range_right_m" in putt.read_document
    assert "12 m" in text(signed_in.get("/log")) or "39.4 ft" in text(signed_in.get("/log"))


def test_a_ball_may_be_rolled_there(signed_in, on):
    rolled = signed_in.get("/read/roll", query_string={"on": on, **FIELDS}).json
    assert len(rolled["spots"]) > 30
    assert links(read(signed_in, on), "/straight") == []


def test_the_start_page_leads_back_to_the_read_on_the_green(signed_in, on):
    signed_in.post("/log", data={"on": str(on), **FIELDS, "course": PLACE.course, "green": PLACE.green})
    (again,) = links(signed_in.get("/"), f"on={on}")
    assert words_at(signed_in.get(again), "#headline") == words_at(read(signed_in, on), "#headline")


def test_it_is_seen_through_the_eyes_in_a_small_redraw(signed_in, on):
    asked = {**FIELDS, "on": str(on), "crouch": "1"}
    page = signed_in.get("/eyes", query_string=asked)
    assert drawn(page, "grid")
    low = signed_in.get(next(one for one in links(page, "/eyes?") if "stop=low_side" in one))
    assert "low side, half-way" in words_at(low, "#seen-from")
    part = signed_in.get("/eyes", query_string={**asked, "lit": "hand_gauge"}, headers={"HX-Request": "true"})
    assert len(gzip.compress(part.data)) < 8 * 1024
