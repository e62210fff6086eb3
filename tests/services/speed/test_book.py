"""The speed book: which speed a read uses, how sure and how old; and measuring it, refused in Competition."""

from datetime import UTC, datetime, timedelta

import numpy as np
import pytest

from orthocline.core.estimate import Estimate, combine
from orthocline.core.speed import STANDARD_RAMP, Findings, HiddenGreen, Tempo, aged
from orthocline.core.units import FOOT_M
from orthocline.services.account.access import Mode, Viewer
from orthocline.services.account.accounts import delete_account
from orthocline.services.errors import InvalidError, NotAllowedError, NotFoundError
from orthocline.services.ground.places import NOWHERE, Place
from orthocline.services.speed import measuring
from orthocline.services.speed.beat import stroke_beat
from orthocline.services.speed.book import (
    Condition,
    day_speed,
    delete_speed,
    find_speed,
    is_stale,
    keep_speed,
    list_speeds,
    restore_speed,
)
from orthocline.services.speed.measuring import SimulatedRamp, hidden_green, level_reading, ramp_speed
from tests.archived import archive_of, rows_in
from tests.conftest import PASSWORD
from tests.speeds import COURSE, kept_speed

HOUR = timedelta(hours=1)
SPINDRIFT, ELSEWHERE = Place(COURSE, "green 4, Spindrift"), Place("elsewhere", "green 2")
RATE = Estimate(3.0, 0.1)
"""A stroke's launch speed per length [1/s]."""


def measured(method, rate=None, **figures):
    return measuring.speed_by(Viewer(), method, Findings(figures, stroke_rate=rate))


@pytest.fixture
def golfer(create_golfer):
    return create_golfer()


def now():
    return datetime.now(UTC)


def test_several_measures_of_a_day_are_one_speed_the_surer_weighing_more(session, golfer):
    kept_speed(session, golfer, 11.0, within=1.0, hours=0.2, method="posted")
    kept_speed(session, golfer, 10.0, within=0.3, hours=0.1)
    day = day_speed(Viewer(golfer), session, now())
    assert day.method == "several"
    assert 10.0 < day.speed_ft.value < 10.2
    assert day.speed_ft.value == pytest.approx(
        combine([Estimate(10, 0.15), Estimate(11, 0.5)]).value, abs=0.01
    )
    assert not day.stale
    assert day.origin.text.startswith("10.1 ±")
    assert day.origin.text.endswith("Z by several")


def test_a_speed_grows_old_and_less_sure(session, golfer):
    note = kept_speed(session, golfer, within=0.3, hours=0.0)
    day = day_speed(Viewer(golfer), session, note.measured_at + 5 * HOUR)
    assert not day.stale
    assert 0.3 < day.speed_ft.within < 0.5
    later = day_speed(Viewer(golfer), session, note.measured_at + 30 * HOUR)
    assert later.stale
    assert later.speed_ft.within == pytest.approx((0.3**2 + 1.5**2 - 1.0**2) ** 0.5)
    assert is_stale(note.measured_at, note.measured_at + 7 * HOUR)


def test_a_green_of_its_own_beats_its_course_and_a_course_beats_the_others(session, golfer):
    kept_speed(session, golfer, 9.0, hours=50, course="Elsewhere")
    kept_speed(session, golfer, 10.0, hours=0.3, green="practice green")
    kept_speed(session, golfer, 11.0, hours=0.4, green="green 4, Spindrift")
    at = now()
    found = {
        place: round(day_speed(Viewer(golfer), session, at, place).speed_ft.value, 1)
        for place in (NOWHERE, SPINDRIFT, ELSEWHERE)
    }
    assert found == {
        NOWHERE: 10.5,
        SPINDRIFT: 11.0,
        ELSEWHERE: 9.0,
    }
    assert day_speed(Viewer(golfer), session, at).place == Place(COURSE)
    assert day_speed(Viewer(golfer), session, at, Place("Nowhere yet")) is None


def test_a_course_with_a_comma_in_its_name_keeps_its_speeds(session, golfer):
    north, south = Place("Ternholm Links, North", "green 2"), Place("Ternholm Links")
    kept_speed(session, golfer, 9.5, course=north.course)
    kept_speed(session, golfer, 11.5, course=south.course)
    at = now()
    assert day_speed(Viewer(golfer), session, at, north).speed_ft.value == 9.5
    assert day_speed(Viewer(golfer), session, at, south).speed_ft.value == 11.5
    assert [note.place for note in list_speeds(Viewer(golfer), session, "ternholm links, NORTH")] == [
        Place("Ternholm Links, North")
    ]


def test_yesterdays_speeds_do_not_water_down_todays(session, golfer):
    kept_speed(session, golfer, 8.0, hours=49)
    newest = kept_speed(session, golfer, 10.0, hours=0.0)
    assert [note.id for note in day_speed(Viewer(golfer), session, now()).notes] == [newest.id]


def test_a_book_is_its_golfers_own(session, golfer, create_golfer):
    note = kept_speed(session, golfer)
    idris = create_golfer("Idris")
    assert day_speed(Viewer(idris), session, now()) is None
    with pytest.raises(NotFoundError):
        find_speed(Viewer(idris), session, note.id)
    with pytest.raises(NotFoundError):
        find_speed(Viewer(golfer), session, 10**30)


def test_deleted_speeds_come_back_for_a_day(session, golfer):
    note = kept_speed(session, golfer)
    delete_speed(Viewer(golfer), session, note.id)
    assert list_speeds(Viewer(golfer), session) == []
    restore_speed(Viewer(golfer), session, note.id)
    restore_speed(Viewer(golfer), session, note.id)
    assert [kept.id for kept in list_speeds(Viewer(golfer), session)] == [note.id]
    with pytest.raises(NotFoundError):
        restore_speed(Viewer(golfer), session, note.id + 1)


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"place": Place("  ")}, "course"),
        ({"place": Place("x" * 81)}, "course"),
        ({"place": Place(COURSE, "x" * 81)}, "green"),
        ({"speed_ft": Estimate(2.0, 0.2)}, "speed"),
        ({"measured_at": datetime.now(UTC) + 26 * HOUR}, "when"),
        ({"condition": Condition(note="x" * 501)}, "note"),
    ],
)
def test_what_cannot_be_kept_is_named(session, golfer, change, field):
    given = {"speed_ft": Estimate(10.0, 0.2), "method": "ramp", "place": Place(COURSE), "measured_at": now()}
    with pytest.raises(InvalidError) as caught:
        keep_speed(Viewer(golfer), session, **{**given, **change})
    assert caught.value.field == field


def test_the_archive_holds_the_book_and_the_measures_and_deleting_takes_them(session, golfer):
    kept_speed(
        session, golfer, 10.4, green="practice green", condition=Condition(firmness="firm", trueness=4)
    )
    archive = archive_of(Viewer(golfer), session)
    (told,) = rows_in(archive, "speed_notes")
    assert (told["speed_ft"], told["firmness"], told["trueness"]) == (10.4, "firm", 4)
    assert rows_in(archive, "own_measures") == []
    delete_account(Viewer(golfer), session, PASSWORD)
    assert list_speeds(Viewer(golfer), session) == []


def test_everything_that_measures_or_times_is_refused_in_competition(session, golfer):
    refused = Viewer(golfer, Mode.COMPETITION)
    for measure in (
        lambda: ramp_speed(refused, STANDARD_RAMP, [3.0], [3.0]),
        lambda: measuring.speed_by(refused, "posted", Findings({"posted": [10.0]})),
        lambda: measuring.tuning_putts(refused, 4.0, 0.4, [4.1]),
        lambda: stroke_beat(refused, None),
        lambda: keep_speed(
            refused,
            session,
            speed_ft=Estimate(10.0, 0.2),
            method="ramp",
            place=Place(COURSE),
            measured_at=now(),
        ),
    ):
        with pytest.raises(NotAllowedError, match="committee"):
            measure()


@pytest.mark.parametrize(
    ("measure", "field"),
    [
        (lambda: ramp_speed(Viewer(), STANDARD_RAMP, [], []), "out"),
        (lambda: ramp_speed(Viewer(), STANDARD_RAMP, [15.0], [], level=Estimate(0.1, 0.001)), "level"),
        (lambda: measured("timed", length=[20.0], times=[0.5]), "times"),
        (lambda: measured("timed", length=[20.0]), "times"),
        (lambda: measured("stroke", strokes=[0.4], rolls=[3.0]), "strokes"),
        (lambda: measured("stroke", RATE, rolls=[3.0]), "strokes"),
        (lambda: measured("stroke", RATE, strokes=[0.4, 0.5], rolls=[3.0]), "rolls"),
        (lambda: measuring.tuning_putts(Viewer(), 4.0, 0.4, []), "balls"),
    ],
)
def test_what_is_missing_or_cannot_be_is_named(measure, field):
    with pytest.raises(InvalidError) as caught:
        measure()
    assert caught.value.field == field


def test_each_method_says_how_sure_it_is():
    assert measured("posted", posted=[10.5]).within == 1.0
    assert ramp_speed(Viewer(), STANDARD_RAMP, [3.0] * 3, [3.1] * 3).speed_ft.within >= 0.3
    assert ramp_speed(Viewer(), STANDARD_RAMP, [3.0] * 3, []).speed_ft.within >= 1.0
    assert level_reading(0.01, "level_averaged").within == pytest.approx(0.002)
    assert level_reading(0.01, "level").within == pytest.approx(np.hypot(0.002, 0.005))


def test_a_seed_is_always_the_same_green_and_the_same_rolls():
    ramp = SimulatedRamp(12, STANDARD_RAMP, hidden_green(12))
    assert ramp.green == hidden_green(12) != hidden_green(13)
    assert ramp.roll_m(back=False, number=0) == ramp.roll_m(back=False, number=0)
    assert len({ramp.roll_m(back=back, number=n) for back in (False, True) for n in range(3)}) == 6
    steep = SimulatedRamp(12, STANDARD_RAMP, HiddenGreen(10.0, 0.02, 0.0))
    assert steep.roll_m(back=True, number=0) > steep.roll_m(back=False, number=0) + 1.0 * FOOT_M
    assert steep.level() == pytest.approx(0.02, abs=0.004)


def test_the_beat_halves_whatever_goes_back():
    beat = dict(stroke_beat(Viewer(), Tempo(0.8)).sounds)
    assert beat == {"start": 0.0, "top": 0.8, "strike": pytest.approx(1.2), "mark": pytest.approx(2.2)}


def test_notes_of_a_day_age_together(session, golfer):
    for _ in range(3):
        kept_speed(session, golfer, 10.0, within=0.3, hours=12.0)
    day = day_speed(Viewer(golfer), session, now())
    alone = aged(Estimate(10.0, 0.15), 12.0)
    assert day.speed_ft.within > 0.9 * alone.within, "three notes do not take the day's drift away"
    assert day.speed_ft.within == pytest.approx(aged(Estimate(10.0, 0.15 / 3**0.5), 12.0).within, abs=0.01)
