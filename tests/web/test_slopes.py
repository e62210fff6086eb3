"""The slope trainer on the green: a guess that stands, then the level or the phone, and one's own curve."""

import pytest
from sqlalchemy import select

from orthocline.db.account.models import SlopePair
from orthocline.services.account.access import Viewer
from orthocline.services.account.trials import add_slope_pair
from tests.page import link, parsed, text, value, words_at

GUESS = {"sense": "feet", "way": "toes", "guess": "2.5 %"}


def test_a_guess_stands_until_the_level_is_laid(signed_in, session):
    page = signed_in.get("/train/slopes", query_string=GUESS)
    assert "Now lay the level there." in text(page)
    assert value(page, "guess") == "2.5 %"
    kept = signed_in.post("/train/slopes", data=GUESS | {"level": "1.8 %"}, follow_redirects=True)
    assert "Kept: you felt 2.5 %, the level says 1.8 %: 0.7 % too much." in text(kept)
    (row,) = session.scalars(select(SlopePair).order_by(SlopePair.id)).all()
    assert (row.sense, row.way, row.guess, row.level) == ("feet", "toes", 0.025, pytest.approx(0.018))


def test_ground_that_falls_the_other_way_is_kept_so(signed_in, session):
    said = signed_in.post(
        "/train/slopes", data=GUESS | {"level": "1 %", "other_way": "y"}, follow_redirects=True
    )
    assert "the level says 1 % the other way" in text(said)
    assert session.scalar(select(SlopePair.level)) == pytest.approx(-0.01)


def test_the_phone_carries_the_guess_and_brings_its_reading(signed_in, session):
    phone = signed_in.get(link(signed_in.get("/train/slopes", query_string=GUESS), "Lay the phone"))
    assert value(phone, "pair") == "sense=feet&way=toes&guess=2.5+%25"
    simulated = signed_in.get(link(phone, "Try a simulated phone"), follow_redirects=True)
    form = parsed(simulated).find("form", action="/train/slopes")
    told = {one["name"]: one["value"] for one in form.find_all("input")}
    assert told["guess"] == "2.5 %"
    assert signed_in.post("/train/slopes", data=told).status_code == 303
    assert session.scalar(select(SlopePair.way)) == "toes"


@pytest.mark.parametrize(
    ("more", "says"),
    [
        ({"level": "steep"}, "The level"),
        ({"level": "40 %"}, "The level must be between 0 and 15 %."),
        ({"level": "2 %", "guess": "x"}, "Your guess"),
        ({"level": "2 %", "way": "up"}, ""),
    ],
)
def test_what_cannot_be_read_is_said_and_kept(signed_in, session, more, says):
    page = signed_in.post("/train/slopes", data=GUESS | more)
    assert page.status_code == 422
    assert says in text(page)
    assert session.scalar(select(SlopePair.id)) is None


def test_the_own_curve_and_its_bias_by_way_are_shown_and_used(signed_in, session):
    viewer = Viewer(signed_in.golfer)
    for number in range(12):
        way, level = ("left", "heels")[number % 2], 0.01 + 0.002 * number
        felt = level + 0.01 + 0.0005 * (number % 3) if way == "left" else level + 0.0004 * (number % 3 - 1)
        add_slope_pair(viewer, session, sense="feet", guess=felt, level=level, way=way)
    session.commit()
    page = signed_in.get("/train/slopes")
    assert "left foot low: you feel 1.1 % too much" in text(page)
    assert "heels low: right on the mean" in text(page)
    plain = words_at(signed_in.get("/read", query_string={"side": "3 %"}), "h1")
    felt = words_at(signed_in.get("/read", query_string={"side": "3 felt"}), "h1")
    assert felt != plain, "what is felt is read by the golfer's own curve"


def test_it_says_how_feet_are_asked_and_warns_of_walking_backwards(signed_in):
    page = signed_in.get("/train/slopes")
    assert "Look behind you before you step back" in text(page)
    assert len(parsed(page).select("[data-part=shoe]")) >= 5
