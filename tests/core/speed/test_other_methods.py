"""Speeds without a ramp, estimates that combine and age, strokes, strides, tuning putts and the beat."""

import pytest

from orthocline.core.calls import slide
from orthocline.core.constants import FACE_FRICTION, GRAVITY_MPS2, PULL_PER_SLOPE_MPS2
from orthocline.core.estimate import Estimate
from orthocline.core.instruments import THUMB_SD_S
from orthocline.core.roll import Launch, read, roller, rolling_deceleration_mps2
from orthocline.core.speed import (
    StrokePutt,
    aged,
    posted_speed,
    stroke_length_m,
    stroke_rate,
)
from orthocline.core.speed.stroke import speed_from_strokes
from orthocline.core.speed.timed import timed_speed
from orthocline.core.units import FOOT_M
from tests.putts import plane_putt

HUNDREDTH_FT = 0.01
INCH_FT = 1 / 12
PROVED = Estimate(0.0, 0.0)
"""Ground proved to be level."""


def test_posted_is_sure_to_a_foot_that_day_and_a_foot_and_a_half_after():
    posted = posted_speed(10.5)
    assert posted == Estimate(10.5, 0.5)
    assert aged(posted, 24.0).within == pytest.approx(1.5)
    assert aged(posted, 200.0).within == pytest.approx(1.5)
    assert aged(posted, -1.0) == posted
    assert posted.within < aged(posted, 5.0).within < 1.1


@pytest.mark.parametrize("speed_ft", [6.0, 8.5, 10.0, 13.0])
@pytest.mark.parametrize("length_ft", [8.0, 20.0])
def test_a_timed_putt_finds_the_speed_that_rolled_it(speed_ft, length_ft):
    """The time of a struck putt on the level: the slide, then the pure roll to rest."""
    putt = plane_putt(length_ft, speed_ft=speed_ft, past_in=0.0)
    solved = read(putt)
    drag = rolling_deceleration_mps2(speed_ft)
    slid = slide(solved.launch_speed_mps, drag)
    rolling = slid.face_speed_mps * 5 / 7
    total = slid.distance_m + rolling**2 / (2 * drag)
    assert total == pytest.approx(length_ft * FOOT_M)
    time = slid.duration_s + rolling / drag
    found = timed_speed(length_ft * FOOT_M, [time], grade=PROVED)
    assert found.value == pytest.approx(speed_ft, abs=HUNDREDTH_FT)
    late = timed_speed(length_ft * FOOT_M, [time + 0.15], grade=PROVED).value - found.value
    assert found.within == pytest.approx(abs(late), rel=0.1)


@pytest.mark.parametrize("grade", [0.02, -0.03])
def test_a_timed_putt_on_a_grade_finds_the_level_speed_and_counts_each_doubt(grade):
    """The grade's pull joins the drag; each doubt moves the answer as the whole inverse says."""
    speed_ft, face = 9.0, 2.4
    drag = rolling_deceleration_mps2(speed_ft) + PULL_PER_SLOPE_MPS2 * grade
    grip = FACE_FRICTION * GRAVITY_MPS2
    length = 12 * face**2 / (49 * grip) + (5 / 7 * face) ** 2 / (2 * drag)
    time = 2 * face / (7 * grip) + 5 * face / (7 * drag)

    def found(length_m=length, time_s=time, rise=grade):
        return timed_speed(length_m, [time_s], grade=Estimate(rise, 0.0)).value

    assert found() == pytest.approx(speed_ft, abs=HUNDREDTH_FT)
    by_time = (found(time_s=time + 0.005) - found(time_s=time - 0.005)) / 0.01 * THUMB_SD_S
    by_length = (found(length_m=1.01 * length) - found(length_m=0.99 * length)) / 0.02 * 0.03
    by_grade = (found(rise=grade + 0.001) - found(rise=grade - 0.001)) / 0.002 * 0.002
    alone = [
        timed_speed(length, [time], grade=Estimate(grade, 0.0)),
        timed_speed(length, [time], grade=Estimate(grade, 0.002)),
    ]
    assert alone[0].sd == pytest.approx(abs(by_time), rel=0.02)
    assert alone[1].sd ** 2 - alone[0].sd ** 2 == pytest.approx(by_grade**2, rel=0.02)
    unmeasured = timed_speed(length, [time], 0.03, Estimate(grade, 0.0))
    assert unmeasured.sd**2 - alone[0].sd ** 2 == pytest.approx(by_length**2, rel=0.05)


def test_more_times_are_surer_and_a_time_too_short_is_refused():
    one = timed_speed(4.0, [3.5], grade=PROVED)
    four = timed_speed(4.0, [3.45, 3.55, 3.5, 3.5], grade=PROVED)
    assert four.within == pytest.approx(one.within / 2, rel=0.05)
    assert timed_speed(4.0, [3.0, 3.5, 4.0]).within > four.within
    assert timed_speed(4.0, [3.5], 0.05, PROVED).within > one.within
    with pytest.raises(ValueError, match="so short a time"):
        timed_speed(20.0, [0.5])


def test_a_calibrated_stroke_gives_stroke_lengths_and_green_speed():
    """Five strokes of a golfer whose ball leaves at 3.2 times the length of the stroke."""
    rate, drag = 3.2, rolling_deceleration_mps2(9.0)
    strokes = [0.3, 0.4, 0.5, 0.6, 0.7]
    own = stroke_rate([StrokePutt(s, (rate * s) ** 2 / (2 * drag), 9.0) for s in strokes])
    assert own.value == pytest.approx(rate)
    assert stroke_rate([]) is None
    faster = plane_putt(15.0, speed_ft=11.0, past_in=0.0)
    stroke = stroke_length_m(read(faster).launch_speed_mps, own)
    rolled = roller(faster, read(faster).aim)(Launch(0.0, rate * stroke)).length_m
    assert rolled / FOOT_M == pytest.approx(15.0, abs=INCH_FT)
    day = speed_from_strokes([(0.4, 2.5), (0.5, 3.9), (0.6, 5.6)], own)
    assert day.value == pytest.approx(1.83**2 * 3.9 / (3.2 * 0.5) ** 2 / FOOT_M, rel=0.01)
    unsure = speed_from_strokes([(0.4, 2.5), (0.5, 3.9), (0.6, 5.6)], Estimate(rate, 0.1))
    assert unsure.within > day.within
