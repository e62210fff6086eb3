"""A club's pages: founded, entered by a code, its greens charted and its speed posted, left and deleted."""

import pytest
from sqlalchemy import select

from orthocline.db.account.models import Golfer
from orthocline.services.account.access import Viewer
from orthocline.services.ground.charts import keep_chart
from orthocline.services.ground.places import Place
from orthocline.services.share.looking import club_at
from tests.charted import CHART
from tests.page import link, parsed, text, value, words_at


@pytest.fixture
def keeper(as_golfer):
    return as_golfer("Runa")


@pytest.fixture
def member(as_golfer):
    return as_golfer("Tove")


@pytest.fixture
def club(keeper):
    """The address of a club's page."""
    return keeper.post("/clubs", data={"name": "Links Club"}).location


@pytest.fixture
def joined(keeper, member, club):
    """The same, with a member in it."""
    code = parsed(keeper.post(f"{club}/invite")).select_one("#made-code").get_text()
    entered = member.post("/sharing/enter", data={"code": code})
    assert entered.location == club
    return club


def test_a_keepers_speed_is_every_members_next_read(keeper, member, joined):
    keeper.post(f"{joined}/speed", data={"course": "Ternholm", "speed": "11.3"})
    page = text(member.get(joined))
    assert "Speed 11.3, posted" in page
    assert "Worth 11.3 ±1.0 ft" in page
    assert "Kept by Runa" in page
    speed = member.get("/speed")
    assert "posted number by Links Club" in text(speed)
    assert not parsed(speed).select("#book a[href$='/edit']")
    assert value(member.get("/read?course=Ternholm"), "speed") == "11.3"
    assert link(member.get("/"), "Links Club") == joined


def test_a_wrong_number_stays_in_its_field_and_a_posted_one_is_taken_back(keeper, member, joined):
    page = keeper.post(f"{joined}/speed", data={"course": "Ternholm", "speed": "fast"})
    assert page.status_code == 422
    assert value(page, "speed") == "fast"
    assert words_at(page, "#speed-message")
    assert keeper.post(f"{joined}/speed", data={"speed": "10"}).status_code == 422
    keeper.post(f"{joined}/speed", data={"course": "Ternholm", "speed": "19"})
    keeper.post(parsed(keeper.get(joined)).select_one("form[action*='/speed/']")["action"])
    assert "No speed is posted yet" in text(member.get(joined))


def test_a_keeper_charts_greens_that_members_read_on_and_change_not(keeper, member, joined, session):
    form = parsed(keeper.get(link(keeper.get(joined), "Chart it"))).select_one("form[action='/greens']")
    assert "A new green of Links Club" in form.get_text()
    club = form.select_one("[name=club]")["value"]
    size = {"course": "Ternholm", "green": "4", "deep": "20 m", "wide": "18 m", "club": club}
    made = keeper.post("/greens", data=size).location
    who = club_at(Viewer(keeper.golfer), session, int(club))
    number = keep_chart(who, session, Place("Ternholm", "4"), CHART, "the survey")
    session.commit()
    seen = member.get(f"/greens/{number}?tool=slope")
    assert [one.get_text() for one in parsed(seen).select("nav[aria-label=Tools] a")] == ["Look", "Putt"]
    assert "Links Club's." in text(seen)
    assert "Undo" not in text(seen)
    assert member.get(made.partition("?")[0] + "/about").status_code == 404
    assert member.post(f"/greens/{number}", data={"do": "add", "tool": "pin", "name": "x"}).status_code == 404
    read = member.get(f"/read?on={number}&hole=middle&toward=10&length=20+ft")
    assert read.status_code == 200
    assert "Links Club" in text(member.get("/greens"))
    assert member.get(f"/greens/{number}/files").status_code == 200
    assert "which you keep" in text(keeper.get(f"/greens/{number}"))
    assert member.post("/greens", data=size | {"green": "5"}).status_code == 404


def test_keepers_see_members_and_remove_them(keeper, member, joined):
    keeper.post(f"{joined}/speed", data={"course": "Ternholm", "speed": "11.3"})
    assert "Tove" in text(keeper.get(joined))
    (remove,) = [
        one["action"]
        for one in parsed(keeper.get(joined)).select("form[action$='/remove']")
        if "Tove" in one.parent.get_text()
    ]
    keeper.post(remove)
    assert member.get(joined).status_code == 404
    assert "11.3" not in text(member.get("/speed"))


def test_the_only_keeper_hears_why_they_stay_and_may_delete_it(keeper, member, joined, session):
    assert "only keeper" in words_at(keeper.post(f"{joined}/leave"), "#wrong")
    remove = parsed(keeper.get(joined)).select_one("form[action$='/remove']")["action"]
    assert keeper.post(remove).status_code == 422
    keeper.post(f"{joined}/delete")
    assert session.scalar(select(Golfer).where(Golfer.club)) is None
    assert "Greens that a club keeps" in text(member.get("/clubs"))


def test_another_keeper_comes_by_a_code_of_theirs(keeper, member, joined):
    code = parsed(keeper.post(f"{joined}/invite", data={"keeper": "1"})).select_one("#made-code").get_text()
    member.post("/sharing/enter", data={"code": code})
    assert "Post today's speed" in text(member.get(joined))
    keeper.post(f"{joined}/leave")
    assert "Links Club" not in text(keeper.get("/clubs"))


def test_codes_end_somewhere_and_a_club_has_a_name(keeper, club):
    answers = [keeper.post(f"{club}/invite").status_code for _ in range(11)]
    assert answers == [200] * 10 + [422]
    for name in ("", "x" * 61):
        page = keeper.post("/clubs", data={"name": name})
        assert page.status_code == 422
        assert words_at(page, "#name-message")


def test_a_keepers_own_measure_fills_the_form_in(keeper, club):
    measured = {"by": "posted", "posted": "10.7", "course": "Ternholm"}
    keeper.post("/speed/without-a-ramp", data=measured)
    page = keeper.get(club)
    assert (value(page, "course"), value(page, "speed")) == ("Ternholm", "10.7")


def test_clubs_are_off_in_competition_but_may_be_left(member, joined):
    member.post("/mode", data={"mode": "competition"})
    assert member.get(joined).status_code == 403
    assert "Links Club" not in text(member.get("/"))
    assert member.post(f"{joined}/leave").status_code == 303
