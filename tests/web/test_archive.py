"""An account taken along and brought in again, by its page."""

import io

import pytest

from orthocline.services.jobs.jobs import carry_out
from tests.archived import changed, member
from tests.conftest import PASSWORD
from tests.page import links, parsed, text, words_at


@pytest.fixture
def bring(sessions):
    """Give an archive as a client, do that job at once, and return the page that it leads to."""

    def give(client, archive, name="orthocline-account.zip"):
        given = {"file": (io.BytesIO(archive), name)}
        job = client.post("/account/archive", data=given, content_type="multipart/form-data").location
        carry_out(sessions, int(job.rpartition("/")[2]))
        return client.get(job, follow_redirects=True)

    return give


@pytest.fixture
def elsewhere(signed_in, client, create_golfer, take_along):
    """Idris, signed in, and the archive of Tove, who noted a putt."""
    signed_in.post("/log", data={"length": "14 ft", "course": "Ternholm Links"})
    archive = take_along(signed_in).data
    client.post("/sign-out")
    create_golfer("Idris")
    client.post("/sign-in", data={"name": "Idris", "password": PASSWORD})
    return client, archive


def test_an_archive_is_brought_in_and_the_second_time_changes_nothing(elsewhere, bring):
    client, archive = elsewhere
    said = text(bring(client, archive))
    assert "Tove's archive is brought in: 2 things." in said
    assert "14 ft" in text(client.get("/log"))
    assert "All 2 things of Tove's archive are here already" in text(bring(client, archive))
    assert len(links(client.get("/log"), "/edit")) == 1


def test_a_damaged_one_is_refused_with_its_line_and_nothing_is_kept(elsewhere, bring):
    client, archive = elsewhere
    damaged = changed(archive, "logged_putts", member("note", 7))
    assert "logged_putts.jsonl, line 1: note: Input should be a valid string." in text(bring(client, damaged))
    assert "Your log is empty." in text(client.get("/log"))
    assert "no archive of an account" in text(bring(client, b"hello"))


def test_without_a_file_the_page_says_so(signed_in):
    page = signed_in.post("/account/archive", data={})
    assert page.status_code == 422
    assert words_at(page, "#file-message") == "Choose a file."


def test_in_competition_both_are_off_and_say_why(signed_in):
    signed_in.post("/mode", data={"mode": "competition"})
    page = signed_in.get("/account")
    assert [one.has_attr("disabled") for one in parsed(page).select("form[action*=export] button")] == [True]
    assert "Off in Competition" in text(page)
    given = {"file": (io.BytesIO(b"x"), "a.zip")}
    refused = signed_in.post("/account/archive", data=given, content_type="multipart/form-data")
    assert refused.status_code == 403
    assert "committee" in text(refused)
