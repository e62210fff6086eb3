"""Whichever worker, on whichever machine, is asked next: none keeps anything that another needs."""

import io
import re
from itertools import cycle
from uuid import uuid4

import pytest

from orthocline.jobs.worker import worker_of
from orthocline.web.app import create_app
from tests.conftest import PASSWORD, app_config
from tests.page import parsed, text, value

PUTTS = b"at,length_ft,holed,note\n2026-06-01T09:12Z,20,no,slow\n"


class Browser:
    """A browser whose requests are answered by one application after the other."""

    def __init__(self, apps):
        self.clients = cycle([app.test_client() for app in apps])
        self.cookie = None

    def ask(self, method, path, **more):
        client = next(self.clients)
        if self.cookie:
            client.set_cookie("session", self.cookie)
        answer = client.open(path, method=method, **more)
        kept = client.get_cookie("session")
        self.cookie = kept.value if kept else None
        return answer

    def get(self, path):
        return self.ask("GET", path)

    def post(self, path, page, **fields):
        """Send the form of a page that another application made."""
        guards = {"csrf_token": value(page, "csrf_token"), "key": str(uuid4())}
        return self.ask("POST", path, data={**guards, **fields})


@pytest.fixture
def browser(committed):
    apps = [create_app(app_config(committed.config["DATABASE_URL"], WTF_CSRF_ENABLED=True)) for _ in range(2)]
    yield Browser(apps)
    for app in apps:
        app.extensions["orthocline_engine"].dispose()


@pytest.fixture
def tove(browser):
    told = browser.post("/sign-up", browser.get("/sign-up"), name="Tove", password=PASSWORD)
    assert told.status_code == 303
    return browser


def test_a_form_of_one_is_taken_by_another_and_its_key_counts_once(tove):
    page = tove.get("/log")
    sent = {"csrf_token": value(page, "csrf_token"), "key": str(uuid4()), "length": "14 ft", "note": "slow"}
    for _ in range(3):
        assert tove.ask("POST", "/log/note", data=sent).status_code == 303
    for _ in range(2):
        assert len(re.findall("slow", text(tove.get("/log")))) == 1


def test_what_is_deleted_on_one_is_brought_back_on_another(tove):
    after = tove.post("/log/note", tove.get("/log"), length="14 ft", note="slow").location
    number = after.rpartition("=")[2]
    tove.post(f"/log/{number}/delete", tove.get("/log"))
    assert "slow" not in text(tove.get("/log"))
    tove.post(f"/log/{number}/restore", tove.get("/log"))
    assert "slow" in text(tove.get("/log"))


def test_a_file_given_to_one_is_done_by_any_and_seen_on_another(tove, committed):
    file = (io.BytesIO(PUTTS), "putts.csv")
    given = tove.post("/log/files", tove.get("/log/files"), file=file)
    assert given.status_code == 303
    worker_of(committed.config["DATABASE_URL"]).run_worker(wait=False, install_signal_handlers=False)
    for _ in range(2):
        page = tove.get(given.location)
        assert parsed(page).find("form", action=f"{given.location}/keep")


def test_competition_and_signing_out_hold_on_all(tove):
    tove.post("/mode", tove.get("/log"), mode="competition")
    assert [tove.get("/read?length=14+ft").status_code for _ in range(2)] == [403, 403]
    tove.post("/sign-out/everywhere", tove.get("/log"))
    assert [tove.get("/log").status_code for _ in range(2)] == [302, 302]
