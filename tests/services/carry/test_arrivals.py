"""What comes in from a phone: once, in its order, and never over what has changed since."""

import json
import math
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from uuid import uuid4

import pytest
from sqlalchemy import func, select

from orthocline.core.chart import ChartReading
from orthocline.core.ground import plane_from_grade
from orthocline.core.log import Finish
from orthocline.core.roll import Point, Putt, RollPast, aims
from orthocline.db.carry.models import Arrival
from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.formats.phone_document import LARGEST_BYTES, UnreadableError, sent_of
from orthocline.services.account.access import Mode, Viewer
from orthocline.services.account.competition import mode_until
from orthocline.services.carry.arrivals import take_in
from orthocline.services.errors import ChangedError, InvalidError, NotAllowedError, NotFoundError
from orthocline.services.ground.charts import Edit, edit_chart, find_green, keep_chart, undo_edit
from orthocline.services.ground.places import Place
from orthocline.services.log.entries import Result
from orthocline.services.log.noting import record_result
from orthocline.services.log.outings import delete_outing
from orthocline.services.speed.book import list_speeds
from tests.charted import CHART

AT = datetime.now(UTC).replace(microsecond=0) - timedelta(hours=2)
BALL, HOLE = (3.0, 13.0), (0.0, 8.0)


@pytest.fixture
def tove(create_golfer):
    return Viewer(create_golfer())


@pytest.fixture
def green(session, tove):
    """The number of a green that falls to its front by two percent."""
    return keep_chart(tove, session, Place("Ternholm Links", "green 1"), CHART, "charted")


def sent(viewer, kind, **members):
    """Return what a phone sends, through the text that it is sent as."""
    whole = {"id": str(uuid4()), "at": AT.isoformat(), "golfer": viewer.owner_id, "kind": kind, **members}
    return sent_of(json.dumps(whole).encode())


def pin_read(session, viewer, green, **more):
    mark = find_green(viewer, session, green).mark
    told = {"by": "pin", "green": green, "mark": mark, "ball_m": list(BALL), "hole_m": list(HOLE)}
    return told | {"green_speed_ft": 10.2, "past_m": 0.3, "aim_right_m": 0.2} | more


def read_putt(session, viewer, green, **more):
    read = pin_read(session, viewer, green)
    here = {"length_m": math.dist(BALL, HOLE), "course": "Ternholm Links", "green": "green 1"}
    return sent(viewer, "putt", **here, finish_m=[0.4, -0.1], read=read, **more)


def putts(session):
    return session.scalars(select(LoggedPutt).order_by(LoggedPutt.id)).all()


def another_slope(session, viewer, green):
    tilted = ChartReading((3.0, 12.0), "level", 0.0, 0.05)
    edit_chart(viewer, session, green, lambda chart: Edit(chart.added("readings", tilted), "another"))


def test_a_putt_comes_in_once_and_stays_as_it_was_changed_since(session, tove):
    one = sent(tove, "putt", length_m=4.2, holed=True, course="Links", hole=None, note="in")
    take_in(tove, session, one)
    (putt,) = putts(session)
    assert (putt.key, putt.created_at, putt.holed, putt.length_m) == (one.id, AT, True, 4.2)
    record_result(tove, session, putt.id, Result(False, Finish(0.5, 0.0)))
    take_in(tove, session, one)
    (same,) = putts(session)
    assert same.holed is False
    assert session.scalar(select(func.count()).select_from(Arrival)) == 1


def test_a_putt_that_was_read_has_the_solvers_read_and_its_finish(session, tove, green):
    take_in(tove, session, read_putt(session, tove, green))
    (putt,) = putts(session)
    surface = plane_from_grade(0.02, 0.0, 0.5 * math.pi)
    true = aims(Putt(Point(*BALL), Point(*HOLE), surface, 10.2, RollPast(0.3)))[0]
    assert putt.read_aim_right_m == pytest.approx(true.spot_right_m(putt.length_m), abs=0.03)
    assert (putt.created_at, putt.finish_along_m, putt.finish_across_m) == (AT, 0.4, -0.1)
    assert putt.green_id == green


def test_a_plane_read_is_that_of_its_plane(session, tove):
    read = {"by": "plane", "side": 0.02, "rise": -0.01, "green_speed_ft": 9.0, "past_m": 0.3}
    read |= {"aim_right_m": -0.3}
    take_in(tove, session, sent(tove, "putt", length_m=5.0, read=read))
    (putt,) = putts(session)
    true = aims(
        Putt(Point(0.0, 0.0), Point(5.0, 0.0), plane_from_grade(-0.01, 0.02, 0.0), 9.0, RollPast(0.3))
    )[0]
    assert putt.read_aim_right_m == pytest.approx(true.spot_right_m(5.0), abs=1e-3)
    assert putt.holed is None
    with pytest.raises(InvalidError, match="cannot be read"):
        take_in(tove, session, sent(tove, "putt", read=read))


def test_a_green_that_was_charted_anew_is_asked_about(session, tove, green):
    one = read_putt(session, tove, green)
    another_slope(session, tove, green)
    with pytest.raises(
        ChangedError, match=r"green 1 was charted anew .* You read 7¾ in right; .* it is "
    ) as asked:
        take_in(tove, session, one)
    assert set(asked.value.choices) == {"anew", "bare"}
    assert putts(session) == []
    take_in(tove, session, one.model_copy(update={"decided": ["anew"]}))
    bare = read_putt(session, tove, green).model_copy(update={"decided": ["bare"]})
    take_in(tove, session, bare)
    read, plain = putts(session)
    assert read.read_document is not None
    assert plain.read_document is None
    assert (plain.method, plain.breaks_right, plain.finish_along_m) == ("model", -1, 0.4)


def test_a_chart_that_changes_no_read_is_not_asked_about(session, tove, green):
    across = Putt(Point(*BALL), Point(*HOLE), plane_from_grade(0.02, 0.0, 0.5 * math.pi), 10.2, RollPast(0.3))
    aim_m = aims(across)[0].spot_right_m(math.dist(BALL, HOLE))
    read = pin_read(session, tove, green, aim_right_m=aim_m)
    as_charted = ChartReading((-5.0, 3.0), "level_averaged", -0.5 * math.pi, 0.02)
    edit_chart(
        tove, session, green, lambda chart: Edit(chart.added("readings", as_charted), "the same again")
    )
    take_in(tove, session, sent(tove, "putt", holed=True, read=read))
    assert [putt.read_document is None for putt in putts(session)] == [False]


def test_an_edit_that_was_undone_changed_nothing(session, tove, green):
    one = read_putt(session, tove, green)
    another_slope(session, tove, green)
    undo_edit(tove, session, green)
    take_in(tove, session, one)
    assert len(putts(session)) == 1


def test_a_green_that_is_gone_leaves_the_putt_without_its_read(session, tove, green):
    one = read_putt(session, tove, green)
    one = one.model_copy(update={"read": one.read.model_copy(update={"green": green + 1000})})
    with pytest.raises(ChangedError, match="not charted any more") as asked:
        take_in(tove, session, one)
    assert set(asked.value.choices) == {"bare"}


def test_a_round_comes_in_with_its_putts_and_its_end(session, tove):
    begun = sent(tove, "round", course="Ternholm Links")
    visit = str(uuid4())
    of_it = {"outing": str(begun.id), "hole": 3, "visit": visit, "length_m": 6.0}
    first = sent(tove, "putt", **of_it, finish_m=[0.5, 0.2])
    second = sent(tove, "putt", **of_it, number=2, holed=True)
    with pytest.raises(ChangedError, match="has not come in") as asked:
        take_in(tove, session, first)
    assert set(asked.value.choices) == {"alone"}
    for one in (begun, first, second, sent(tove, "end", outing=str(begun.id)), begun, first):
        take_in(tove, session, one)
    (outing,) = session.scalars(select(Outing)).all()
    assert (outing.begun_at, outing.ended_at, outing.course.name) == (AT, AT, "Ternholm Links")
    told = [(putt.outing_id, putt.hole, putt.number, str(putt.visit)) for putt in putts(session)]
    assert told == [(outing.id, 3, 1, visit), (outing.id, 3, 2, visit)]
    delete_outing(tove, session, outing.id)
    late = sent(tove, "putt", **of_it, holed=True)
    with pytest.raises(ChangedError):
        take_in(tove, session, late)
    take_in(tove, session, late.model_copy(update={"decided": ["alone"]}))
    assert putts(session)[-1].outing_id is None
    with pytest.raises(NotFoundError):
        take_in(tove, session, sent(tove, "end", outing=str(begun.id)))


def test_a_round_that_began_later_here_is_not_ended_by_one_that_comes_in_late(session, tove):
    later = sent(tove, "round").model_copy(update={"at": AT + timedelta(hours=1)})
    for one in (later, sent(tove, "round", outing="practice")):
        take_in(tove, session, one)
    ends = {one.kind: one.ended_at for one in session.scalars(select(Outing))}
    assert ends == {"round": None, "practice": None}


def test_in_competition_what_was_read_waits_and_what_was_noted_comes_in(session, tove, green):
    read = read_putt(session, tove, green)
    now = sent(tove, "round", competition=True).model_copy(update={"at": datetime.now(UTC)})
    take_in(tove, session, now)
    assert mode_until(tove.golfer.competition_until, datetime.now(UTC)) is Mode.COMPETITION
    playing = replace(tove, mode=Mode.COMPETITION)
    with pytest.raises(NotAllowedError, match="Competition"):
        take_in(playing, session, read)
    take_in(playing, session, sent(tove, "putt", length_m=2.0, holed=True, outing=str(now.id)))
    take_in(tove, session, read)
    assert [putt.read_document is None for putt in putts(session)] == [True, False]


def test_a_posted_speed_is_in_the_book_once_and_off_in_competition(session, tove):
    one = sent(tove, "speed", course="Ternholm Links", green_speed_ft=10.4)
    with pytest.raises(NotAllowedError):
        take_in(replace(tove, mode=Mode.COMPETITION), session, one)
    take_in(tove, session, one)
    take_in(tove, session, one)
    (kept,) = list_speeds(tove, session)
    assert (kept.method, kept.measured_at, kept.place) == ("posted", AT, Place("Ternholm Links"))
    assert kept.speed_ft.value == 10.4
    assert kept.speed_ft.sd > 0.0
    with pytest.raises(UnreadableError, match="green_speed_ft"):
        sent(tove, "speed", course="Ternholm Links", green_speed_ft=40.0)
    with pytest.raises(UnreadableError, match="course"):
        sent(tove, "speed", course="", green_speed_ft=10.4)


def test_a_slope_comes_onto_the_chart_that_it_was_read_on(session, tove, green):
    mark = find_green(tove, session, green).mark
    told = {"green": green, "mark": mark, "at_m": [1.0, 4.0], "toward_rad": 4.0, "slope": 0.03, "by": "feet"}
    one, other = sent(tove, "slope", **told), sent(tove, "slope", **told)
    take_in(tove, session, one)
    take_in(tove, session, one)
    readings = find_green(tove, session, green).chart.readings
    assert len(readings) == len(CHART.readings) + 1
    assert (readings[-1].at_m, readings[-1].size, readings[-1].by) == ((1.0, 4.0), 0.03, "feet")
    take_in(tove, session, sent(tove, "slope", **told))
    another_slope(session, tove, green)
    with pytest.raises(ChangedError, match="may lie elsewhere") as asked:
        take_in(tove, session, other)
    assert set(asked.value.choices) == {"anyway"}
    take_in(tove, session, other.model_copy(update={"decided": ["anyway"]}))
    assert len(find_green(tove, session, green).chart.readings) == len(CHART.readings) + 4


def test_what_another_golfer_entered_does_not_come_in(session, tove, create_golfer):
    idris = Viewer(create_golfer("Idris"))
    with pytest.raises(NotAllowedError, match="Another golfer"):
        take_in(idris, session, sent(tove, "putt", holed=True))


@pytest.mark.parametrize(
    ("text", "says"),
    [
        ("{", "The document: "),
        ('{"kind": "putt"}', "putt.id"),
        ('{"kind": "song"}', "The document: "),
        (json.dumps({"kind": "end", "id": str(uuid4()), "golfer": 1, "at": "2026-11-28T09:00:00"}), "end.at"),
        (" " * (LARGEST_BYTES + 1), "longer than"),
    ],
)
def test_what_is_no_document_is_refused_where_it_is_none(text, says):
    with pytest.raises(UnreadableError) as refused:
        sent_of(text.encode())
    assert says in str(refused.value)
