"""Sessions and passwords: what ends a session ends its copies, private pages are not kept."""

import pytest
from sqlalchemy import select
from zxcvbn.frequency_lists import FREQUENCY_LISTS

from orthocline.db.account.models import Golfer
from orthocline.services.account.accounts import check_password, sign_up
from orthocline.services.account.forgotten import give_reset_code
from orthocline.services.errors import InvalidError, NotFoundError
from tests.conftest import PASSWORD
from tests.page import parsed, text

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
    assert client.post("/sign-up", data={**form, "name": "Runa", "password": NEW}).status_code == 303
    assert session.scalars(select(Golfer.name).order_by(Golfer.id)).all() == ["Tove", "Runa"]


@pytest.mark.parametrize("user", ["1", "x", "1.x", "9" * 40 + ".1", "-1.1", ".", "1.1.1"])
def test_odd_cookies_are_strangers(signed_in, user):
    with signed_in.session_transaction() as cookie:
        cookie["_user_id"] = user
    assert signed_in.get("/log").status_code == 302


def made_code(client):
    page = client.post("/account/code", data={"password": PASSWORD})
    assert page.status_code == 200
    return parsed(page).find(id="reset-code").text


def forgotten(client, code, name="Tove", new=NEW):
    return client.post("/sign-in/forgotten", data={"name": name, "code": code, "new_password": new})


def test_a_code_gives_a_new_password_once_and_ends_all_sessions(signed_in, app, session):
    code, stranger = made_code(signed_in), app.test_client()
    assert code not in signed_in.get("/account").text, "it is shown once"
    assert len(session.scalar(select(Golfer.reset_digest).where(Golfer.name == "Tove"))) == 32
    assert forgotten(stranger, f" {code.lower().replace('-', ' ')}").status_code == 303
    assert "The code is used" in text(stranger.get("/account"))
    assert signed_in.get("/log").status_code == 302
    assert forgotten(app.test_client(), code).status_code == 422
    assert signed_in.post("/sign-in", data={"name": "Tove", "password": NEW}).status_code == 303


def test_the_newest_code_counts_and_no_other(signed_in, app):
    before, code = made_code(signed_in), made_code(signed_in)
    stranger = app.test_client()
    for wrong in (before, "", "x", code[:-1]):
        told = forgotten(stranger, wrong)
        assert told.status_code == 422
    assert "do not go together" in text(forgotten(stranger, "x"))
    assert "do not go together" in text(forgotten(stranger, code, name="Nobody"))
    assert "anybody would guess" in text(forgotten(stranger, code, new="1234567890"))
    assert forgotten(stranger, code).status_code == 303, "a bad new password does not use it up"


def test_who_has_no_code_gets_in_by_none(create_golfer, app):
    create_golfer()
    for code in ("", "-", "None"):
        assert forgotten(app.test_client(), code).status_code == 422


def test_a_code_is_made_for_the_password_alone(signed_in):
    told = signed_in.post("/account/code", data={"password": "not this one"})
    assert (told.status_code, "not your password" in text(told)) == (422, True)


def test_whoever_runs_it_can_make_a_code(create_golfer, session, app):
    create_golfer()
    code = give_reset_code(session, " tove")
    session.commit()
    assert forgotten(app.test_client(), code).status_code == 303
    with pytest.raises(NotFoundError, match="Nobody is signed up"):
        give_reset_code(session, "Nobody")


def test_what_many_chose_is_no_password():
    """Of the shipped list of what is chosen most often, all that is long enough is refused."""
    usual = [word for word in FREQUENCY_LISTS["passwords"][:10_000] if len(word) >= 10]
    assert len(usual) > 20
    for word in usual:
        with pytest.raises(InvalidError):
            check_password("password", word, "Tove")
