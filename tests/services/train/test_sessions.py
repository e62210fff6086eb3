"""Sessions of questions: taken up where they were, answered once, in time or late, and what is kept."""

from datetime import UTC, datetime, timedelta
from uuid import uuid4

import numpy as np
import pytest
from sqlalchemy import select

from orthocline.core.calls import USUAL_GOLFER
from orthocline.core.train import TWELVE, Asks, Given
from orthocline.db.train.models import TrainedQuestion, TrainingLevel, TrainingMemory, TrainingSession
from orthocline.services.account.access import Mode, Viewer
from orthocline.services.demo.greens import DEMO_GREENS
from orthocline.services.errors import InvalidError, NotAllowedError, NotFoundError
from orthocline.services.ground.charts import keep_chart, new_green
from orthocline.services.ground.places import Place
from orthocline.services.train.putts import mark, putt_asked
from orthocline.services.train.record import due_now, reader_test, record_of
from orthocline.services.train.sessions import (
    answer,
    ask_next,
    begin,
    find_question,
    going,
    question_of,
    stop,
)
from tests.archived import archive_of, rows_in

NOW = datetime(2026, 11, 27, 9, 0, tzinfo=UTC)


@pytest.fixture
def viewer(create_golfer):
    return Viewer(create_golfer("Tove"))


def answer_next(viewer, session, figures, at=NOW, school=""):
    row = ask_next(viewer, session, at)
    asked = putt_asked(viewer, session, question_of(row))
    answer(viewer, session, row, asked, Given(figures, school), USUAL_GOLFER, at)
    return row


def test_a_session_is_taken_up_where_it_was(viewer, session):
    begin(viewer, session, "card", "made", 5, NOW)
    first = answer_next(viewer, session, (0.02,))
    waiting = ask_next(viewer, session, NOW)
    assert waiting.number == 2
    assert ask_next(viewer, session, NOW + timedelta(days=3)) is waiting, "a second tab, or three days later"
    held = going(viewer, session)
    assert (held.answered, held.waiting, held.complete) == (1, waiting, False)
    assert first.answered_at == NOW


def test_the_first_answer_holds(viewer, session):
    begin(viewer, session, "card", "made", 5, NOW)
    row = answer_next(viewer, session, (0.01,))
    asked, score = putt_asked(viewer, session, question_of(row)), row.score
    level = session.get(TrainingLevel, (viewer.owner_id, "card")).level
    assert not answer(viewer, session, row, asked, Given((0.05,)), USUAL_GOLFER, NOW)
    assert (row.given["figures"], row.score) == ([0.01], score)
    assert session.get(TrainingLevel, (viewer.owner_id, "card")).level == level


def test_a_late_answer_is_kept_and_counts_for_nothing(viewer, session):
    begin(viewer, session, "card", "made", 5, NOW)
    row = ask_next(viewer, session, NOW)
    stop(viewer, session, NOW)
    assert answer(
        *(viewer, session, row, putt_asked(viewer, session, question_of(row))),
        *(Given((0.03,)), USUAL_GOLFER, NOW),
    )
    assert row.late
    assert session.get(TrainingLevel, (viewer.owner_id, "card")) is None
    assert record_of(viewer, session, NOW).answers == 0


def test_beginning_another_ends_the_first_and_the_same_form_begins_once(viewer, session):
    key = uuid4()
    begin(viewer, session, "card", "made", 5, NOW)
    begin(viewer, session, "slope", "made", 10, NOW, key)
    begin(viewer, session, "slope", "made", 10, NOW, key)
    rows = session.scalars(select(TrainingSession).order_by(TrainingSession.id)).all()
    assert [(one.asks, one.ended_at is None) for one in rows] == [("card", False), ("slope", True)]


def test_it_ends_with_the_last_answer_and_levels_and_memories_are_kept(viewer, session):
    begin(viewer, session, "card", "made", 5, NOW)
    rows = [answer_next(viewer, session, (0.03,)) for _ in range(5)]
    assert going(viewer, session) is None
    assert ask_next(viewer, session, NOW) is None
    level = session.get(TrainingLevel, (viewer.owner_id, "card"))
    assert level.answers == 5
    memories = session.scalars(select(TrainingMemory).order_by(TrainingMemory.kind)).all()
    assert {one.kind for one in memories} == {one.kind for one in rows}
    assert due_now(viewer, session, NOW + timedelta(days=400)) == len(memories)


def test_what_is_due_is_asked_first(viewer, session):
    begin(viewer, session, "card", "made", 10, NOW)
    wrong = answer_next(viewer, session, (0.06,))
    again = ask_next(viewer, session, NOW + timedelta(minutes=2))
    assert again.kind == wrong.kind, "badly answered: it is back after a minute"
    assert again.seed != wrong.seed, "but as another putt"


@pytest.mark.parametrize("ground", ["ternholm-0", "ternholm-6", "ternholm-3"])
def test_the_greens_of_ternholm_are_asked_about(viewer, session, ground):
    begin(viewer, session, "amount", ground, 5, NOW)
    row = answer_next(viewer, session, (0.1,), school="aim_spot")
    assert row.ground == ground
    assert row.said == pytest.approx(0.1)
    assert row.truth is not None


@pytest.mark.parametrize("ground", ["own-1", "own-x", "own-99999999999999999999", "ternholm-99", "else"])
def test_greens_that_are_not_there_are_said(viewer, session, ground):
    begin(viewer, session, "amount", ground, 5, NOW)
    with pytest.raises(NotFoundError):
        ask_next(viewer, session, NOW)


def test_a_green_of_which_nothing_is_read_is_not_asked_about(viewer, session):
    number = new_green(viewer, session, Place("Ternholm", "new"), deep_m=20.0, wide_m=20.0)
    begin(viewer, session, "amount", f"own-{number}", 5, NOW)
    with pytest.raises(NotFoundError):
        ask_next(viewer, session, NOW)


def test_a_green_of_ones_own_is_asked_about_and_is_nobody_elses(viewer, session, create_golfer):
    chart = DEMO_GREENS[5].chart(np.random.default_rng(1))
    number = keep_chart(viewer, session, Place("Ternholm", "mine"), chart, "charted")
    begin(viewer, session, "slope", f"own-{number}", 5, NOW)
    row = answer_next(viewer, session, (0.02,))
    assert row.ground == f"own-{number}"
    assert 0.0 < row.truth < 0.05
    with pytest.raises(NotFoundError):
        putt_asked(Viewer(create_golfer("Idris")), session, question_of(row))


def test_what_is_not_there_to_choose_is_refused(viewer, session):
    for asks, wanted in (("everything", 10), ("gate", 10), ("card", 7)):
        with pytest.raises(InvalidError):
            begin(viewer, session, asks, "made", wanted, NOW)


def test_another_golfers_question_is_not_found(viewer, session, create_golfer):
    begin(viewer, session, "card", "made", 5, NOW)
    row = ask_next(viewer, session, NOW)
    with pytest.raises(NotFoundError):
        find_question(Viewer(create_golfer("Idris")), session, row.id)


def test_competition_refuses_all_of_it(viewer, session):
    competing = Viewer(viewer.golfer, Mode.COMPETITION)
    for use in (
        lambda: begin(competing, session, "card", "made", 5, NOW),
        lambda: going(competing, session),
        lambda: record_of(competing, session, NOW),
        lambda: reader_test(competing, session),
    ):
        with pytest.raises(NotAllowedError):
            use()


def test_which_reader_one_is_moves_no_level(viewer, session):
    begin(viewer, session, "reader", "ternholm-4", 10, NOW)
    for asks, shown in TWELVE:
        row = ask_next(viewer, session, NOW)
        assert (row.asks, row.shown) == (asks, shown)
        asked = putt_asked(viewer, session, question_of(row))
        far = 0.0 if asks is Asks.AMOUNT else 0.5
        school = "aim_spot" if asks is Asks.AMOUNT else ""
        given = Given((far,), school)
        answer(viewer, session, row, asked, given, USUAL_GOLFER, NOW)
    test = reader_test(viewer, session)
    assert test.complete
    assert 0.0 <= test.verdict.lines.first_better <= 1.0
    assert session.scalars(select(TrainingLevel).order_by(TrainingLevel.asks)).all() == []
    assert record_of(viewer, session, NOW).asked == ()


def test_the_record_finds_what_the_eyes_do(viewer, session):
    """A golfer who says six tenths of every aim, and every slope half a percent too steep."""
    at = NOW
    for asks, count in (("amount", 20), ("slope", 10)):
        for _ in range(count // 10):
            begin(viewer, session, asks, "made", 10, at)
            for number in range(10):
                row = ask_next(viewer, session, at)
                asked = putt_asked(viewer, session, question_of(row))
                if asks == "amount":
                    truth = _aim(viewer, asked)
                    given = Given((0.6 * truth * (1.1 if number % 2 else 0.9),), "aim_spot")
                else:
                    given = Given((asked.putt.mean_plane.tilt + 0.005 + 0.001 * (number % 3 - 1),))
                answer(viewer, session, row, asked, given, USUAL_GOLFER, at)
                at += timedelta(minutes=1)
    found = record_of(viewer, session, at)
    assert all(reads.factor.most < 0.9 for reads in found.seen.values())
    (slope,) = [one for one in found.asked if one.asks is Asks.SLOPE]
    assert slope.bias.least < 0.005 < slope.bias.most
    assert slope.bias.sure
    assert session.scalar(select(TrainedQuestion.late).limit(1)) is False


def _aim(viewer, asked):
    from_zero = Given((0.0,), "aim_spot")

    return mark(viewer, asked, from_zero, USUAL_GOLFER).truth


def test_all_of_it_is_taken_along(viewer, session):
    begin(viewer, session, "card", "made", 5, NOW)
    answer_next(viewer, session, (0.03,))
    archive = archive_of(viewer, session)
    (held,), questions = rows_in(archive, "training_sessions"), rows_in(archive, "trained_questions")
    assert held["asks"] == "card"
    assert questions[0]["given"]["figures"] == [0.03]
    assert {one["session_id"] for one in questions} == {held["key"]}
    assert rows_in(archive, "training_levels")
    assert rows_in(archive, "training_memories")
