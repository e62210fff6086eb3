"""Which was it: the page of one putt and its part, what is drawn, and what is said where nothing can be."""

import numpy as np
import pytest

from orthocline.core.log import Finish
from orthocline.core.roll import read
from orthocline.core.sure import Uncertainty
from orthocline.services.account.access import Viewer
from orthocline.services.log import noting
from orthocline.services.log.entries import OwnKept, Result
from tests.page import parsed, text, words_at
from tests.putts import plane_putt
from tests.rolled import roll_out

SOLVED = read(plane_putt(10.0, side_right=-0.02))
FELT = Uncertainty(side=0.004, grade=0.004, green_speed_ft=0.25)


@pytest.fixture
def played(signed_in, session):
    """Log a putt aimed for so much of its break, and return its number."""

    def log(share, result, uncertainty=FELT):
        aim = share * SOLVED.aim_right_m
        putt = noting.save_read(
            Viewer(signed_in.golfer), session, SOLVED, own=OwnKept(aim), uncertainty=uncertainty
        )
        session.flush()
        noting.record_result(Viewer(signed_in.golfer), session, putt.id, result)
        session.commit()
        return putt.id

    return log


def well_struck(share):
    """Return where a ball rests that is aimed for so much of its break and struck as meant."""
    right = np.arctan2([share * SOLVED.aim_right_m], SOLVED.putt.length_m)
    ways = roll_out([(0.0, -0.02)], 10.0, right, np.array([SOLVED.launch_speed_mps]))
    return Result(False, Finish(*(ways[-1][0] - (SOLVED.putt.length_m, 0.0)).tolist()))


def test_a_miss_is_told_as_the_read_with_how_much_and_how_sure(signed_in, played):
    number = played(0.45, well_struck(0.45), Uncertainty(side=0.001, grade=0.001))
    page = signed_in.get(f"/log/{number}/which")
    first = words_at(page, "#which-was-it p")
    assert first.startswith("It was most likely the read: aimed ")
    assert " in too low. With that right it drops " in first
    assert " times in ten." in first
    rows = [row.get_text(" ", strip=True) for row in parsed(page).select("#which-was-it tbody tr")]
    assert [row.split(" right")[0] for row in rows[:3]] == [
        "only the read",
        "only the start line",
        "only the pace",
    ]
    assert len(rows) == 6
    parts = {one["data-part"] for one in parsed(page).select("#which [data-part]")}
    assert {"was-way", "read-way", "line-way", "pace-way", "hole", "finish", "aim-mark"} <= parts
    part = signed_in.get(f"/log/{number}/which", headers={"HX-Request": "true"})
    assert "<html" not in part.get_data(as_text=True)
    assert words_at(part, "#which-was-it p") == first


def test_it_stands_on_the_putts_own_page_and_in_the_log(signed_in, played):
    number = played(1.0, Result(False, Finish(0.3, -0.42)))
    asks = parsed(signed_in.get(f"/log/{number}/finish")).find(attrs={"hx-get": f"/log/{number}/which"})
    assert asks["hx-trigger"] == "load"
    assert asks.find("a")["href"] == f"/log/{number}/which"
    assert parsed(signed_in.get("/log")).find("a", href=f"/log/{number}/which")


def test_a_holed_ball_may_have_been_saved(signed_in, played):
    number = played(0.4, Result(True))
    first = words_at(signed_in.get(f"/log/{number}/which"), "#which-was-it p")
    assert first.startswith("It dropped, but the ")
    assert "saved it" in first


def test_a_device_tells_of_the_ground(signed_in, played):
    number = played(1.0, Result(False, Finish(0.3, -0.42), by_device=True))
    page = signed_in.get(f"/log/{number}/which")
    assert "A device rolled it" in words_at(page, "#which-was-it p")
    assert "more to the left than was read." in text(page)
    assert not parsed(page).select("#which-was-it tbody tr")


def test_usual_or_yours_is_said(signed_in, played):
    number = played(0.45, Result(False, Finish(0.3, -0.42)))
    assert "a usual middle-handicap golfer's" in text(signed_in.get(f"/log/{number}/which"))


def test_a_putt_that_cannot_be_judged_says_why(signed_in, session, played):
    open_putt = noting.save_read(Viewer(signed_in.golfer), session, SOLVED)
    session.commit()
    page = signed_in.get(f"/log/{open_putt.id}/which")
    assert page.status_code == 200
    assert "It is not known yet how it ended." in text(page)
    assert parsed(signed_in.get(f"/log/{open_putt.id}/finish")).find(attrs={"hx-trigger": "load"}) is None
    missed = played(1.0, Result(False))
    assert "Nobody has noted where it stopped" in text(signed_in.get(f"/log/{missed}/which"))


def test_another_golfers_putt_is_not_there_and_competition_refuses(signed_in, played, create_golfer, session):
    other = noting.save_read(Viewer(create_golfer("Idris")), session, SOLVED)
    session.commit()
    assert signed_in.get(f"/log/{other.id}/which").status_code == 404
    number = played(1.0, Result(True))
    signed_in.post("/mode", data={"mode": "competition"})
    assert signed_in.get(f"/log/{number}/which").status_code == 403
