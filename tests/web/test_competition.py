"""In Competition nothing that was measured or read before is shown anywhere, until it ends."""

import re

import pytest

from tests.page import links, parsed, values, words_of
from tests.reads import SPINDRIFT
from tests.speeds import kept_speed

TOLD = (
    "2.1 %",
    "0.9 %",
    "10.2",
    "17¾",
    "9 in left",
    "9 in past",
    "tilt_percent",
    "10.7",
    "plays_like",
    "stroke_m",
)
"""Tilt, rise, speed, aim, own aim, pace: as words, and as the archive's figures."""


CLOCK = re.compile(r"T[\d:.]+")
"""Of times, whose seconds may be any figure."""


def told(response):
    """Return all that a page tells, in words and in fields, but for its drawings and keys."""
    if response.is_json:
        return CLOCK.sub("", response.text)
    page = parsed(response)
    for drawing in page.find_all("svg"):
        drawing.decompose()
    fields = {name: kept for name, kept in values(page).items() if name not in ("key", "csrf_token")}
    return f"{words_of(page)} {fields}"


@pytest.fixture
def pages(signed_in, session):
    """All pages on which something of a saved read, a speed or a stroke is told."""
    signed_in.post("/log", data={**SPINDRIFT, "own": "9 in", "own_side": "left"})
    number = links(signed_in.get("/log"), "/finish")[0].split("/")[2]
    finish = {"along": "8 in", "along_way": "past", "across": "3 in", "across_way": "left"}
    signed_in.post(f"/log/{number}/finish", data=finish)
    kept_speed(session, signed_in.golfer, 10.7)
    session.commit()
    signed_in.post("/measures/stroke", data={"stroke": "14 in", "roll": "12 ft", "stroke_speed": "10.2"})
    edit, again = f"/log/{number}/edit", f"/log/{number}/finish"
    return ("/", "/log", "/log?result=missed", again, edit, "/measures", "/account")


def test_everything_is_told_in_open_play(signed_in, pages, take_along):
    everything = " ".join([*(told(signed_in.get(page)) for page in pages), take_along(signed_in).text])
    assert [words for words in TOLD if words not in everything] == []


def test_nothing_is_told_in_competition_and_all_again_when_it_ends(signed_in, pages, take_along):
    earlier = take_along(signed_in).request.path
    before = [told(signed_in.get(page)) for page in pages]
    signed_in.post("/mode", data={"mode": "competition"})
    for page in pages:
        response = told(signed_in.get(page))
        assert [words for words in TOLD if words in response] == [], page
    log = told(signed_in.get("/log"))
    assert "8 in past, 3 in left" in log
    assert "14 ft" in log
    assert "Ternholm Links, green 4, Spindrift" in log
    assert signed_in.get(earlier).status_code == 403, "what was made in open play"
    archive = take_along(signed_in)
    assert [words for words in TOLD if words in CLOCK.sub("", archive.text)] == []
    export = archive.get_json()
    assert export["withheld"].startswith("In Competition")
    assert export["speeds"] == []
    read = {"putt", "read", "own_aim_right_m", "own_school", "own_figures", "green_speed_ft", "model"}
    assert set(export["putts"][0]) & (read | {"impression_right_m"}) == set()
    signed_in.post("/mode", data={"mode": "open_play"})
    assert signed_in.get(earlier).status_code == 200
    assert [told(signed_in.get(page)) for page in pages] == before


@pytest.mark.parametrize(
    "page",
    ["/read", "/read/roll", "/speed", "/speed/ramp", "/speed/without-a-ramp", "/beat", "/speed/1/edit"],
)
def test_what_reads_measures_or_times_is_refused(signed_in, page):
    signed_in.post("/mode", data={"mode": "competition"})
    assert signed_in.get(page).status_code == 403


@pytest.mark.usefixtures("pages")
def test_bad_measures_tell_no_stroke_either(signed_in):
    signed_in.post("/mode", data={"mode": "competition"})
    response = told(signed_in.post("/measures", data={"units": "miles"}))
    assert [words for words in TOLD if words in response] == []
