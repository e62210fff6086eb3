"""The trainer's pages: questions by link and in sessions, answers in any words, and what goes wrong."""

import re
from urllib.parse import parse_qs, urlsplit

import pytest
from sqlalchemy import select

from orthocline.core.calls import SCHOOLS, apex_of
from orthocline.core.roll import read
from orthocline.core.train import MADE, READING, Asks, Question, made_putt
from orthocline.db.train.models import TrainedQuestion
from orthocline.wording.calls import SAYINGS
from orthocline.wording.wording import USUAL_WORDING
from tests.page import link, links, parsed, text, value, words_at
from tests.trained import TYPED

HTMX = {"HX-Request": "true"}
SUITING = ("aim_spot", "hand_gauge", "curve_gate", "fall_line_dial")


def asked(asks, level=3, seed=11, ground="made"):
    return f"/train/putt?asks={asks}&ground={ground}&level={level}&seed={seed}"


def begin(client, asks="card", ground="made", wanted="5"):
    return client.post("/train/begin", data={"asks": asks, "ground": ground, "wanted": wanted})


@pytest.mark.parametrize("asks", [one.value for one in Asks])
def test_each_question_is_asked_and_answered_by_link(client, asks):
    page = client.get(asked(asks))
    assert page.status_code == 200
    assert parsed(page).select_one("#question svg")
    assert parsed(page).find(id="plan") is None, "never from above before the answer"
    sent = client.post(asked(asks), data={"answer": TYPED[asks], "by": "aim_spot"})
    assert sent.status_code == 303
    answer = client.get(sent.location)
    assert answer.status_code == 200, text(answer)
    assert "of 100" in words_at(answer, "#score")
    assert parsed(answer).find(id="plan")
    assert parsed(answer).find(id="eyes")


@pytest.mark.parametrize("level", [0, 3, 6, 9])
def test_nothing_of_the_answer_stands_in_a_question(client, level):
    """Neither water nor a label, at any level; the same picture for a putt and its mirror's words."""
    page = client.get(asked("side", level))
    parts = {one.get("data-part") for one in parsed(page).select("#question svg *")}
    assert not parts & {"water", "path", "aim", "band", "faint"}


@pytest.mark.parametrize(
    ("stop", "where"), [("ball", "on the right"), ("hole", "on the left"), ("right", "behind you")]
)
def test_the_sun_stays_where_it_is_as_one_walks_round(client, stop, where):
    page = client.get(f"{asked('side', level=6, seed=90)}&stop={stop}")
    assert f"a low sun {where}: bright ground falls toward it" in text(page)


@pytest.mark.parametrize(
    "name", [name for name, one in SCHOOLS.items() if one.of_aim and one.launch and name != "fall_line_dial"]
)
def test_an_amount_may_be_said_in_any_schools_words(client, name):
    said = SAYINGS[name].example(USUAL_WORDING)
    sent = client.post(asked("amount"), data={"answer": said, "by": name})
    page = client.get(sent.location)
    assert page.status_code == 200, text(page)
    assert f"Your {SAYINGS[name].noun}" in words_at(page, "#result")


@pytest.mark.parametrize("asks", [one.value for one in READING])
def test_what_cannot_be_read_is_said_beside_and_kept(client, asks):
    page = client.post(asked(asks), data={"answer": "no idea"})
    assert page.status_code == 422
    assert "Your answer" in words_at(page, "#answer-message")
    if asks in ("amount", "apex"):
        assert value(page, "answer") == "no idea"
    assert "is not given yet" in text(client.post(asked(asks), data={}))


def test_a_mark_is_tapped_stepped_and_walked_round(client):
    tapped = client.post(asked("amount"), data={"tap": "330,200", "stop": "ball"})
    fields = parse_qs(urlsplit(tapped.location).query)
    assert fields["side"] == ["right"]
    assert fields["by"] == ["aim_spot"]
    page = client.get(tapped.location)
    assert parsed(page).select("[data-part=placed]")
    inches = float(fields["answer"][0].split()[0])
    stepped = client.post(asked("amount"), data={"step": "1", "answer": fields["answer"][0], "side": "right"})
    further = float(parse_qs(urlsplit(stepped.location).query)["answer"][0].split()[0])
    assert further == pytest.approx(inches + 1.0, abs=0.02)
    walked = client.post(asked("amount"), data={"walk": "left", "answer": "9 in", "side": "right"})
    there = client.get(walked.location)
    assert parsed(there).select_one("[name=walk][aria-pressed=true]")["value"] == "left"
    assert value(there, "answer") == "9 in"


def test_an_apex_is_moved_along_and_aside(client):
    """Half a foot along, an inch aside; from where nothing is placed yet from six tenths of the way."""
    first = client.post(asked("apex"), data={"along": "1"})
    along, _ = parse_qs(urlsplit(first.location).query)["answer"][0].split(" ahead, ")
    putt = made_putt(Question(Asks.APEX, MADE, 3.0, 11))
    assert float(along.removesuffix(" ft")) == pytest.approx(0.6 * putt.length_m / 0.3048 + 0.5, abs=0.06)
    aside = client.post(asked("apex"), data={"step": "-2", "answer": "6 ft ahead, 0 in"})
    assert parse_qs(urlsplit(aside.location).query)["answer"] == ["6 ft ahead, 2 in"]
    assert parse_qs(urlsplit(aside.location).query)["side"] == ["left"]


def test_an_apex_told_at_the_wrong_place_along_drops_and_is_not_called_a_miss(client):
    putt = made_putt(Question(Asks.APEX, MADE, 3.0, 11))
    top = apex_of(read(putt)).mark
    side = "right" if top.right_m > 0.0 else "left"
    told = f"{top.along_m / 0.3048 - 2.5:.1f} ft ahead, {abs(top.right_m) / 0.0254:.2f} in"
    sent = client.post(asked("apex"), data={"answer": told, "side": side})
    page = client.get(sent.location)
    assert "It drops, but its apex lies elsewhere." in text(page)
    assert re.search(
        r"Its apex is [\d.]+ ft ahead, .* (left|right); you said [\d.]+ ft ahead", words_at(page, "#result")
    )
    assert "It misses" not in text(page)


def test_one_walks_round_the_hole(client):
    turned = client.post(asked("straight"), data={"answer": "0", "turn": "45"})
    page = client.get(turned.location)
    assert parsed(page).find(id="turned")["value"] == "45"
    ahead = [one["value"] for one in parsed(page).select("[name=turn]")]
    assert ahead == ["90", "60", "50", "40", "30", "0"]


@pytest.mark.parametrize(
    "address",
    [
        "/train/putt",
        asked("amount", seed=-1),
        asked("amount", seed=2**31),
        asked("amount", seed="x"),
        asked("amount", level=11),
        asked("amount", level="nan"),
        asked("everything"),
        asked("amount", ground="own-1"),
        asked("amount", ground="ternholm-77"),
    ],
)
def test_there_is_no_such_putt(client, address):
    page = client.get(address)
    assert page.status_code == 404
    assert "There is no such putt" in text(page)


def test_odd_drafts_show_the_question_as_at_first(client):
    page = client.get(f"{asked('amount')}&stop=moon&by=nobody&side=up&answer={'9' * 90}")
    assert page.status_code == 200
    assert value(page, "stop") == "ball"
    for odd in ({"tap": "a,b"}, {"tap": "1e400,2"}, {"tap": "nan,nan"}, {"turn": "inf"}, {"step": "x"}):
        assert client.post(asked("amount"), data=odd).status_code in (303, 422)


def test_a_session_is_asked_answered_and_ended(signed_in, session):
    first = begin(signed_in).location
    assert begin(signed_in, asks="slope").location != first
    address = begin(signed_in).location
    page = signed_in.get(address)
    assert words_at(page, "#number") == "1 of 5"
    answered = signed_in.post(address, data={"answer": "2 %"})
    assert answered.location == address
    assert "of 100" in text(signed_in.get(address))
    again = signed_in.post(address, data={"answer": "6 %"})
    assert "It was answered before: that answer holds." in text(signed_in.get(again.location))
    for _ in range(4):
        address = signed_in.post("/train/next").location
        signed_in.post(address, data={"answer": "3 %"})
    page = signed_in.get(address)
    assert link(page, "Your record") == "/train/record"
    assert signed_in.post("/train/next").location == "/train"
    rows = session.scalars(select(TrainedQuestion).order_by(TrainedQuestion.id)).all()
    assert [one.answered_at is not None for one in rows] == [False, False, *[True] * 5]
    record = signed_in.get("/train/record")
    assert "5 answers." in text(record)
    assert re.match(r"[0-5] of 5 were good\.", words_at(record, "h1"))
    assert parsed(record).find(id="levels")


def test_two_tabs_see_one_question_and_a_late_answer_is_said(signed_in):
    address = begin(signed_in).location
    assert signed_in.post("/train/next").location == address
    assert "Question 1 of 5 waits." in text(signed_in.get("/train"))
    signed_in.post("/train/stop")
    signed_in.post(address, data={"answer": "2 %"})
    assert "It came after its session was ended" in text(signed_in.get(address))


def test_parts_carry_their_address(signed_in):
    address = begin(signed_in, "amount").location
    part = signed_in.get(address, headers=HTMX)
    assert "<html" not in part.text
    assert part.headers["HX-Replace-Url"].startswith(address)
    signed_in.post(address, data={"answer": "9 in left", "by": "aim_spot"})
    assert "HX-Replace-Url" in signed_in.get(address, headers=HTMX).headers


def test_what_is_not_offered_cannot_be_begun(signed_in):
    for more in ({"asks": "gate"}, {"ground": "own-5"}, {"wanted": "9"}):
        page = signed_in.post("/train/begin", data={"asks": "card", "ground": "made", "wanted": "5", **more})
        assert page.status_code == 422
        assert text(page).count("Not a valid choice") == 1


def test_a_question_of_anothers_is_not_found(signed_in, client, create_golfer):
    address = begin(signed_in).location
    signed_in.post("/sign-out")
    create_golfer("Idris")
    assert client.get(address).status_code in (303, 302, 401, 404)


def test_a_visitor_may_try_one_and_is_asked_to_sign_in_for_more(client):
    page = client.get("/train")
    assert client.get(link(page, "Try one")).status_code == 200
    assert links(page, "/sign-in")


def test_competition_is_told_so(signed_in):
    signed_in.post("/mode", data={"mode": "competition"})
    for address in ("/train", asked("amount"), "/train/record", "/train/slopes", "/train/reader"):
        page = signed_in.get(address)
        assert page.status_code == 403
        assert "is off in Competition" in text(page)


def test_which_reader_one_is_comes_of_twelve_answers(signed_in):
    assert "Lines or curves" in text(signed_in.get("/train/reader"))
    address = begin(signed_in, "reader", wanted="10").location
    for number in range(12):
        page = signed_in.get(address)
        felt = "It falls" in text(page)
        assert felt == (number % 4 > 1)
        assert words_at(page, "#number") == f"{number + 1} of 12"
        amount = "aim" in words_at(page, "h1")
        signed_in.post(
            address, data={"answer": "1 in left", "by": "aim_spot"} if amount else {"answer": "8 in right"}
        )
        address = signed_in.post("/train/next").location
    page = signed_in.get("/train/reader")
    named = [SAYINGS[one].title(USUAL_WORDING) for one in SUITING]
    said = words_at(page, "h1").removesuffix(" suits you best.").removesuffix(", perhaps.")
    assert said in named
    # Which it is hangs on the putts that were drawn.
    assert any(way in text(page) for way in ("a straight-line reader", "a curve reader"))
    assert len(parsed(page).select("[data-part=answer]")) == 12


def test_a_challenge_is_the_same_putt_for_all(client, signed_in):
    address = begin(signed_in, "amount").location
    signed_in.post(address, data={"answer": "2 in left", "by": "aim_spot"})
    challenge = parsed(signed_in.get(address)).find(id="challenge")["href"]
    fields = {name: one[0] for name, one in parse_qs(urlsplit(challenge).query).items()}
    putt = made_putt(Question(Asks(fields["asks"]), MADE, float(fields["level"]), int(fields["seed"])))
    feet = f"{putt.length_m / 0.3048:.1f}".removesuffix(".0")
    assert f"{feet} ft" in text(client.get(challenge))
