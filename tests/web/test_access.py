"""Who may do what: every route, forged forms, too many tries, the policy, and no 500."""

import re

import pytest
from sqlalchemy import select

from orthocline.db.account.models import Golfer, StrideTrial
from orthocline.formats.putt_document import schema
from orthocline.services.account.access import Viewer
from orthocline.services.account.trials import add_stride_trial
from orthocline.services.carry.cards import usual_cards
from orthocline.services.carry.prints import ask_print
from orthocline.services.ground.charts import new_green
from orthocline.services.ground.places import Place
from orthocline.services.log.noting import note_putt
from orthocline.web.app import create_app
from orthocline.web.database import session as web_session
from orthocline.web.local import local_path
from tests.conftest import PASSWORD, SECRET, app_config
from tests.page import parsed, text, value
from tests.speeds import kept_speed

CARDS = usual_cards((10.0,), 0.3, metric=False)
PUBLIC = {
    "static",
    "today.page",
    "read.page",
    "read.roll",
    "read.calls",
    "speed.page",
    "ramp.page",
    "ramp.save",
    "other_methods.page",
    "other_methods.save",
    "beat.page",
    "cards.page",
    "course.page",
    "course.state",
    "installed.manifest",
    "installed.service_worker",
    "look.page",
    "look.measured",
    "straight.page",
    "schools.page",
    "balls.page",
    "eyes.page",
    "eyes.roll",
    "firm.page",
    "firm.curves",
    "firm.golfers",
    "firm.window",
    "grain.page",
    "greens.page",
    "train.page",
    "train.putt",
    "train.answer_linked",
    "train.answered_linked",
    "drills.page",
    "drills.drill",
    "practice.page",
    "stand_in.page",
    "laid.page",
    "phone_level.page",
    "phone_level.simulated",
    "mode.switch",
    "mode.sun",
    "mode.keys",
    "about.cautions",
    "health.lives",
    "health.ready",
    "health.metrics",
    "about.keys",
    "about.putt_schema",
    "about.components",
    "account.sign_in",
    "account.sign_up",
    "account.forgotten",
    "account.sign_in_demo",
    "account.sign_out",
    "links.follow",
    "tokens.programs",
    "api.openapi",
}


def private_routes(app):
    return [
        (rule, method)
        for rule in app.url_map.iter_rules()
        if rule.endpoint not in PUBLIC and not rule.endpoint.startswith("api.")
        for method in rule.methods - {"HEAD", "OPTIONS"}
    ]


def concrete(rule, number):
    first = re.sub(r"<any\((\w+)[^>]*>", r"\1", rule.rule).replace("<name>", "tuning_putts")
    return re.sub("<int:[a-z_]+>", str(number), first)


def test_every_private_route_refuses_a_stranger(app, client):
    routes = private_routes(app)
    assert len(routes) >= 10
    for rule, method in routes:
        address = concrete(rule, 1)
        response = client.open(address, method=method)
        if method == "GET" or rule.endpoint == "read.save":
            assert response.location.startswith("/sign-in?next=/"), rule
        else:
            assert response.status_code == 401, rule
            assert "Sign in to go on" in text(response), rule


def test_every_route_of_a_row_refuses_a_neighbour(app, signed_in, session, create_golfer):
    idris = create_golfer("Idris")
    putt = note_putt(Viewer(idris), session, length_m=3.0)
    speed = kept_speed(session, idris)
    add_stride_trial(Viewer(idris), session, paces=10, tape_m=8.0)
    trial = session.scalar(select(StrideTrial))
    carried = ask_print(Viewer(idris), session, "cards", {**CARDS.document, "day": "27 Nov"})
    green_id = new_green(Viewer(idris), session, Place("Links", "4"), deep_m=20.0, wide_m=20.0)
    rows = {
        "green_id": green_id,
        "print_id": carried.id,
        "putt_id": putt.id,
        "note_id": speed.id,
        "trial_id": trial.id,
    }
    session.commit()
    refused = 0
    for rule, method in private_routes(app):
        for argument in rule.arguments & rows.keys():
            address = concrete(rule, rows[argument])
            assert signed_in.open(address, method=method, data={"holed": "1"}).status_code == 404, rule
            refused += 1
    assert refused >= 10
    session.expire_all()
    assert (putt.holed, putt.deleted_at, speed.deleted_at) == (None, None, None)
    assert session.scalar(select(StrideTrial)) is trial


def test_forged_forms_are_refused(database_url, sessions):
    app = create_app(app_config(database_url, SESSIONS=sessions, WTF_CSRF_ENABLED=True))
    client = app.test_client()
    for address in (
        "/log",
        "/mode",
        "/sign-in",
        "/sign-out",
        "/sign-in/demo",
        "/account/delete",
        "/sun",
        "/keys",
        "/speed/ramp",
        "/measures",
    ):
        refused = client.post(address)
        assert refused.status_code == 400, address
        assert "reload" in text(refused)


def test_a_form_of_ours_that_was_open_too_long_is_sent_again_and_one_of_another_site_is_not(
    database_url, sessions
):
    app = create_app(app_config(database_url, SESSIONS=sessions, WTF_CSRF_ENABLED=True))
    note = {"length": "20 ft", "note": "typed long ago", "password": "sesame"}
    for site, kept in (("same-origin", True), ("cross-site", False), ("same-site", False), (None, False)):
        headers = {"Sec-Fetch-Site": site} if site else {}
        page = app.test_client().post("/log/note", data=note, headers=headers)
        assert page.status_code == 400
        assert ("typed long ago" in text(page)) is kept, site
        assert "sesame" not in page.text


def test_sign_up_in_and_out(client):
    assert client.post("/sign-up", data={"name": "Tove", "password": "short"}).status_code == 422
    response = client.post("/sign-up?next=/log", data={"name": "Tove", "password": PASSWORD})
    assert response.location == "/log"
    assert client.get("/log").status_code == 200
    taken = client.post("/sign-up", data={"name": "TOVE", "password": PASSWORD})
    assert "signed up as" in text(taken)
    assert value(taken, "name") == "TOVE"
    client.post("/sign-out")
    assert client.get("/log").status_code == 302


@pytest.mark.parametrize(
    "wanted", [None, "", "https://x.example", "//x.example", "/\\x.example", "read", "/a\nb", "//[bad"]
)
def test_the_way_on_never_leads_off_the_site(app, wanted):
    with app.test_request_context():
        assert local_path(wanted) == "/"
        assert local_path("/read?length=3") == "/read?length=3"


def test_headers_guard_the_page(client):
    headers = client.get("/").headers
    assert "default-src 'self'" in headers["Content-Security-Policy"]
    assert headers["X-Content-Type-Options"] == "nosniff"


def test_only_marked_files_are_kept_by_browsers(client):
    """Scripts import each other, so their folder has the mark: versions never meet."""
    script = re.search(r'src="(/static/js~\w+/)page.js"', client.get("/").text)[1]
    kept = [f"{script}page.js", f"{script}dom.js", "/static/app.css?v=1", "/static/fonts/text.woff2"]
    for address in kept:
        assert "max-age=31536000" in client.get(address).headers["Cache-Control"], address
    for address in ("/static/js/dom.js", "/static/js~0123456789/dom.js", "/static/app.css"):
        assert client.get(address).headers["Cache-Control"] == "no-cache", address
    assert client.get(f"{script}dom.js").data == client.get("/static/js/dom.js").data


def test_schema_is_served_and_components_only_in_development(client, database_url):
    assert client.get("/putt-document-1.schema.json").get_json() == schema()
    assert client.get("/components").status_code == 200
    served = create_app(app_config(database_url, TESTING=False)).test_client()
    assert served.get("/components").status_code == 404


def test_a_weak_secret_is_refused():
    with pytest.raises(ValueError, match="SECRET_KEY"):
        create_app({"SECRET_KEY": SECRET[:20], "DATABASE_URL": "postgresql+psycopg://"})


def test_errors_are_pages_and_never_tell_the_fault(database_url, sessions):
    app = create_app(app_config(database_url, SESSIONS=sessions))
    app.add_url_rule("/boom", "boom", lambda: 1 / 0)
    client = app.test_client()
    broken = client.get("/boom")
    assert broken.status_code == 500
    assert "The fault is ours" in text(broken)
    assert "ZeroDivision" not in broken.text
    assert client.get("/nowhere").status_code == 404
    assert client.put("/read").status_code == 405
    assert client.post("/log", data={"note": "x" * 200_000}).status_code == 413


def test_what_the_database_refuses_is_a_page_for_who_is_signed_in_too(database_url, sessions, create_golfer):
    app = create_app(app_config(database_url, SESSIONS=sessions))

    def enter_twice():
        web_session().add(Golfer(id=golfer.id, name="Tove", password_hash=""))
        web_session().flush()

    app.add_url_rule("/twice", "twice", enter_twice)
    golfer, client = create_golfer(), app.test_client()
    client.post("/sign-in", data={"name": "Tove", "password": PASSWORD})
    broken = client.get("/twice")
    assert (broken.status_code, "The fault is ours" in text(broken)) == (500, True)
    assert client.get("/log").status_code == 200


def test_sun_setting(client):
    for _ in range(2):
        client.post("/sun", data={"next": "/cautions", "sun": "on"})
        assert "sun" in parsed(client.get("/cautions")).html["class"]
    client.post("/sun", data={"sun": "off"})
    assert "sun" not in parsed(client.get("/cautions")).html["class"]


def test_single_keys_can_be_turned_off(client):
    assert "data-keys" not in parsed(client.get("/read")).html.attrs
    client.post("/keys", data={"keys": "off"})
    assert parsed(client.get("/read")).html["data-keys"] == "off"
    assert "Single keys are off" in text(client.get("/keys"))
    client.post("/keys", data={"keys": "on"})
    assert "data-keys" not in parsed(client.get("/read")).html.attrs


def test_odd_bytes_and_numbers_are_no_fault(signed_in):
    assert signed_in.get(f"/log/{10**30}/finish").status_code == 404
    for address in ("/account/tokens/{}/revoke", "/train/practice/set/{}/delete", "/jobs/{}/cancel"):
        for number in (2**63 - 1, 2**63, 10**30):
            assert signed_in.post(address.format(number)).status_code in (303, 404), address
    for number in ("9" * 400, "-" + "9" * 400, "1e400", "\u0663" * 30):
        assert signed_in.post("/train/practice/done", data={"number": number}).status_code in (303, 404, 422)
        told = signed_in.post("/log/note", data={"length": "14 ft", "hole": number, "number": number})
        assert told.status_code == 422
    assert signed_in.get("/log?place=%00&result=%00").status_code == 200
    assert signed_in.get("/log?deleted=%D9%A3").status_code == 200
    for address in ("/speed?course=%00", "/read?course=%00", "/speed/without-a-ramp?course=%00"):
        assert signed_in.get(address).status_code == 200, address
    for name in ("\0", "\ud800".encode("utf-8", "replace").decode(), "x" * 10_000):
        assert signed_in.post("/sign-in", data={"name": name, "password": "\0"}).status_code == 422
    finish = {"along": "\0", "across": "1e9", "along_way": "sideways"}
    note = signed_in.post("/log/note", data={"length": "14 ft", "course": "\0", "note": "a\0b"})
    assert note.status_code == 303
    assert signed_in.post(note.location, data=finish).status_code == 422
    assert signed_in.post("/mode", data={"mode": "\0", "next": "\0"}).status_code == 303
