"""Nothing doubled and nothing lost: the same form twice is one entry, and many at once all count."""

from concurrent.futures import ThreadPoolExecutor
from uuid import UUID, uuid4

import pytest
from sqlalchemy import func, select

from orthocline.db.account.models import StrideTrial, StrokeTrial
from orthocline.db.log.models import LoggedPutt
from orthocline.db.speed.models import SpeedNote
from tests.conftest import PASSWORD
from tests.page import parsed
from tests.reads import SPINDRIFT

FORMS = {
    "/log": (SPINDRIFT, LoggedPutt),
    "/log/note": ({"length": "20 ft", "note": "slow"}, LoggedPutt),
    "/speed/ramp": ({"out": ["9 ft 2 in", "9 ft"], "course": "Ternholm Links"}, SpeedNote),
    "/speed/without-a-ramp": ({"by": "posted", "posted": "10", "course": "Ternholm Links"}, SpeedNote),
    "/measures/stride": ({"paces": "10", "tape": "28 ft"}, StrideTrial),
    "/measures/stroke": ({"stroke": "14 in", "roll": "12 ft", "stroke_speed": "10"}, StrokeTrial),
}


def count(session, kind):
    return session.scalar(select(func.count()).select_from(kind))


@pytest.mark.parametrize("address", FORMS)
def test_a_form_sent_twice_is_one_entry_and_another_form_another(signed_in, session, address):
    fields, kind = FORMS[address]
    first, second = uuid4(), uuid4()
    answers = [signed_in.post(address, data={**fields, "key": key}) for key in (first, first, second)]
    assert [response.status_code for response in answers] == [303] * 3
    assert answers[0].location == answers[1].location
    assert count(session, kind) == 2


def test_back_with_something_else_typed_is_another_entry(signed_in, session):
    key = str(uuid4())
    for note in ("slow", "slower", "slow"):
        signed_in.post("/log/note", data={"length": "20 ft", "note": note, "key": key})
    assert count(session, LoggedPutt) == 2


def test_a_key_is_the_golfers_own(signed_in, session, create_golfer):
    create_golfer("Idris")
    fields = {"length": "20 ft", "key": str(uuid4())}
    signed_in.post("/log/note", data=fields)
    signed_in.post("/sign-out")
    signed_in.post("/sign-in", data={"name": "Idris", "password": PASSWORD})
    signed_in.post("/log/note", data=fields)
    assert count(session, LoggedPutt) == 2
    assert len(set(session.scalars(select(LoggedPutt.golfer_id)))) == 2


def test_a_key_that_is_none_is_refused_and_a_form_without_one_counts(signed_in, session):
    assert signed_in.post("/log/note", data={"length": "20 ft", "key": "x"}).status_code == 400
    assert count(session, LoggedPutt) == 0
    for _ in range(2):
        assert signed_in.post("/log/note", data={"length": "20 ft"}).status_code == 303
    assert count(session, LoggedPutt) == 2


def test_deleting_and_undoing_twice_is_as_good_as_once(signed_in, session):
    signed_in.post("/log/note", data={"length": "20 ft"})
    putt = session.scalar(select(LoggedPutt))
    for deed, gone in (("delete", True), ("restore", False)):
        codes = [signed_in.post(f"/log/{putt.id}/{deed}").status_code for _ in range(2)]
        assert codes == [303, 303]
        session.refresh(putt)
        assert (putt.deleted_at is not None) is gone


def test_every_form_that_writes_carries_a_key_of_its_own(signed_in, session):
    signed_in.post("/log/note", data={"length": "20 ft"})
    number = session.scalar(select(LoggedPutt.id))
    keys = []
    for page in ("/", "/read", "/log", f"/log/{number}/finish", "/speed/ramp", "/measures", "/account"):
        forms = parsed(signed_in.get(page)).find_all("form", method="post")
        assert forms, page
        carried = [field["value"] for form in forms for field in form.find_all(attrs={"name": "key"})]
        assert len(carried) == len(forms), page
        keys += [UUID(key) for key in carried]
    assert len(set(keys)) == len(keys) > 20


def many(app, requests):
    """Send requests at once, each from a browser of its own in which Tove is signed in."""
    entered = app.test_client()
    entered.post("/sign-up", data={"name": "Tove", "password": PASSWORD})
    cookie = entered.get_cookie("session").value

    def send(request):
        browser = app.test_client()
        browser.set_cookie("session", cookie)
        return browser.post(*request[:1], data=request[1]).status_code

    with ThreadPoolExecutor(len(requests)) as pool:
        return list(pool.map(send, requests))


def test_sixteen_own_measures_at_once_are_all_kept(committed):
    strides = [("/measures/stride", {"paces": "10", "tape": f"{20 + i} ft"}) for i in range(7)]
    strokes = [
        ("/measures/stroke", {**FORMS["/measures/stroke"][0], "roll": f"{10 + i} ft"}) for i in range(7)
    ]
    choices = {"units": "metres", "slopes": "percent", "bend": "break", "hand": "left", "eye": "right"}
    body = [("/measures", choices)] * 2
    assert many(committed, strides + strokes + body) == [303] * 16
    with committed.extensions["orthocline_sessions"]() as session:
        assert sorted(round(m / 0.3048) for m in session.scalars(select(StrideTrial.tape_m))) == [
            *range(20, 27)
        ]
        assert count(session, StrokeTrial) == 7


def test_sixteen_of_the_same_form_at_once_are_one_entry(committed):
    same = ("/log/note", {"length": "20 ft", "key": str(uuid4())})
    assert many(committed, [same] * 16) == [303] * 16
    with committed.extensions["orthocline_sessions"]() as session:
        assert count(session, LoggedPutt) == 1


def test_never_more_trials_than_enough(committed):
    codes = many(
        committed, [("/measures/stride", {"paces": "10", "tape": f"{20 + i} ft"}) for i in range(24)]
    )
    assert sorted(codes) == [303] * 20 + [422] * 4
