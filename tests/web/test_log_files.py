"""Putts in and out: a file tried line by line, kept whole or not at all, twice the same as once."""

import io

import pytest
from sqlalchemy import func, select

from orthocline.db.jobs.models import GivenFile
from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.services.jobs.jobs import carry_out
from tests.page import parsed, text
from tests.reads import SPINDRIFT

HEAD = "at,outing,kind,course,green,hole,number,length_ft,finish_along_in,finish_right_in,holed,note"
ROWS = (
    "2026-06-01T09:12Z,June,round,Links,1,1,1,20,18,-6,,",
    "2026-06-01T09:13Z,June,round,Links,1,1,2,1.5,,,yes,",
    "2026-06-01T09:25Z,June,round,Links,2,2,1,8,,,yes,slow",
    "2026-06-02T18:00Z,,,Links,practice,,1,6,,,no,",
)


def file_of(*rows, head=HEAD):
    return "\n".join([head, *rows]) + "\n"


@pytest.fixture
def give(signed_in, sessions):
    """Give a file and let its trial be done; return the page, and its address."""

    def given(content, name="putts.csv"):
        sent = {"file": (io.BytesIO(content.encode()), name)}
        asked = signed_in.post("/log/files", data=sent, content_type="multipart/form-data")
        if asked.status_code != 303:
            return asked, ""
        carry_out(sessions, int(asked.location.rpartition("/")[2]))
        return signed_in.get(asked.location), asked.location

    return given


@pytest.fixture
def keep(signed_in, sessions):
    def kept(address):
        job = signed_in.post(f"{address}/keep").location
        carry_out(sessions, int(job.rpartition("/")[2]))
        return signed_in.get(job, follow_redirects=True)

    return kept


def count(session, kind=LoggedPutt):
    session.expire_all()
    return session.scalar(select(func.count()).select_from(kind))


def test_a_file_is_tried_then_kept_and_twice_is_as_good_as_once(give, keep, session):
    page, address = give(file_of(*ROWS))
    assert "4 new, 0 in your log already, 0 not taken" in text(page)
    assert "line 2 new 1 Jun, 09:12 · Links, 1 · hole 1 · 20 ft · 18 in past, 6 in left" in text(page)
    assert (count(session), count(session, Outing)) == (0, 0)
    assert "The putts of the file are in your log" in text(keep(address))
    assert (count(session), count(session, Outing), count(session, GivenFile)) == (4, 1, 0)
    putts = session.scalars(select(LoggedPutt).order_by(LoggedPutt.created_at)).all()
    assert putts[0].visit == putts[1].visit != putts[2].visit
    assert [putt.holed for putt in putts] == [False, True, True, False]
    again, address = give(file_of(*ROWS))
    assert "0 new, 4 in your log already" in text(again)
    assert parsed(again).find("form", action=f"{address}/keep") is None


def test_more_of_a_round_that_is_there_joins_it(give, keep, session):
    keep(give(file_of(*ROWS[:2]))[1])
    page, address = give(file_of(*ROWS))
    assert "2 new, 2 in your log already" in text(page)
    keep(address)
    assert (count(session), count(session, Outing)) == (4, 1)


def test_two_putts_alike_are_two(give, keep, session):
    keep(give(file_of(ROWS[3], ROWS[3]))[1])
    assert count(session) == 2
    assert "0 new, 2 in your log already" in text(give(file_of(ROWS[3], ROWS[3]))[0])


@pytest.mark.parametrize(
    ("row", "words"),
    [
        ("2099-06-01T09:12Z,,,,,,,6,,,yes,", "line 6 not taken at: is a time to come"),
        ("2026-06-01T09:12Z,,,,,,,6,2400,0,,", "line 6 not taken finish_along_m: must be at most 30"),
        ("2026-06-01T09:12Z,June,round,Links,,19,,6,,,yes,", "line 6 not taken hole: must be at most 18"),
        ("2026-06-01T09:12Z,June,round,Links,,1,1,6,,,yes,", "number: hole 1 has its putt 1 on line 2"),
        (
            "2026-06-01T09:12Z,June,practice,Links,,3,,6,,,yes,",
            "outing: was a round at Links on a line before",
        ),
        ("2026-06-01T09:12Z,,,,,3,,6,,,yes,", "outing: is missing: name the round"),
        ("2026-06-01T09:12Z,July,,,,3,,6,,,yes,", "kind: is missing: round or practice"),
    ],
)
def test_one_wrong_line_and_nothing_is_kept(give, keep, session, row, words):
    page, address = give(file_of(*ROWS, row))
    assert words in text(page)
    assert "4 new, 0 in your log already, 1 not taken" in text(page)
    assert parsed(page).find("form", action=f"{address}/keep") is None
    assert "1 not taken" in text(keep_anyway(keep, address))
    assert count(session) == 0


def keep_anyway(keep, address):
    """Send the form that is not there: it leads back to what is wrong."""
    return keep.__closure__[1].cell_contents.post(f"{address}/keep", follow_redirects=True)


def test_files_that_are_none_of_putts_are_refused_with_why(give, signed_in):
    assert "Choose a file" in text(signed_in.post("/log/files", data={}))
    assert "This file is empty" in text(give(" ")[0])
    assert "Line 1, column colour: no column of that name" in text(give("at,colour\n1,2\n")[0])
    assert "its unit is not known" in text(give("at,length_yards\n1,2\n")[0])


def test_what_is_taken_along_is_taken_in_again_as_nothing_new(signed_in, give, keep, session):
    signed_in.post("/rounds", data={"kind": "round", "course": "Ternholm Links"})
    saved = signed_in.post("/log", data={**SPINDRIFT, "own": "9 in", "own_side": "left"}).location
    signed_in.post(saved, data={"along": "8 in", "across": "3 in", "started": "right", "passed": "left"})
    keep(give(file_of(*ROWS))[1])
    for ending in ("csv", "jsonl"):
        out = signed_in.get(f"/log/putts.{ending}", buffered=True)
        assert out.text.count("\n") == (6 if ending == "csv" else 5)
        page, _ = give(out.text, f"putts.{ending}")
        assert "0 new, 5 in your log already, 0 not taken" in text(page), ending
    before = signed_in.get("/log/putts.jsonl", buffered=True).text
    session.query(LoggedPutt).delete()
    session.query(Outing).delete()
    session.commit()
    keep(give(before, "putts.jsonl")[1])
    assert signed_in.get("/log/putts.jsonl", buffered=True).text == before


def test_some_putts_are_taken_along_and_no_reads_in_competition(signed_in, give, keep):
    signed_in.post("/log", data=SPINDRIFT)
    keep(give(file_of(*ROWS))[1])
    some = signed_in.get("/log/putts.csv?kind=round&result=holed", buffered=True).text
    assert some.count("\n") == 3
    assert '"putt":' in signed_in.get("/log/putts.jsonl", buffered=True).text
    signed_in.post("/mode", data={"mode": "competition"})
    hidden = signed_in.get("/log/putts.jsonl", buffered=True).text
    assert '"putt":' not in hidden
    assert "read_aim" not in hidden
    assert signed_in.get("/log/putts.xls").status_code == 404


def test_a_file_is_left_and_long_ones_have_pages(signed_in, give, session):
    rows = [f"2026-06-01T09:12:{i % 60:02d}Z,,,,,,,{3 + i // 60},,,yes,{i}" for i in range(450)]
    page, address = give(file_of(*rows))
    assert "450 new" in text(page)
    assert len(parsed(page).select("ol li")) == 200
    last = signed_in.get(f"{address}?from=400")
    assert len(parsed(last).select("ol li")) == 50
    signed_in.post(f"{address}/leave")
    assert count(session, GivenFile) == 0
    assert signed_in.get(address).status_code == 404
