"""The log, accounts, the mode and the demo, on real PostgreSQL."""

from datetime import UTC, datetime, timedelta
from uuid import uuid4

import numpy as np
import pytest
from sqlalchemy import create_engine, func, select
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from orthocline.core.calls import Answer
from orthocline.core.constants import MODEL_VERSION
from orthocline.core.learning import Correction
from orthocline.core.log import Finish
from orthocline.core.roll import SpeedAtHole, Wind, read
from orthocline.core.roll import reading as core_read
from orthocline.db.account.models import Golfer
from orthocline.db.log.models import LoggedPutt
from orthocline.formats.putt_document import putt_of
from orthocline.services.account.access import Mode, Viewer
from orthocline.services.account.accounts import delete_account, sign_in, sign_up
from orthocline.services.demo.drills import DONE
from orthocline.services.demo.golfer import DEMO_GOLFER, PLAYERS, PUTTS_LOGGED, SPINDRIFT, load_demo
from orthocline.services.demo.speeds import WEEKS
from orthocline.services.errors import InvalidError, NotAllowedError, NotFoundError
from orthocline.services.ground.places import Place, place_of
from orthocline.services.log import entries, noting
from orthocline.services.log import putts as log
from orthocline.services.log.entries import Result
from orthocline.services.log.habits import habits_of
from orthocline.services.log.outings import begin_outing, list_outings
from orthocline.services.log.putts import Which
from orthocline.services.read.reading import compare_own, read_again, read_putt, read_to_roll
from orthocline.services.speed.book import list_speeds
from orthocline.services.today import today
from orthocline.wording.read.call import call
from orthocline.wording.read.rolled import fate_words
from orthocline.wording.wording import USUAL_WORDING
from tests.archived import archive_of, manifest_of, rows_in
from tests.conftest import PASSWORD
from tests.putts import plane_putt

INCH = 0.0254


def aim(right_m):
    return Answer("aim_spot", (right_m,))


@pytest.fixture
def saved(session, create_golfer):
    golfer = create_golfer()
    return golfer, noting.save_read(Viewer(golfer), session, read(SPINDRIFT.putt), place=SPINDRIFT.place)


def finish(golfer, session, putt, place):
    noting.record_result(Viewer(golfer), session, putt.id, Result(place is None, place))


def written(putt, place, note):
    return noting.Written(place, None, noting.turn_of(putt), putt.created_at, note=note)


def test_a_saved_read_keeps_putt_read_and_model(session, saved):
    golfer, putt = saved
    session.expire_all()
    found = log.find_putt(Viewer(golfer), session, putt.id)
    assert putt_of(found.putt_document).length_m == pytest.approx(14 * 12 * INCH)
    assert found.read_document["aim_right_m"] == pytest.approx(17.697 * INCH, abs=1e-4)
    assert "path" not in found.read_document
    assert (found.model_version, found.holed) == (MODEL_VERSION, None)


def test_a_list_shows_what_it_was_read_on_without_the_ground(saved, monkeypatch):
    golfer, putt = saved
    asked = putt_of(putt.putt_document)
    now = entries.shown(Viewer(golfer), putt).ground
    assert now == pytest.approx((asked.side_tilt_right, asked.grade, asked.green_speed_ft))
    assert now.tilt_right != 0.0
    putt.tilt_right = None
    assert entries.shown(Viewer(golfer), putt).ground == pytest.approx(now), "a row older than the columns"
    putt.tilt_right = now.tilt_right
    monkeypatch.setattr(entries, "putt_of_document", None)
    assert entries.shown(Viewer(golfer), putt).ground == now


def test_a_finish_is_kept_along_and_across_and_can_be_changed(session, saved):
    golfer, putt = saved
    finish(golfer, session, putt, Finish(0.2, -0.1))
    assert (putt.holed, putt.finish_along_m, putt.finish_across_m) == (False, 0.2, -0.1)
    finish(golfer, session, putt, None)
    session.flush()
    assert (putt.holed, putt.finish_along_m) == (True, None)
    with pytest.raises(InvalidError):
        finish(golfer, session, putt, Finish(31.0, 0.0))
    with pytest.raises(InvalidError):
        finish(golfer, session, putt, Finish(float("nan"), 0.0))
    assert [p.id for p in log.list_putts(Viewer(golfer), session, Which(only=("holed",))).putts] == [putt.id]
    assert log.list_putts(Viewer(golfer), session, Which(only=("missed",))).putts == ()


def test_filters_and_wildcards_in_places(session, saved):
    golfer, putt = saved
    assert [p.id for p in log.list_putts(Viewer(golfer), session, Which(place="spindrift")).putts] == [
        putt.id
    ]
    assert log.list_putts(Viewer(golfer), session, Which(place="%")).putts == ()
    assert [p.id for p in log.list_putts(Viewer(golfer), session, Which(opened=True)).putts] == [putt.id]


def test_delete_can_be_undone_for_a_day_and_is_then_for_good(session, saved):
    golfer, putt = saved
    log.delete_putt(Viewer(golfer), session, putt.id)
    assert log.list_putts(Viewer(golfer), session).putts == ()
    with pytest.raises(NotFoundError):
        log.find_putt(Viewer(golfer), session, putt.id)
    assert log.restore_putt(Viewer(golfer), session, putt.id).deleted_at is None
    other = noting.note_putt(Viewer(golfer), session, length_m=3.0)
    log.delete_putt(Viewer(golfer), session, putt.id)
    putt.deleted_at -= timedelta(days=2)
    log.delete_putt(Viewer(golfer), session, other.id)
    assert session.scalars(select(LoggedPutt.id)).all() == [other.id]


def test_a_neighbour_sees_and_restores_nothing(session, saved, create_golfer):
    golfer, putt = saved
    neighbour = create_golfer("Idris")
    assert log.list_putts(Viewer(neighbour), session).putts == ()
    with pytest.raises(NotFoundError):
        log.find_putt(Viewer(neighbour), session, putt.id)
    log.delete_putt(Viewer(golfer), session, putt.id)
    with pytest.raises(NotFoundError):
        log.restore_putt(Viewer(neighbour), session, putt.id)


def test_texts_are_tidied_and_bounded(session, saved):
    golfer, putt = saved
    noting.edit_putt(Viewer(golfer), session, putt.id, written(putt, Place("  the\t links ", " 4"), "a\0b"))
    assert (place_of(putt), putt.note) == (Place("the links", "4"), "ab")
    with pytest.raises(InvalidError) as caught:
        noting.edit_putt(Viewer(golfer), session, putt.id, written(putt, Place("x" * 81), ""))
    assert caught.value.field == "course"
    with pytest.raises(InvalidError):
        noting.note_putt(Viewer(golfer), session, length_m=0.0)


@pytest.mark.parametrize(
    "members",
    [
        {"holed": True, "finish_along_m": 1.0, "finish_across_m": 0.0},
        {"finish_along_m": 1.0},
        {"read_document": {}},
        {"hole": 19},
        {"breaks_right": 2},
    ],
)
def test_the_database_refuses_half_a_putt(session, create_golfer, members):
    golfer = create_golfer()
    session.add(LoggedPutt(golfer_id=golfer.id, length_m=3.0, **members))
    with pytest.raises(IntegrityError):
        session.flush()


def test_sign_up_and_sign_in(session):
    golfer = sign_up(session, " Tove  H ", PASSWORD)
    assert golfer.name == "Tove H"
    assert PASSWORD not in golfer.password_hash
    assert golfer.password_hash.startswith("$argon2id$")
    assert sign_in(session, "tove h", PASSWORD).id == golfer.id
    for name, password in (("Tove H", "wrong password"), ("nobody", PASSWORD)):
        with pytest.raises(InvalidError, match="do not go together"):
            sign_in(session, name, password)
    for name, password in (("tove h", PASSWORD), ("", PASSWORD), ("Idris", "short")):
        with pytest.raises(InvalidError):
            sign_up(session, name, password)


def test_export_and_delete_take_everything(session, saved):
    golfer, putt = saved
    finish(golfer, session, putt, Finish(0.2, 0.1))
    round_of = begin_outing(Viewer(golfer), session, "round", "Links", datetime.now(UTC), uuid4())
    putt.outing_id = round_of.id
    session.flush()
    archive = archive_of(Viewer(golfer), session)
    assert manifest_of(archive)["golfer"]["name"] == "Tove"
    (told,), (outing,) = rows_in(archive, "logged_putts"), rows_in(archive, "outings")
    assert told["putt_document"]["green_speed_ft"] == 10.2
    assert told["finish_along_m"] == 0.2
    assert told["outing_id"] == outing["key"]
    with pytest.raises(InvalidError):
        delete_account(Viewer(golfer), session, "not the password")
    delete_account(Viewer(golfer), session, PASSWORD)
    assert session.scalar(select(func.count()).select_from(LoggedPutt)) == 0
    assert session.scalar(select(func.count()).select_from(Golfer)) == 0


def test_competition_refuses_reading_comparing_and_rolling():
    solved = read(plane_putt(10, side_right=0.02))
    for refused in (
        lambda: read_putt(Viewer(mode=Mode.COMPETITION), solved.putt),
        lambda: compare_own(Viewer(mode=Mode.COMPETITION), solved, aim(0.1)),
        lambda: read_to_roll(Viewer(mode=Mode.COMPETITION), solved.putt),
    ):
        with pytest.raises(NotAllowedError, match="committee"):
            refused()
    assert read_putt(Viewer(), solved.putt).aim_right_m == solved.aim_right_m


def test_own_read_rolls_the_golfers_own_aim():
    solved = read(SPINDRIFT.putt)
    own = compare_own(Viewer(), solved, aim(9 * INCH))
    assert not own.capture.drops
    assert own.finish_right_m < -0.2  # too low: it breaks away below the hole
    right = compare_own(Viewer(), solved, aim(solved.aim_right_m))
    assert right.capture.drops


def test_a_miss_is_high_or_low_where_it_passes_not_where_it_ends():
    solved = read(plane_putt(15, side_right=-0.03, past_in=10))
    high = compare_own(Viewer(), solved, aim(solved.aim_right_m * 1.15))
    assert high.passed_right_m > 0 > high.finish_right_m
    assert "high and stop" in fate_words(solved, high, USUAL_WORDING)
    low = compare_own(Viewer(), solved, aim(solved.aim_right_m * 0.6))
    assert "low and stop" in fate_words(solved, low, USUAL_WORDING)
    straight = read(plane_putt(15))
    left = compare_own(Viewer(), straight, aim(-9 * INCH))
    assert "left and stop" in fate_words(straight, left, USUAL_WORDING)


@pytest.mark.parametrize(
    "asked",
    [
        {},
        {"side_right": 0.03, "grade": -0.02},
        {"grade": -0.09, "pace": SpeedAtHole(1.5)},
        {"side_right": -0.02, "wind": Wind(7.0, 1.0)},
    ],
)
def test_a_saved_read_is_had_again_without_solving_it(session, create_golfer, monkeypatch, asked):
    first = read(plane_putt(12, **asked))
    logged = noting.save_read(Viewer(create_golfer()), session, first)
    session.expire(logged)
    with monkeypatch.context() as unsolved:
        unsolved.setattr(core_read, "aims", None)
        again = read_again(Viewer(), logged)
    assert np.abs(again.path - first.path).max() < 1e-6
    assert np.abs(again.path_past - first.path_past).max() < 1e-6
    one, other = call(again), call(first)
    assert (one.sentence, one.details, one.lines) == (other.sentence, other.details, other.lines)
    with pytest.raises(NotAllowedError):
        read_again(Viewer(mode=Mode.COMPETITION), logged)


def test_a_pace_given_as_speed_is_said_as_speed_on_ground_that_holds_no_ball():
    steep = read(plane_putt(8, side_right=0.02, grade=-0.09, pace=SpeedAtHole(1.5)))
    assert call(steep).pace == "Reach the hole at 4.92 ft/s: it will not stop past the hole."


@pytest.fixture
def demo_session(demo_database):
    engine = create_engine(demo_database)
    with Session(engine) as session:
        yield session
        session.rollback()
    engine.dispose()


def test_demo_is_loaded_once(demo_session):
    session = demo_session
    assert not load_demo(session)
    golfer = session.scalar(select(Golfer).where(Golfer.name == DEMO_GOLFER))
    putts = session.scalars(select(LoggedPutt).where(LoggedPutt.golfer_id == golfer.id)).all()
    assert len(putts) == PUTTS_LOGGED
    assert {p.holed for p in putts} == {True, False}
    kinds = [row.outing.kind for row in list_outings(Viewer(golfer), session)]
    assert (kinds.count("round"), kinds.count("practice")) == (12, 12 + len(DONE[DEMO_GOLFER][2]))
    find_habits(session)
    now = datetime.now(UTC)
    day = today(Viewer(golfer), session, now)
    assert len(day.last) == 5
    assert day.speed.place == Place("Ternholm Links", "practice green")
    assert not any(note.measured_at > now for note in list_speeds(Viewer(golfer), session))
    assert len(list_speeds(Viewer(golfer), session)) > WEEKS
    assert [step.place for step in today(Viewer(mode=Mode.COMPETITION), session, now).steps] == [
        "prints",
        "course",
        "look",
        "",
        "log",
    ]


def find_habits(session):
    """Find what the demo's golfers do again and again in what was worked out of their logs."""
    for player in PLAYERS:
        who = session.scalar(select(Golfer).where(Golfer.name == player.name, Golfer.demo == "template"))
        known = habits_of(Viewer(who), session)
        assert known.current
        assert known.stroke.own
        by_side = {
            kind: next(one.factor for one in known.of(kind) if one.name == "aim_spot")
            for kind in ("method_left", "method_right")
        }
        for kind, sees in (("method_left", player.sees_left), ("method_right", player.sees_right)):
            assert by_side[kind].least < sees < by_side[kind].most
    wren = habits_of(Viewer(session.scalar(select(Golfer).where(Golfer.name == DEMO_GOLFER))), session)
    assert wren.suggested == (Correction("aim_spot", 1, 0.0, 1.5),)
    assert [one.name for one in wren.greens if one.faster_ft.surely_some] == ["green 2, Curlew"]
