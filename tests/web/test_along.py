"""Today taken along: solved by a job for a course, with how exact it is; refused in Competition."""

import json
import math

import pytest

from orthocline.core.chart import Chart
from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import Point, Putt, RollPast, aims
from orthocline.services.account.access import Viewer
from orthocline.services.carry import pack
from orthocline.services.ground.charts import keep_chart
from orthocline.services.ground.places import Place
from orthocline.services.jobs.jobs import carry_out
from tests.charted import CHART, EDGE
from tests.packed import table_of
from tests.page import link, text, value, words_at
from tests.speeds import kept_speed

ASKED = {"course": "Ternholm Links", "speed": "10.2", "past": "12 in"}


@pytest.fixture
def charted(signed_in, session, monkeypatch):
    """A golfer with one green that falls to its front by two percent, a pin in use and one that is not."""
    monkeypatch.setattr(pack, "READS", 60)
    who = Viewer(signed_in.golfer)
    keep_chart(who, session, Place("Ternholm Links", "green 1"), CHART, "charted")
    keep_chart(who, session, Place("Elsewhere", "9"), Chart(EDGE), "charted")
    session.commit()
    return signed_in


def solve(client, sessions):
    job = client.post("/along", data=ASKED).location
    carry_out(sessions, int(job.rpartition("/")[2]))
    return job


def test_a_pack_is_solved_and_says_how_exact_it_is(charted, sessions):
    job = solve(charted, sessions)
    page = charted.get(charted.get(job).location)
    assert "Ternholm Links, speed 10.2" in text(page)
    assert "1 green, 1 pin" in text(page)
    assert "Of 60 reads anywhere" in text(page)
    told = json.loads(charted.get(link(page, "Take the file")).data)
    assert told["exactness"]["near"] >= 0.95
    assert [pin["name"] for pin in told["greens"][0]["pins"]] == ["middle"]
    table = table_of(told["greens"][0]["pins"][0]["table"])
    for right, back in ((4.0, 8.0), (-3.0, 6.0), (2.0, 12.0)):
        far, turn = math.dist((right, back), (0.0, 8.0)), math.atan2(back - 8.0, right)
        true = aims(
            Putt(
                Point(right, back),
                Point(0.0, 8.0),
                plane_from_grade(0.02, 0.0, 0.5 * math.pi),
                10.2,
                RollPast(0.3048),
            )
        )[0]
        said = far * math.tan(table.at(math.sqrt(far), turn)[0])
        assert said == pytest.approx(far * math.tan(true.launch.right_rad), abs=0.02)


def test_it_begins_from_the_books_speed_and_the_courses_that_are_charted(charted, session):
    kept_speed(session, charted.golfer, 11.1)
    session.commit()
    page = charted.get("/along")
    assert value(page, "speed") == "11.1"
    assert "Elsewhere" in text(page)


@pytest.mark.parametrize(
    ("field", "typed", "says"),
    [
        ("speed", "fast", "cannot be read"),
        ("past", "9 ft", "must be up to 5 ft"),
        ("course", "Elsewhere", "Nothing to solve there"),
    ],
)
def test_what_cannot_be_solved_is_said_beside_its_field(charted, field, typed, says):
    refused = charted.post("/along", data=ASKED | {field: typed})
    assert refused.status_code == 422
    assert says in words_at(refused, f"#{field}-message")


def test_without_a_chart_one_is_asked_for(signed_in):
    assert "No green is charted yet." in text(signed_in.get("/along"))
    assert signed_in.post("/along", data=ASKED).status_code == 422


def test_in_competition_nothing_is_solved_and_what_was_is_not_told(charted, sessions):
    job = solve(charted, sessions)
    charted.post("/mode", data={"mode": "competition"})
    assert charted.get("/along").status_code == 403
    assert charted.post("/along", data=ASKED).status_code == 403
    assert charted.get(job.replace("/jobs/", "/along/")).status_code == 403
    assert charted.get(f"{job}/result").status_code == 403


def test_a_job_of_another_kind_is_none(charted, sessions):
    other = charted.post("/account/export").location
    carry_out(sessions, int(other.rpartition("/")[2]))
    assert charted.get(other.replace("/jobs/", "/along/")).status_code == 404
