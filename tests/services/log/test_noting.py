"""Noting: what comes next, rounds begun and ended, cards, and the start line that a finish implies."""

import json
import math
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from uuid import uuid4

import pytest
from sqlalchemy import func, select

from orthocline.core.log import Finish, Judged, Seen
from orthocline.core.roll import Launch, capture_of, read, roller
from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.formats.putt_document import putt_of
from orthocline.services.account.access import Viewer
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.ground.places import Place
from orthocline.services.log import noting, outings
from orthocline.services.log.cards import CardHole, keep_card
from orthocline.services.log.entries import NO_TURN, OwnKept, Result, Turn
from orthocline.services.log.putts import Which, delete_putt, list_putts
from tests.putts import DATA, FORMULAS, REFERENCES, on_grid, plane_putt

NOW = datetime.now(UTC)
STATIONS = next(one for one in REFERENCES if one["putt"]["surface"]["kind"] == "stations")
SURVEYED = json.loads((DATA / "reference-survey.json").read_text())[0]
MISSED = Result(False, Finish(0.3, 0.4))
HOLED = Result(True)


@pytest.fixture
def tove(create_golfer):
    return Viewer(create_golfer())


@pytest.fixture
def going(session, tove):
    return outings.begin_outing(tove, session, "round", "Links", NOW - timedelta(hours=1), uuid4())


def note(tove, session, result, turn=NO_TURN, length_m=4.0, at=None):
    return noting.note_putt(
        tove, session, length_m=length_m, place=Place("Links"), turn=turn, result=result, at=at
    )


def test_a_miss_is_followed_by_the_putt_it_left_and_a_holed_ball_by_the_next_hole(session, tove, going):
    first = noting.next_putt(tove, session, NOW)
    assert (first.turn, first.place) == (Turn(going.id, 1), Place("Links"))
    missed = note(tove, session, MISSED, first.turn)
    then = noting.next_putt(tove, session, NOW)
    assert then.turn == Turn(going.id, 1, 2, missed.visit)
    assert then.length_m == pytest.approx(0.5)
    another = noting.next_putt(tove, session, NOW, anew=True)
    assert (another.turn, another.length_m) == (Turn(going.id, 2), None)
    note(tove, session, Result(False), then.turn)
    third = noting.next_putt(tove, session, NOW)
    assert (third.turn.number, third.length_m) == (3, None)
    note(tove, session, HOLED, third.turn)
    assert noting.next_putt(tove, session, NOW).turn == Turn(going.id, 2)
    assert noting.first_of_visit(tove, session, third.turn) is missed


def test_after_the_last_hole_and_on_the_last_putt_of_a_green_the_next_is_a_first_one(session, tove, going):
    last = note(tove, session, HOLED, Turn(going.id, 18))
    assert noting.next_putt(tove, session, NOW, last).turn == Turn(going.id)
    ninth = note(tove, session, MISSED, Turn(going.id, 4, 9, uuid4()))
    assert noting.next_putt(tove, session, NOW, ninth).turn == Turn(going.id, 5)


def test_without_a_round_a_miss_is_gone_on_with_for_a_while_only(session, tove):
    missed = note(tove, session, MISSED, at=NOW - timedelta(minutes=5))
    assert noting.next_putt(tove, session, NOW).turn.visit == missed.visit
    assert noting.next_putt(tove, session, NOW, anew=True).turn == Turn()
    assert noting.next_putt(tove, session, NOW + timedelta(hours=1)).turn == Turn()


def test_a_read_is_the_second_putt_only_where_the_first_left_as_much(session, tove, going):
    practice = outings.begin_outing(tove, session, "practice", "", NOW, uuid4())
    assert going.ended_at == NOW, "a new one ends the other"
    missed = note(tove, session, MISSED, Turn(practice.id))
    assert noting.turn_now(tove, session, NOW, 0.6) == Turn(practice.id, None, 2, missed.visit)
    assert noting.turn_now(tove, session, NOW, 6.0) == Turn(practice.id)


def test_a_round_that_nobody_ended_ends_by_itself(session, tove, going):
    assert outings.open_outing(tove, session, NOW) is going
    assert outings.open_outing(tove, session, NOW + timedelta(hours=12)) is None
    outings.end_outing(tove, session, going.id, NOW)
    assert outings.open_outing(tove, session, NOW) is None


def test_a_round_goes_and_comes_back_with_its_putts_but_for_those_deleted_before(session, tove, going):
    kept, gone = (note(tove, session, HOLED, Turn(going.id, hole)) for hole in (1, 2))
    delete_putt(tove, session, gone.id)
    session.flush()
    outings.delete_outing(tove, session, going.id)
    assert list_putts(tove, session).putts == ()
    with pytest.raises(NotFoundError):
        outings.find_outing(tove, session, going.id)
    outings.restore_outing(tove, session, going.id)
    assert list_putts(tove, session).putts == (kept,)


def test_rounds_are_the_golfers_own(session, going, create_golfer):
    idris = Viewer(create_golfer("Idris"))
    for refused in (
        lambda: outings.find_outing(idris, session, going.id),
        lambda: note(idris, session, HOLED, Turn(going.id, 1)),
        lambda: outings.delete_outing(idris, session, going.id),
        lambda: noting.next_putt(idris, session, NOW, outing_id=going.id),
    ):
        with pytest.raises(NotFoundError):
            refused()
    assert outings.list_outings(idris, session) == []


@pytest.mark.parametrize(
    ("wrong", "field"),
    [
        ({"turn": Turn(hole=19)}, "hole"),
        ({"turn": Turn(number=10)}, "number"),
        ({"length_m": 200.0}, "length"),
        ({"method": "thumbs"}, "method"),
        ({"result": Result(False, Finish(61.0, 0.0))}, "finish"),
        ({"at": NOW + timedelta(days=2)}, "when"),
    ],
)
def test_what_no_putt_is_is_refused(session, tove, wrong, field):
    with pytest.raises(InvalidError) as caught:
        noting.note_putt(tove, session, **({"length_m": 3.0} | wrong))
    assert caught.value.field == field


def test_what_is_seen_and_said_is_kept_and_can_be_changed(session, tove):
    seen = Seen(-1, 1, gate_touched=True, struck_centre=False)
    putt = note(tove, session, Result(False, Finish(0.2, 0.1), seen, by_device=True))
    noting.judge_putt(tove, session, putt.id, Judged(read=True, pace=False))
    session.flush()
    session.expire_all()
    assert (putt.started_right, putt.passed_right, putt.gate_touched) == (-1, 1, True)
    assert (putt.by_device, putt.read_was_right, putt.line_was_right) == (True, True, None)
    written = noting.Written(Place("Links", "4"), 5.0, Turn(hole=3), NOW - timedelta(days=3), breaks=1)
    noting.edit_putt(tove, session, putt.id, written)
    assert (putt.length_m, putt.hole, putt.breaks_right, putt.read_was_right) == (5.0, 3, 1, None)


def test_a_read_keeps_its_length_and_break_whatever_is_typed(session, tove):
    putt = noting.save_read(tove, session, read(plane_putt(12, side_right=0.02)))
    assert putt.breaks_right == 1
    noting.edit_putt(tove, session, putt.id, noting.Written(Place(), 1.0, Turn(), NOW, breaks=-1))
    assert (putt.length_m, putt.breaks_right) == (pytest.approx(3.6576), 1)


@pytest.mark.parametrize(
    ("putt", "off_deg"),
    [
        (plane_putt(10, side_right=0.02, grade=-0.01), 2.2),
        (on_grid(FORMULAS[0]), -0.8),
        (putt_of(STATIONS["putt"]), 2.4),
        (putt_of(SURVEYED["putt"]), -1.6),
    ],
    ids=["plane", "grid", "stations", "survey"],
)
@pytest.mark.parametrize("own_m", [None, -0.3])
def test_the_finish_tells_how_the_ball_started(session, tove, putt, off_deg, own_m):
    solved = read(replace(putt, pace=putt.pace))
    meant = solved.launch_right_rad if own_m is None else math.atan2(own_m, putt.length_m)
    struck = Launch(meant + math.radians(off_deg), 1.06 * solved.launch_speed_mps)
    track = roller(putt, solved.aim)(struck)
    assert not capture_of(track, putt.hole).drops
    along, right = putt.along_and_right_m(track.finish)
    saved = noting.save_read(tove, session, solved, own=OwnKept(own_m))
    finish = Finish(along - putt.length_m, right)
    noting.record_result(tove, session, saved.id, Result(False, finish))
    assert math.degrees(saved.start_right_rad) == pytest.approx(off_deg, abs=0.02)
    noting.record_result(tove, session, saved.id, HOLED)
    assert saved.start_right_rad is None


def test_a_card_is_a_round_of_putts_and_the_same_card_twice_is_one(session, tove):
    holes = [CardHole(1, 2, (6.0, 0.6)), CardHole(2, 0), CardHole(3, 3, (12.0, None)), CardHole(4, 1)]
    key, begun = uuid4(), NOW - timedelta(days=7)
    kept = [keep_card(tove, session, "Links", begun, holes, key) for _ in range(2)]
    assert kept[0] is kept[1]
    (told,) = outings.list_outings(tove, session)
    assert (told.counts.putts, told.counts.greens, told.counts.three_putts) == (6, 3, 1)
    assert (told.outing.holes, told.counts.holed) == (4, 3)
    putts = outings.putts_of_outing(tove, session, kept[0].id)
    assert [(p.hole, p.number, p.length_m, p.holed) for p in putts[:3]] == [
        (1, 1, 6.0, False),
        (1, 2, 0.6, True),
        (3, 1, 12.0, False),
    ]
    assert len(list_putts(tove, session, Which(kind="round")).putts) == 6


@pytest.mark.parametrize(
    "holes", [[], [CardHole(19, 2)], [CardHole(1, 2), CardHole(1, 1)], [CardHole(1, 10)]]
)
def test_a_card_that_no_round_has_is_refused_whole(session, tove, holes):
    with pytest.raises(InvalidError):
        keep_card(tove, session, "Links", NOW, holes, uuid4())
    with pytest.raises(InvalidError):
        keep_card(tove, session, "Links", NOW + timedelta(days=3), [CardHole(1, 2)], uuid4())
    assert session.scalar(select(func.count()).select_from(Outing)) == 0
    assert session.scalar(select(func.count()).select_from(LoggedPutt)) == 0
