"""A long log: pages of fifty that cost the same however far back, and an archive sent as it is read."""

import re

import pytest
from sqlalchemy import text as sql

from orthocline.jobs.worker import worker_of
from tests.archived import rows_in
from tests.conftest import PASSWORD
from tests.page import link, links, text

MANY = 8_000
GREENS = """INSERT INTO greens (golfer_id, course_id, name)
SELECT golfer_id, id, 'green ' || n FROM courses, generate_series(0, 17) AS n"""
FILL = """INSERT INTO logged_putts (golfer_id, created_at, course_id, green_id, length_m, putt_document,
read_document, model_version, green_speed_ft, holed)
SELECT p.golfer_id, p.created_at - n / 3 * interval '1 minute', p.course_id, g.id, length_m, putt_document,
read_document, model_version, green_speed_ft, CASE WHEN n % 4 = 0 THEN true END
FROM logged_putts AS p CROSS JOIN generate_series(1, :n) AS n
JOIN greens AS g ON g.course_id = p.course_id AND g.name = 'green ' || n % 18"""


@pytest.fixture
def long_log(committed):
    """A golfer with a log of `MANY` putts, three of them in each minute."""
    client = committed.test_client()
    client.post("/sign-up", data={"name": "Tove", "password": PASSWORD})
    client.post("/log", data={"length": "14 ft", "course": "Ternholm Links"})
    with committed.extensions["orthocline_engine"].begin() as connection:
        connection.execute(sql(GREENS))
        connection.execute(sql(FILL), {"n": MANY - 1})
    return client


def numbers(page):
    return [int(there.split("/")[2]) for there in links(page, "/edit")]


def older(page):
    return next(iter(links(page, "before=")), None)


def test_every_putt_is_on_one_page_and_in_order(long_log):
    assert "1,000 or more putts" in text(long_log.get("/log?result=holed"))
    page, seen = long_log.get("/log?result=holed&place=GREEN+8"), []
    while True:
        seen += numbers(page)
        if older(page) is None:
            break
        assert len(numbers(page)) == 50
        page = long_log.get(older(page))
    fit = [n for n in range(1, MANY) if n % 4 == 0 and n % 18 == 8]
    assert len(seen) == len(set(seen)) == len(fit) > 200


def test_filters_go_along_and_the_way_back_is_there(long_log):
    page = long_log.get(older(long_log.get("/log?result=open&place=GREEN+7")))
    assert "Back to the newest" in text(page)
    assert set(re.findall(r"green \d+", text(page))) == {"green 7"}
    last = long_log.get("/log?place=green+7&before=0-0")
    assert "No older putts" in text(last)


@pytest.mark.parametrize("mark", ["x", "-", "1-", "1e3-1", "9" * 40 + "-1", f"1-{2**70}", "-5-1"])
def test_a_mark_that_no_page_gave_is_said(signed_in, mark):
    response = signed_in.get(f"/log?before={mark}")
    assert response.status_code == 404
    assert "no such page of your log" in text(response)


def test_the_archive_is_made_beside_and_is_whole(long_log, committed):
    asked = long_log.post("/account/export").location
    of = re.search(r"0 of ([\d,]+)", text(long_log.get(asked)))
    assert int(of[1].replace(",", "")) > MANY, "greens and their course too"
    worker_of(committed.config["DATABASE_URL"]).run_worker(wait=False, install_signal_handlers=False)
    assert "Everything that is kept of you is in one file" in text(long_log.get(asked))
    response = long_log.get(link(long_log.get(asked), "Take the file"), buffered=False)
    pieces = [len(piece) for piece in response.iter_encoded()]
    response.close()
    assert len(pieces) > 3
    assert max(pieces) < 300_000
    assert len(rows_in(long_log.get(f"{asked}/result", buffered=True).data, "logged_putts")) == MANY
