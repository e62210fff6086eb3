"""What the log teaches its golfer: worked out from the rows, moved on with each, used where figures are."""

import math

import pytest

from orthocline.core.account import GOLFERS
from orthocline.core.learning import Correction
from orthocline.core.log import Finish
from orthocline.core.roll import read
from orthocline.db.log.habits import ReadCorrection, corrections_rows, habits_row
from orthocline.services.account.access import Mode, Viewer
from orthocline.services.account.accounts import delete_account
from orthocline.services.account.measures import golfer_of, keep_measures, own_measures
from orthocline.services.errors import NotAllowedError, NotFoundError
from orthocline.services.ground.places import Place
from orthocline.services.jobs.task import Task
from orthocline.services.log import habits, learning, noting
from orthocline.services.log.entries import NOTHING_OWN, OwnKept, Result
from orthocline.services.log.putts import delete_putt
from tests.archived import archive_of, rows_in
from tests.conftest import PASSWORD
from tests.putts import plane_putt
from tests.teaching import keep_log

USUAL = GOLFERS["middle"]


@pytest.fixture
def tove(create_golfer):
    return Viewer(create_golfer())


def learn(viewer, session):
    learning.work_out_habits(viewer, session, Task())
    return habits.habits_of(viewer, session)


def test_the_log_finds_the_side_that_is_under_read_and_what_to_do_about_it(session, tove):
    keep_log(tove, session)
    known = learn(tove, session)
    sides = {one.name: one for one in known.of("side")}
    assert sides["right"].factor.least < 0.65 < sides["right"].factor.most < 0.75
    assert sides["left"].factor.least < 1.0 < sides["left"].factor.most
    assert known.of("all")[0].putts == sum(one.putts for one in sides.values())
    assert known.of("first")[0].factor.most < sides["right"].factor.most
    assert known.of("method_right")[0].putts == sides["right"].putts >= 30
    assert known.suggested == (Correction("aim_spot", 1, 0.0, 1.5),)
    stroke = known.stroke
    assert stroke.own
    assert stroke.start_sd_rad.least < math.radians(1.2) < stroke.start_sd_rad.most
    assert stroke.energy_sd.least < 0.09 < stroke.energy_sd.most
    assert known.unread == 0
    assert known.current


def test_own_spreads_are_used_from_thirty_putts_on_and_typed_ones_before_them(session, tove):
    keep_log(tove, session, count=20)
    learn(tove, session)
    who = golfer_of(own_measures(tove, session))
    assert (who.own, who.learnt_by, who.golfer) == (False, 0, USUAL)
    keep_log(tove, session, count=60, seed=5)
    stroke = learn(tove, session).stroke
    measured = own_measures(tove, session)
    who = golfer_of(measured)
    assert who.own
    assert who.learnt_by == stroke.putts == 80
    assert who.golfer.energy == stroke.energy_sd.value
    assert 0.3 * stroke.start_sd_rad.value < who.golfer.start_line_rad < stroke.start_sd_rad.value
    assert golfer_of(measured, "new").golfer == GOLFERS["new"]
    kept = vars(measured) | {"energy": 0.05}
    keep_measures(tove, session, kept)
    session.flush()
    assert golfer_of(own_measures(tove, session)).golfer.energy == 0.05


def test_each_new_result_moves_it_on_and_any_change_of_the_log_shows(session, tove):
    putts = keep_log(tove, session, count=40)
    before = learn(tove, session)
    noted = noting.save_read(tove, session, read(plane_putt(10.0, side_right=-0.02)))
    session.flush()
    noting.record_result(tove, session, noted.id, Result(False, Finish(0.4, 0.3)))
    after = habits.habits_of(tove, session)
    assert after.stroke.putts == before.stroke.putts + 1
    assert after.stroke.start_bias_rad.value > before.stroke.start_bias_rad.value
    assert not after.current
    noting.record_result(tove, session, noted.id, Result(True))
    assert habits.habits_of(tove, session).stroke.putts == after.stroke.putts
    again = learn(tove, session)
    assert again.current
    assert again.stroke.putts == after.stroke.putts
    delete_putt(tove, session, putts[0].id)
    session.flush()
    assert not habits.habits_of(tove, session).current
    assert learn(tove, session).stroke.putts == before.stroke.putts


def test_a_log_without_reads_says_so_and_an_empty_one_too(session, tove):
    assert habits.habits_of(tove, session) is None
    empty = learn(tove, session)
    assert (empty.stroke.putts, empty.groups, empty.suggested, empty.greens) == (0, (), (), ())
    noting.note_putt(tove, session, length_m=3.0, result=Result(True))
    session.flush()
    assert learn(tove, session).unread == 1


def test_greens_are_told_apart(session, tove):
    keep_log(tove, session, count=30, place=Place("Links", "green 1"))
    keep_log(tove, session, count=30, place=Place("Links", "green 2"), seed=5)
    known = learn(tove, session)
    assert [one.name for one in known.greens] == ["green 1", "green 2"]
    assert not any(one.faster_ft.surely_some for one in known.greens)
    assert all(6 <= one.misses < 30 for one in known.greens)


def test_greens_of_one_name_on_two_courses_are_two(session, tove):
    keep_log(tove, session, count=30, place=Place("Links", "green 1"))
    keep_log(tove, session, count=30, place=Place("Heath", "green 1"), seed=5)
    assert [one.name for one in learn(tove, session).greens] == ["Heath, green 1", "Links, green 1"]


def test_a_correction_is_switched_on_by_the_golfer_alone_and_off_again(session, tove):
    keep_log(tove, session)
    learn(tove, session)
    assert habits.corrections_on(tove, session) == ()
    with pytest.raises(NotFoundError):
        habits.switch_on(tove, session, "aim_spot", -1)
    habits.switch_on(tove, session, "aim_spot", 1)
    habits.switch_on(tove, session, "aim_spot", 1)
    (one,) = habits.corrections_on(tove, session)
    assert one == Correction("aim_spot", 1, 0.0, 1.5)
    breaks_right = read(plane_putt(14.0, side_right=0.02))
    breaks_left = read(plane_putt(14.0, side_right=-0.02))
    assert habits.correction_meant([one], breaks_right, "aim_spot") == one
    assert habits.correction_meant([one], breaks_left, "aim_spot") is None
    assert habits.correction_meant([one], breaks_right, "hand_gauge") is None
    assert [row["factor"] for row in rows_in(archive_of(tove, session), "read_corrections")] == [1.5]
    habits.switch_off(tove, session, "aim_spot", 1)
    assert habits.corrections_on(tove, session) == ()


def test_a_correction_for_one_side_takes_the_place_of_one_for_both(session, tove):
    keep_log(tove, session)
    learn(tove, session)
    for method in ("aim_spot", "hand_gauge"):
        session.add(ReadCorrection(golfer_id=tove.owner_id, method=method, breaks=0, least_m=0.0, factor=1.1))
    session.flush()
    habits.switch_on(tove, session, "aim_spot", 1)
    on = {(one.method, one.breaks) for one in habits.corrections_on(tove, session)}
    assert on == {("aim_spot", 1), ("hand_gauge", 0)}


def test_in_competition_nothing_of_it_is_said_or_used(session, tove):
    keep_log(tove, session)
    learn(tove, session)
    habits.switch_on(tove, session, "aim_spot", 1)
    playing = Viewer(tove.golfer, Mode.COMPETITION)
    assert habits.corrections_on(playing, session) == ()
    for refused in (
        lambda: habits.habits_of(playing, session),
        lambda: habits.switch_on(playing, session, "aim_spot", 1),
        lambda: learning.which_was_it(playing, session, 1, USUAL),
    ):
        with pytest.raises(NotAllowedError):
            refused()


def test_it_goes_with_its_golfer(session, tove):
    keep_log(tove, session)
    learn(tove, session)
    habits.switch_on(tove, session, "aim_spot", 1)
    golfer_id = tove.owner_id
    delete_account(tove, session, PASSWORD)
    session.flush()
    session.expire_all()
    assert habits_row(session, golfer_id) is None
    assert corrections_rows(session, golfer_id) == []


def test_one_putt_is_judged_by_where_it_was_aimed_with_its_correction(session, tove):
    solved = read(plane_putt(10.0, side_right=-0.02))
    half = 0.5 * solved.aim_right_m
    verdicts = {}
    for name, own in {
        "read": NOTHING_OWN,
        "half": OwnKept(half),
        "corrected": OwnKept(half, corrected_by=2.0),
    }.items():
        putt = noting.save_read(tove, session, solved, own=own)
        session.flush()
        noting.record_result(tove, session, putt.id, Result(False, Finish(0.3, -0.2)))
        verdicts[name] = learning.which_was_it(tove, session, putt.id, USUAL).found
    assert verdicts["read"].drops_if == verdicts["corrected"].drops_if
    assert verdicts["half"].drops_if["read"] > verdicts["read"].drops_if["read"]


@pytest.mark.parametrize(
    ("result", "words"),
    [
        (None, "not known yet"),
        (Result(False), "Nobody has noted where it stopped"),
        (Result(False, Finish(-1.0, 0.0)), "no ball ends there"),
    ],
)
def test_where_nothing_can_be_said_it_says_why(session, tove, result, words):
    steep = plane_putt(10.0, grade=0.12, past_in=0.0)
    putt = noting.save_read(tove, session, read(steep))
    session.flush()
    if result:
        noting.record_result(tove, session, putt.id, result)
    found = learning.which_was_it(tove, session, putt.id, USUAL)
    assert found.found is None
    assert words in found.why_not


def test_a_putt_without_a_read_is_not_judged_and_none_of_anothers_is_found(session, tove, create_golfer):
    putt = noting.note_putt(tove, session, length_m=3.0, result=Result(True))
    session.flush()
    assert "without a read" in learning.which_was_it(tove, session, putt.id, USUAL).why_not
    with pytest.raises(NotFoundError):
        learning.which_was_it(Viewer(create_golfer("Idris")), session, putt.id, USUAL)
