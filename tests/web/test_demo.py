"""The demo golfer: each visitor's own copy, as if measured this morning, swept away after a day."""

from datetime import UTC, datetime, timedelta
from statistics import fmean
from uuid import UUID

import pytest
from sqlalchemy import create_engine, delete, func, select
from sqlalchemy.orm import sessionmaker

from orthocline.db.account.models import Golfer, StrokeTrial
from orthocline.db.ground.models import Green
from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.db.speed.models import SpeedNote
from orthocline.services.account.access import Viewer
from orthocline.services.account.accounts import sign_in, sign_up
from orthocline.services.account.measures import own_measures
from orthocline.services.demo import golfer as demo_service
from orthocline.services.demo.drills import DONE
from orthocline.services.demo.golfer import (
    DEMO_GOLFER,
    PUPILS,
    PUTTS_LOGGED,
    SPINDRIFT,
    demo_copy,
)
from orthocline.services.demo.sharing import CLUB, KEEPER
from orthocline.services.demo.training import EYES
from orthocline.services.errors import InvalidError
from orthocline.services.speed.book import day_speed
from orthocline.services.train.drills import history, newest_runs
from orthocline.services.train.record import biases_by_way, record_of
from orthocline.services.train.sessions import going
from orthocline.web.app import create_app
from tests.conftest import PASSWORD, app_config
from tests.page import link, links, parsed, text


@pytest.fixture(scope="module")
def loaded(demo_database):
    """A connection to where the demo is loaded; what these tests change is undone."""
    engine = create_engine(demo_database)
    with engine.connect() as connection:
        outer = connection.begin()
        yield connection
        outer.rollback()
    engine.dispose()


@pytest.fixture
def sessions(loaded):
    """A maker of sessions with the demo; what a test changes is undone."""
    nested = loaded.begin_nested()
    yield sessionmaker(loaded, join_transaction_mode="create_savepoint", expire_on_commit=False)
    nested.rollback()


def visit(app, name=DEMO_GOLFER):
    visitor = app.test_client()
    assert visitor.post("/sign-in/demo", data={"next": "/read", "golfer": name}).location == "/read"
    return visitor


def test_one_visitors_switch_is_nobody_elses(app):
    one, other = visit(app), visit(app)
    one.post("/mode", data={"mode": "competition"})
    one.post("/log/note", data={"length": "20 ft", "note": "mine alone"})
    assert one.get("/read").status_code == 403
    assert other.get("/read").status_code == 200
    assert "mine alone" in text(one.get("/log"))
    assert "mine alone" not in text(other.get("/log"))
    assert f"{PUTTS_LOGGED} putts" in text(other.get("/log"))


def test_a_copy_is_all_of_it_measured_this_morning(session):
    later = datetime.now(UTC) + timedelta(days=40, hours=3)
    copy = demo_copy(session, later)
    for kind, least in ((LoggedPutt, PUTTS_LOGGED), (Outing, 24), (SpeedNote, 30), (StrokeTrial, 4)):
        count = session.scalar(select(func.count()).select_from(kind).where(kind.golfer_id == copy.id))
        assert count >= least, kind
    day = day_speed(Viewer(copy), session, later)
    assert timedelta(0) <= later - day.measured_at < timedelta(days=1)


def test_what_the_eyes_of_the_demo_do_is_found_by_their_records(session):
    """Right to left and left to right, as `services/demo/training.py` hides it."""
    now = datetime.now(UTC) + timedelta(days=1)
    for name, hidden in EYES.items():
        golfer = session.scalars(select(Golfer).where(Golfer.name == name, Golfer.demo == "template")).one()
        found = record_of(Viewer(golfer), session, now)
        for breaks, share in ((-1, hidden.sees_left), (1, hidden.sees_right)):
            factor = found.seen[breaks].factor
            assert factor.least - 0.05 <= share <= factor.most + 0.05, (name, breaks)
        assert found.due > 0
        assert going(Viewer(golfer), session) is None
    tove = session.scalars(select(Golfer).where(Golfer.name == "Tove", Golfer.demo == "template")).one()
    assert biases_by_way(own_measures(Viewer(tove), session), "feet")["left"].sure


def test_the_drills_of_a_month_went_better_in_its_second_half(session):
    for name, (_, drills, _) in DONE.items():
        golfer = session.scalars(select(Golfer).where(Golfer.name == name, Golfer.demo == "template")).one()
        runs = [one for drill in drills for one in history(Viewer(golfer), session, drill)]
        middle = sorted(one.begun_at for one in runs)[len(runs) // 2]
        later = [one.points / one.best for one in runs if one.begun_at >= middle]
        sooner = [one.points / one.best for one in runs if one.begun_at < middle]
        assert fmean(later) > fmean(sooner), name
        assert len(newest_runs(Viewer(golfer), session)) == len(drills)


def test_wren_carries_her_cards_into_a_round(app, session):
    visitor = visit(app)
    visitor.post("/rounds", data={"kind": "round", "course": "Ternholm Links", "competition": "1"})
    page = visitor.get(link(visitor.get("/prints"), "Cards for 10.2"))
    assert len(parsed(page).select("#carried svg")) == 8
    copy = session.scalar(select(Golfer).where(Golfer.demo == "copy"))
    notes = select(func.count()).select_from(Green).where(Green.golfer_id == copy.id, Green.note != "")
    assert session.scalar(notes) == 3


def test_a_pupil_may_be_looked_round_as_too(app, session):
    visitor = app.test_client()
    visitor.post("/sign-in/demo", data={"golfer": PUPILS[0], "next": "/log"})
    assert PUPILS[0] in text(visitor.get("/log"))
    copy = session.scalar(select(Golfer).where(Golfer.demo == "copy"))
    putts = select(func.count(), func.count(LoggedPutt.outing_id.distinct()))
    assert session.execute(putts.where(LoggedPutt.golfer_id == copy.id)).one() == (84, 6)
    assert app.test_client().post("/sign-in/demo", data={"golfer": "Nobody"}).status_code == 404


def test_the_demo_putt_has_the_speed_of_this_mornings_ramp(session):
    newest = session.scalars(select(SpeedNote).order_by(SpeedNote.measured_at.desc()).limit(1)).one()
    assert (round(newest.speed_ft, 1), newest.method) == (SPINDRIFT.speed_ft, "ramp")


def test_copies_are_swept_away_after_a_day_and_with_them_their_sessions(app, session):
    visitor = visit(app)
    copy = session.scalar(select(Golfer).where(Golfer.demo == "copy"))
    copy.created_at -= timedelta(days=1, minutes=1)
    session.commit()
    assert visitor.get("/log").status_code == 200
    visit(app)
    session.expire_all()
    assert visitor.get("/log").status_code == 302
    assert session.scalar(select(func.count()).select_from(Golfer).where(Golfer.demo == "copy")) == 1
    players = select(Golfer.id).where(Golfer.name.in_((DEMO_GOLFER, *PUPILS)))
    assert set(session.scalars(select(LoggedPutt.golfer_id))) == set(session.scalars(players))


def test_many_visitors_leave_no_more_than_so_many_copies(session, monkeypatch):
    monkeypatch.setattr(demo_service, "MOST_COPIES", 3)
    copies = [demo_copy(session, datetime.now(UTC)).id for _ in range(6)]
    kept = session.scalars(select(Golfer.id).where(Golfer.demo == "copy").order_by(Golfer.id)).all()
    assert kept == copies[-4:], "three, and the one just made"


def test_the_button_pressed_twice_makes_one_copy(app, session):
    form = {"key": "9f0d9c4e-1f9c-4b62-9c9e-0f3f1f2f6a11"}
    for _ in range(2):
        assert app.test_client().post("/sign-in/demo", data=form).status_code == 303
    assert session.scalar(select(func.count()).select_from(Golfer).where(Golfer.demo == "copy")) == 1


def test_the_key_with_which_somebody_signed_up_opens_the_demo_alone(app, session):
    key = UUID("9f0d9c4e-1f9c-4b62-9c9e-0f3f1f2f6a12")
    golfer = sign_up(session, "Runa", PASSWORD, key)
    visitor = app.test_client()
    assert visitor.post("/sign-in/demo", data={"key": str(key)}).status_code == 303
    page = text(visitor.get("/account"))
    assert "a copy of the demo that is yours alone" in page
    assert demo_copy(session, datetime.now(UTC), key).id != golfer.id


def test_nobody_is_entered_by_password_and_a_copy_can_be_deleted_without(app, session):
    visitor = visit(app)
    for password in ("", PASSWORD):
        with pytest.raises(InvalidError):
            sign_in(session, DEMO_GOLFER, password)
    assert sign_up(session, DEMO_GOLFER.upper(), PASSWORD).demo is None
    page = visitor.get("/account")
    assert "a copy of the demo that is yours alone" in text(page)
    assert parsed(page).find(type="password") is None
    assert (
        visitor.post("/account/password", data={"password": "", "new_password": PASSWORD}).status_code == 422
    )
    assert visitor.post("/account/delete").status_code == 303
    assert visitor.get("/log").status_code == 302
    templates = select(func.count()).select_from(Golfer).where(Golfer.demo == "template")
    assert session.scalar(templates) == 1 + len(PUPILS) + len(("the club", "its keeper"))


def test_the_demo_is_there_in_demo_mode_only_and_once_it_is_loaded(client, database_url, sessions, loaded):
    before = loaded.begin_nested()
    with sessions.begin() as session:
        session.execute(delete(Golfer))
    assert client.post("/sign-in/demo").status_code == 404
    before.rollback()
    assert client.post("/sign-in/demo").status_code == 303
    sober = create_app(app_config(database_url, SESSIONS=sessions, DEMO=False)).test_client()
    assert sober.post("/sign-in/demo").status_code == 404


def test_a_copy_sees_what_its_template_saw_and_keeps_no_club(app):
    visitor = visit(app)
    pupils = visitor.get("/pupils")
    assert [one.get_text() for one in parsed(pupils).select("article h2")] == sorted(PUPILS)
    assert "Set" in text(pupils)
    club = link(visitor.get("/clubs"), CLUB)
    assert "posted" in text(visitor.get(club))
    keeper = visit(app, KEEPER)
    assert "Post today" not in text(keeper.get(club)), "the club is everybody's"
    pupil = visit(app, PUPILS[0])
    assert DEMO_GOLFER in text(pupil.get("/sharing"))
    assert f"From {DEMO_GOLFER}" in text(pupil.get("/train/practice"))


def test_what_one_visitor_leaves_no_other_sees(app):
    first, second = visit(app), visit(app)
    putts = link(first.get("/pupils"), f"Putts of {PUPILS[0]}")
    note = next(one for one in links(first.get(putts), "/putts/"))
    first.post(note, data={"words": "Seen by nobody else."})
    assert "Seen by nobody else." in text(first.get(putts))
    assert "Seen by nobody else." not in text(second.get(putts))
    assert "Seen by nobody else." not in text(visit(app, PUPILS[0]).get("/log"))
