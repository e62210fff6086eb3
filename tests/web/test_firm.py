"""How often and how firm: the advice beside a read, its curves and window, and who putts."""

import re

import pytest

from orthocline.core.account import GOLFERS, USUAL_PASTS
from orthocline.core.holing import outlook_of
from orthocline.core.roll import read
from orthocline.services.read import holing
from orthocline.services.speed.book import Condition
from orthocline.wording.holing.golfers import LEVEL_WORDS
from orthocline.wording.holing.pace import pace_call
from orthocline.wording.wording import USUAL_WORDING
from tests.page import drawn, fields, link, links, parsed, text, value, values, words_at
from tests.putts import plane_putt
from tests.speeds import kept_speed

TEN = {"length": "10 ft", "side": "1.5 %", "falls": "left", "rise": "0 %", "speed": "10", "past": "12 in"}
THIRTY = TEN | {"length": "30 ft"}
HTMX = {"HX-Request": "true"}


def firm(client, what="", **fields):
    return client.get(f"/firm{what}", query_string={**TEN, **fields}, headers=HTMX)


def test_the_read_asks_for_the_advice_and_does_not_wait_for_it(client, monkeypatch):
    monkeypatch.setattr(holing, "_outlook", lambda *_: pytest.fail("the call waited"))
    for headers in ({}, HTMX):
        page = client.get("/read", query_string=TEN, headers=headers)
        asks = [one["hx-get"] for one in parsed(page).select("[id$=-ask]:not(#eyes-ask)")]
        assert [address.partition("?")[0] for address in asks] == [
            "/firm",
            "/firm/curves",
            "/firm/golfers",
            "/firm/window",
        ]
        assert all(fields(address)["length"] == ["10 ft"] for address in asks)
    frame = client.get("/read", query_string=TEN | {"frame": "100,320,120,0"}, headers=HTMX)
    assert not parsed(frame).select("[id$=-ask]:not(#eyes-ask)")


@pytest.mark.parametrize("level", GOLFERS)
@pytest.mark.parametrize("putt", [TEN, THIRTY])
def test_the_advice_is_one_line_with_its_picture(client, putt, level):
    page = firm(client, **putt, golfer=level)
    asked = plane_putt(float(putt["length"].split()[0]), side_right=-0.015)
    advice = outlook_of(asked, read(asked).aim, GOLFERS[level], USUAL_PASTS).advice
    assert " ".join(pace_call(advice, USUAL_WORDING)) in text(page).replace("\u00a0", " ")
    assert len(drawn(page, "as-good")) == len(drawn(page, "best")) == len(drawn(page, "chosen")) == 1


def test_the_curves_have_the_best_the_flat_stretch_and_the_schools_paces(client):
    page = firm(client, "/curves", golfer="tournament", past="2 in")
    for part in ("putts", "holed", "three", "schools", "chosen", "best"):
        assert drawn(page, part), part
    said = words_at(page, "#pace-curves")
    for words in ("dies", "hand", "1 ft", "1½ ft", "2 ft", "you: 2 in"):
        assert words in said
    assert re.search(r"2 in past holes 2\d of 100, three-putts .* 0\.1\d more than the best\.", text(page))
    sides = [" ".join(one.get_text(" ").split()) for one in parsed(page).select("#leaves li")]
    assert [side.split(",")[0] for side in sides] == ["High", "Low"]
    assert all(re.search(r"of 100 .* in, .*hill .* of 100 holed", side) for side in sides)
    assert drawn(page, "miss")
    assert "misses stop below the hole" in words_at(page, "#safe")


def test_one_tap_takes_the_advised_pace(client):
    page = firm(client, golfer="tournament", past="2 in")
    (address,) = {one["href"] for one in parsed(page).select("#take")}
    taken = client.get(address)
    assert value(taken, "past") == "19 in"
    assert "advised" in words_at(taken, "#past-beside")
    assert not parsed(client.get(address.replace("/read", "/firm"), headers=HTMX)).select("#take")


def test_a_pace_that_is_as_good_is_left_alone(client):
    assert not parsed(firm(client, golfer="tournament", past="16 in")).select("#take")
    assert link(firm(client, "/curves", golfer="tournament", past="16 in"), "Take 19 in")


def test_the_same_putt_for_golfers_of_all_levels(client):
    page = firm(client, "/golfers")
    rows = [drawn(page, f"as-good-{level}")[0]["d"] for level in GOLFERS]
    assert len(set(rows)) == len(rows)
    assert parsed(page).svg["aria-label"] == (
        "Best past: tournament 20 in, low-handicap 16 in, middle-handicap 12 in, new 7 in"
    )


def test_the_golfer_asked_for_has_the_same_advice_among_the_others(client):
    assert "Take 19 in" in text(firm(client, "/curves", golfer="tournament", past="2 in"))
    assert "tournament 19 in" in parsed(firm(client, "/golfers", golfer="tournament")).svg["aria-label"]


def test_the_window_shows_what_drops_and_where_this_golfers_putts_go(client):
    page = firm(client, "/window", golfer="new")
    for part in (
        "drops",
        "meets",
        "short",
        "ring",
        "meant",
        "paces",
        "pace-dying",
        "pace-foot",
        "pace-two_feet",
    ):
        assert drawn(page, part), part
    assert "misses high" in words_at(page, "#window")
    assert re.search(r"Drops within 0\.\d° left, 0\.\d° right; \d\.\d % soft, \d\.\d % firm", text(page))
    assert re.search(r"A gate 2(\.\d)? in wide, one foot ahead, .* starts within 0\.\d°", text(page))


def test_the_gate_is_said_for_a_tolerance_and_a_place(client):
    page = client.get("/firm", query_string={**TEN, "gate_at": "2 ft", "gate_within": "2 deg"})
    assert "A gate 3.4 in wide, two feet ahead, lets through what starts within 2°." in text(page)
    wide = client.get("/firm", query_string={**TEN, "gate_wide": "3 in", "gate_within": "1 deg"})
    assert "A gate 3 in wide, 3¼ ft ahead, lets through what starts within 1°." in text(wide)
    both = client.get("/firm", query_string={**TEN, "gate_wide": "3 in", "gate_at": "2 ft"})
    assert "A gate 3 in wide, two feet ahead, lets through what starts within 1.6°." in text(both)
    assert "#gate" in link(firm(client, "/window"), "Another gate")
    wrong = client.get("/firm", query_string={**TEN, "gate_at": "20 ft", "gate_within": "90"})
    assert wrong.status_code == 422
    assert value(wrong, "gate_at") == "20 ft"
    assert "between 2 in and 10 ft ahead" in text(wrong)
    assert "0 to 20 degrees" in text(wrong)


def test_a_launch_that_is_tried_is_rolled_in_the_plan_and_told(client):
    tried = TEN | {"off_line": "2 deg left", "off_pace": "3 % firm"}
    page = client.get("/read", query_string=tried)
    assert len(drawn(page, "own-way")) == 1
    assert "tried" in [one.get_text() for one in parsed(page).select("#plan text")]
    assert values(parsed(page))["off_line"] == "2 deg left"
    said = firm(client, "/window", **tried)
    missed = r"2° left of the line, 3 % firm: it would pass .* low and stop"
    assert re.search(missed, words_at(said, "#tried-words"))
    assert drawn(said, "tried")
    assert "off_line" not in fields(link(said, "Take it away"))
    with_own = client.get("/read", query_string=tried | {"own": "9 in", "own_side": "right"})
    assert len(drawn(with_own, "own-way")) == 2


@pytest.mark.parametrize(
    ("name", "typed", "message"),
    [
        ("off_line", "sideways", "an angle such as 20 deg"),
        ("off_line", "80 deg left", "at most 60 degrees off"),
        ("off_pace", "hard", "a share such as 12 %"),
        ("off_pace", "95 % soft", "90 % soft to 100 % firm"),
        ("golfer", "professional", "Not a valid choice"),
        ("true", "9", "Not a valid choice"),
    ],
)
def test_what_cannot_be_read_is_said_beside_it(client, name, typed, message):
    page = client.get("/read", query_string=TEN | {name: typed})
    assert page.status_code == 422
    assert message in words_at(page, f"#{name}-message")
    assert client.get("/firm", query_string=TEN | {name: typed}).status_code == 422


def test_the_page_has_everything_without_scripts(client):
    page = client.get("/firm", query_string=TEN | {"golfer": "middle", "doubted": "1", "true": "2"})
    assert page.status_code == 200
    for scene in ("#pace-curves", "#leaves", "#window"):
        assert parsed(page).select(scene), scene
    assert parsed(client.get(link(page, "Work it out for others"))).select("#golfers")
    back = link(page, "Back to the read")
    assert fields(back)["golfer"] == ["middle"]
    assert value(client.get(back), "true") == "2"
    form = values(parsed(page).find("form", action="/firm"))
    assert (form["length"], form["golfer"], form["true"], form["doubted"]) == ("10 ft", "middle", "2", "1")


def test_a_less_true_green_and_an_unsure_read_are_holed_less_often(client):
    def holed(**fields):
        return int(re.search(r"holes (\d+) of 100", text(firm(client, "/curves", golfer="low", **fields)))[1])

    felt = {"side": "1.5 ±1 %", "speed": "10 ±1"}
    assert holed(true="1") < holed(true="5")
    assert holed(**felt, doubted="1") < holed(**felt) == holed()


def test_the_call_is_kept_back_until_there_is_an_own_aim(client):
    hidden = client.get("/firm", query_string=TEN | {"first": "1"})
    assert (hidden.status_code, "Your read first." in text(hidden)) == (200, True)
    assert not firm(client, first="1").text.strip()
    assert drawn(firm(client, first="1", own="9 in"), "as-good")


def test_ground_that_holds_no_ball_has_no_pace_to_choose(client):
    steep = TEN | {"rise": "11 %", "slope": "down", "side": "0 %", "speed": "12", "past": "0.6 m/s"}
    page = client.get("/firm", query_string=steep)
    assert "No ball rests past this hole" in text(page)
    assert "This pace holes" in text(page)
    assert not drawn(page, "putts")


def test_what_was_worked_out_is_kept_for_the_same_putt(client):
    for kept in (holing._outlook, holing._ways, holing._seconds):
        kept.cache_clear()
    for _ in range(2):
        for what in ("", "/curves", "/window"):
            firm(client, what, golfer="low")
    firm(client, golfer="low", past="6 in")
    firm(client, golfer="low", length="20 ft")
    counts = [kept.cache_info().misses for kept in (holing._outlook, holing._ways, holing._seconds)]
    assert counts == [3, 2, 1], "each pace, each putt, each slope"


def test_all_of_it_is_refused_in_competition(signed_in):
    signed_in.post("/mode", data={"mode": "competition"})
    for what in ("", "/curves", "/golfers", "/window"):
        assert signed_in.get(f"/firm{what}", query_string=TEN).status_code == 403


def test_my_measures_say_who_putts(signed_in):
    kept = {"units": "feet", "slopes": "percent", "bend": "break", "hand": "right", "eye": "unknown"}
    page = signed_in.get("/measures")
    assert (value(page, "golfer_level"), value(page, "pace")) == ("middle", "usual")
    sent = kept | {"golfer_level": "tournament", "energy": "20 %"}
    assert signed_in.post("/measures", data=sent).status_code == 303
    page = signed_in.get("/measures")
    assert (value(page, "golfer_level"), value(page, "energy"), value(page, "start_line")) == (
        "tournament",
        "20 %",
        "",
    )
    assert "start line 1°, energy 8 %, read 30 % of the aim" in text(page)
    said = words_at(firm(signed_in, "/curves"), "#whose")
    assert said.startswith("The spreads are yours where you have kept any, else a usual tournament golfer's:")
    assert "energy 20 %" in said
    other = words_at(firm(signed_in, "/curves", golfer="new"), "#whose")
    assert other.startswith(f"The spreads are a usual {LEVEL_WORDS['new']} golfer's: start line 2.4°")
    wrong = signed_in.post("/measures", data=kept | {"start_line": "20 deg", "read_share": "much"})
    assert wrong.status_code == 422
    assert "between 0 and 10 degrees" in text(wrong)
    assert value(wrong, "read_share") == "much"


def test_reads_take_the_advised_pace_only_where_that_is_chosen(signed_in):
    start = {name: figure for name, figure in TEN.items() if name != "past"}

    def shown(**more):
        page = signed_in.get("/read", query_string=start | more)
        ask = parsed(page).select_one("#firm-ask")["hx-get"]
        return page, parsed(signed_in.get(ask, headers=HTMX)).select_one("#take")

    kept = {"units": "feet", "slopes": "percent", "bend": "break", "hand": "right", "eye": "unknown"}
    signed_in.post("/measures", data=kept | {"golfer_level": "tournament", "usual_past": "4 in"})
    page, take = shown()
    assert (value(page, "past"), "hx-trigger" in take.attrs) == ("4 in", False)
    signed_in.post(
        "/measures", data=kept | {"golfer_level": "tournament", "usual_past": "4 in", "pace": "advised"}
    )
    page, take = shown()
    assert (value(page, "past"), take["hx-trigger"]) == ("4 in", "load, click")
    taken = signed_in.get(take["href"])
    assert value(taken, "past") == value(taken, "advised") == "18 in"
    ask = parsed(taken).select_one("#firm-ask")["hx-get"]
    assert parsed(signed_in.get(ask, headers=HTMX)).select_one("#take") is None
    own, take = shown(past="6 in", advised="18 in")
    assert value(own, "past") == "6 in"
    assert "hx-trigger" not in take.attrs, "a pace of their own"
    stepped = signed_in.get("/read", query_string=fields(ask) | {"step": "past:1"}, headers=HTMX)
    assert "advised" not in fields(parsed(stepped).select_one("#firm-ask")["hx-get"])


def test_the_days_trueness_comes_with_its_speed(signed_in, session):
    kept_speed(session, signed_in.golfer, 10.7, condition=Condition(trueness=2))
    session.commit()
    page = signed_in.get("/read")
    assert value(page, "true") == "2"
    asks = links(page, "/firm")
    assert fields(asks[0])["true"] == ["2"]
