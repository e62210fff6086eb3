"""A read, a challenge, a green by link: opened by anybody, for a while, that one alone."""

from datetime import UTC, datetime, timedelta
from urllib.parse import urlsplit

import pytest

from orthocline.db.account.models import Golfer
from orthocline.services.account.access import Viewer
from orthocline.services.account.accounts import delete_account
from orthocline.services.ground.charts import keep_chart
from orthocline.services.ground.places import Place
from orthocline.services.share import links as services
from orthocline.services.share.links import Link
from orthocline.web.shared.pocket import token_of
from tests.charted import CHART
from tests.conftest import PASSWORD, SECRET
from tests.page import parsed, text, words_at
from tests.sharing import let_see

READ = {"length": "20 ft", "side": "2 %", "rise": "1 %", "speed": "10"}
QUESTION = "/train/putt?asks=amount&ground=made&level=2&seed=99"


@pytest.fixture
def greens(signed_in, session):
    """Two greens of Tove's."""
    viewer = Viewer(signed_in.golfer)
    made = [keep_chart(viewer, session, Place("Links", name), CHART, "charted") for name in ("4", "5")]
    session.commit()
    return made


@pytest.fixture
def stranger(app):
    return app.test_client()


def given(client, kind, **fields):
    """Have a link made, and return its path."""
    page = client.post(f"/links/{kind}", data=fields)
    assert page.status_code == 200
    return urlsplit(parsed(page).select_one("#link").get_text()).path


def test_a_green_by_link_is_looked_at_and_read_on_and_that_one_alone(signed_in, stranger, greens):
    one, other = greens
    link = given(signed_in, "green", green=one)
    assert stranger.get(f"/greens/{one}").status_code == 302
    shown = stranger.get(stranger.get(link).location)
    assert "Tove shows you this green" in text(shown)
    assert [tool.get_text() for tool in parsed(shown).select("nav[aria-label=Tools] a")] == ["Look", "Putt"]
    assert stranger.get(f"/read?on={one}&hole=middle&toward=10&length=20+ft").status_code == 200
    assert stranger.get(f"/greens/{other}").status_code == 302
    assert stranger.get(f"/read?on={other}&hole=middle&toward=10&length=20+ft").status_code == 422
    assert stranger.get(f"/greens/{one}/about").status_code == 302
    assert stranger.post(f"/greens/{one}", data={"do": "add"}).status_code == 401
    assert stranger.get("/log").status_code == 302


def test_a_read_on_a_green_opens_by_its_link(signed_in, stranger, greens):
    on = {"on": greens[0], "hole": "middle", "toward": "10", "length": "20 ft"}
    link = given(signed_in, "read", **on)
    shown = stranger.get(stranger.get(link).location)
    assert shown.status_code == 200
    assert "Tove shows you this putt" in text(shown)
    plain = given(signed_in, "read", **READ)
    assert stranger.get(plain).location.startswith("/read?length=20+ft")


def test_a_challenge_says_whose_score_is_to_be_beaten(signed_in, stranger):
    signed_in.post("/train/begin", data={"asks": "amount", "ground": "made", "wanted": "5"})
    asked = signed_in.post("/train/next").location
    answered = signed_in.post(asked, data={"answer": "8 in", "side": "left"}).location
    form = parsed(signed_in.get(answered)).select_one("form[action='/links/challenge']")
    fields = {one["name"]: one["value"] for one in form.select("input[name]")}
    page = signed_in.post("/links/challenge", data=fields)
    scored = text(page).partition("that you scored ")[2].partition(" of 100")[0]
    at = stranger.get(urlsplit(parsed(page).select_one("#link").get_text()).path).location
    assert at.startswith("/train/putt?")
    answer = stranger.post(at, data={"answer": "8 in", "side": "left"}).location
    assert words_at(stranger.get(answer), "#rival").startswith(f"Tove scored {scored} of 100")
    other = stranger.get(f"{QUESTION.replace('/putt', '/putt/answer')}&answer=8+in&side=left")
    assert parsed(other).select_one("#rival") is None


def test_a_challenge_without_a_kept_answer_says_who_asks(signed_in, stranger):
    at = stranger.get(given(signed_in, "challenge", at=QUESTION)).location
    answer = stranger.post(at, data={"answer": "8 in", "side": "left"}).location
    assert words_at(stranger.get(answer), "#rival") == "Tove asked you this one."


@pytest.mark.parametrize(
    "at", ["", "https://x.example/train/putt", "//x.example/train/putt", "/log", "/train"]
)
def test_a_challenge_leads_to_the_trainer_alone(signed_in, at):
    page = signed_in.post("/links/challenge", data={"at": at})
    assert page.status_code == 422
    assert "no question of the trainer" in text(page)


def test_what_is_no_read_or_not_ones_own_has_no_link(signed_in, as_golfer, greens, session):
    assert signed_in.post("/links/read", data=READ | {"length": "far"}).status_code == 422
    assert signed_in.post("/links/green", data={"green": greens[0], "days": 400}).status_code == 422
    assert signed_in.post("/links/green", data={}).status_code == 404
    coach = as_golfer("Wren")
    let_see(session, signed_in.golfer, coach.golfer, "greens")
    assert coach.get(f"/greens/{greens[0]}").status_code == 200
    assert coach.post("/links/green", data={"green": greens[0]}).status_code == 404
    assert coach.post("/links/challenge", data={"at": QUESTION, "question": 1}).status_code == 404


def test_a_link_ends_by_itself_also_in_a_browser_that_followed_it(signed_in, stranger, greens):
    golfer = signed_in.golfer
    now = datetime.now(UTC)

    def link(ends_at):
        made = Link("green", f"/greens/{greens[0]}", golfer.id, golfer.links_version, ends_at, greens[0])
        return f"/shared/{token_of(made, SECRET)}"

    assert stranger.get(link(now - timedelta(seconds=1))).status_code == 404
    stranger.get(link(now + timedelta(seconds=60)))
    assert stranger.get(f"/greens/{greens[0]}").status_code == 200
    with stranger.session_transaction() as cookie:
        cookie["keys"][0][4] = int(now.timestamp()) - 1
        cookie.modified = True
    assert stranger.get(f"/greens/{greens[0]}").status_code == 302


@pytest.mark.parametrize("ended", ["withdrawn", "deleted"])
def test_links_end_when_they_are_withdrawn_or_their_giver_goes(signed_in, stranger, greens, session, ended):
    link = given(signed_in, "green", green=greens[0])
    stranger.get(link)
    assert stranger.get(f"/greens/{greens[0]}").status_code == 200
    if ended == "withdrawn":
        signed_in.post("/links/withdraw")
        given(signed_in, "green", green=greens[0])
    else:
        delete_account(Viewer(session.merge(signed_in.golfer)), session, PASSWORD)
        session.commit()
    assert stranger.get(f"/greens/{greens[0]}").status_code in (403, 404)
    assert stranger.get(link).status_code == 404


def test_what_was_not_signed_here_opens_nothing(signed_in, stranger, greens):
    link = given(signed_in, "green", green=greens[0])
    told = Link("green", "/", signed_in.golfer.id, 1, datetime(2099, 1, 1, tzinfo=UTC), greens[0])
    for token in (
        link.rpartition("/")[2][:-1],
        "x",
        token_of(told, "another secret of forty characters, no value"),
    ):
        answer = stranger.get(f"/shared/{token}")
        assert answer.status_code == 404
        assert services.OVER in text(answer)


def test_a_golfer_may_follow_a_link_and_keeps_their_own(signed_in, as_golfer, greens):
    link = given(signed_in, "green", green=greens[0], days="30")
    idris = as_golfer("Idris")
    idris.get(link)
    assert idris.get(f"/greens/{greens[0]}").status_code == 200
    assert "Links" not in text(idris.get("/greens")).partition("A new green")[0]
    signed_in.get(link)
    assert "Name and character" in text(signed_in.get(f"/greens/{greens[0]}"))


def test_a_link_takes_no_keys_from_a_keeper_and_opens_what_a_coach_is_not_shown(
    signed_in, as_golfer, session
):
    club = signed_in.post("/clubs", data={"name": "Links Club"}).location.rpartition("/")[2]
    size = {"course": "Links", "green": "6", "deep": "20 m", "wide": "18 m", "club": club}
    green = signed_in.post("/greens", data=size).location.partition("?")[0]
    link = given(signed_in, "green", green=green.rpartition("/")[2])
    signed_in.get(link)
    assert "Name and character" in text(signed_in.get(green))
    coach = as_golfer("Wren")
    let_see(session, session.get(Golfer, int(club)), coach.golfer, "speeds")
    assert coach.get(green).status_code == 404
    coach.get(link)
    assert coach.get(green).status_code == 200
