"""Sessions and passwords: what ends a session ends its copies, private pages are not kept."""

import pytest
from sqlalchemy import select

from orthocline.db.account.models import Golfer
from orthocline.services.account.accounts import sign_up
from orthocline.services.errors import InvalidError
from tests.conftest import PASSWORD
from tests.page import text

NEW = "a quite other password"


def thief_of(client, app):
    """Return a browser with a copied cookie."""
    thief = app.test_client()
    thief.set_cookie("session", client.get_cookie("session").value)
    assert thief.get("/log").status_code == 200
    return thief


def test_signing_out_everywhere_ends_copied_sessions(signed_in, app):
    thief = thief_of(signed_in, app)
    signed_in.post("/sign-out")
    assert signed_in.get("/log").status_code == 302
    assert thief.get("/log").status_code == 200, "signing out ends the session of this browser"
    signed_in.post("/sign-in", data={"name": "Tove", "password": PASSWORD})
    signed_in.post("/sign-out/everywhere")
    assert signed_in.get("/log").status_code == 302
    assert thief.get("/log").status_code == 302


def test_a_new_password_ends_all_other_sessions_and_the_old_one(signed_in, app):
    thief = thief_of(signed_in, app)
    changed = signed_in.post("/account/password", data={"password": PASSWORD, "new_password": NEW})
    assert changed.status_code == 303
    assert "Your password is changed" in text(signed_in.get("/account"))
    assert thief.get("/log").status_code == 302
    signed_in.post("/sign-out")
    assert signed_in.post("/sign-in", data={"name": "Tove", "password": PASSWORD}).status_code == 422
    assert signed_in.post("/sign-in", data={"name": "Tove", "password": NEW}).status_code == 303


@pytest.mark.parametrize(
    ("typed", "told"),
    [
        ({"password": "not this one", "new_password": NEW}, "not your password"),
        ({"password": PASSWORD, "new_password": "short"}, "10 to 200 characters"),
        ({"password": PASSWORD, "new_password": "1234567890"}, "anybody would guess"),
        ({"password": "", "new_password": ""}, "Enter your password."),
    ],
)
def test_a_password_is_not_changed_to_a_bad_one_or_by_a_stranger(signed_in, typed, told):
    response = signed_in.post("/account/password", data=typed)
    assert response.status_code == 422
    assert told in text(response)
    signed_in.post("/sign-out")
    assert signed_in.post("/sign-in", data={"name": "Tove", "password": PASSWORD}).status_code == 303


@pytest.mark.parametrize("word", ["password12", "qwertyuiop", "Tove Tove 1", "aaaaaaaaaaaa", "iloveyou123"])
def test_the_commonest_passwords_are_refused(session, word):
    with pytest.raises(InvalidError, match="anybody would guess"):
        sign_up(session, "Tove Tove", word)


def test_nothing_of_the_cookie_before_outlives_signing_in(client, create_golfer):
    create_golfer()
    client.post("/mode", data={"mode": "competition"})
    with client.session_transaction() as cookie:
        cookie["planted"] = "by somebody else"
    client.post("/sign-in", data={"name": "Tove", "password": PASSWORD})
    with client.session_transaction() as cookie:
        assert set(cookie) <= {"_user_id", "_fresh", "_id", "csrf_token"}
    client.post("/sign-out")
    with client.session_transaction() as cookie:
        assert dict(cookie) == {}


def test_without_tls_no_browser_is_asked_to_stay_on_it(client):
    answer = client.get("/sign-in")
    assert "Strict-Transport-Security" not in answer.headers
    assert "Secure" not in answer.headers["Set-Cookie"]


def test_a_session_ends_with_the_browser_unless_it_stays(client, create_golfer):
    create_golfer()
    form = {"name": "Tove", "password": PASSWORD}
    assert "Expires" not in client.post("/sign-in", data=form).headers["Set-Cookie"]
    client.post("/sign-out")
    assert "Expires" in client.post("/sign-in", data=form | {"stays": "y"}).headers["Set-Cookie"]
    assert "Set-Cookie" not in client.get("/log").headers
    change = {"password": PASSWORD, "new_password": "another good password"}
    assert "Expires" in client.post("/account/password", data=change).headers["Set-Cookie"]


def test_private_pages_are_not_kept_by_browsers_and_shipped_files_are(signed_in, app):
    for page in ("/", "/log", "/read", "/speed", "/measures", "/account"):
        assert signed_in.get(page).headers["Cache-Control"] == "no-store", page
    assert "max-age" in signed_in.get("/static/app.css?v=1").headers["Cache-Control"]
    assert "Cache-Control" not in app.test_client().get("/read").headers


def test_signing_up_twice_with_one_form_is_one_golfer(client, session):
    form = {"name": "Tove", "password": PASSWORD, "key": "9f0d9c4e-1f9c-4b62-9c9e-0f3f1f2f6a10"}
    assert [client.post("/sign-up", data=form).status_code for _ in range(2)] == [303, 303]
    assert client.post("/sign-up", data={**form, "password": NEW}).status_code == 422
    assert session.scalars(select(Golfer.name)).all() == ["Tove"]


@pytest.mark.parametrize("user", ["1", "x", "1.x", "9" * 40 + ".1", "-1.1", ".", "1.1.1"])
def test_odd_cookies_are_strangers(signed_in, user):
    with signed_in.session_transaction() as cookie:
        cookie["_user_id"] = user
    assert signed_in.get("/log").status_code == 302
