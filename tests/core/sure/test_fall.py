"""How a putt falls, and how sure that is: over greens by chance the truth lies within as often as is said."""

import math

import numpy as np
import pytest

from orthocline.core.ground import UNSAID, Reading, Stations, plane_from_grade, stations_of
from orthocline.core.roll import Point, Putt, PuttError, RollPast, read
from orthocline.core.sure import CERTAIN, Sureness, Uncertainty, fall_at_hole, fall_by_ways, fall_of
from tests.simulated import SIZE_SD, STEEPEST_RAD, measured_readings

PUTTS = 500
KINDS = {
    "instruments and senses": ("level", "phone", "feet", "eye"),
    "ways of fall": ("level", "plate", "arrow", "feet", "rise_by_eye"),
}


def putts(kinds, seed):
    rng, found = np.random.default_rng(seed), 0
    while found < PUTTS:
        try:
            putt, mean, true = measured_readings(rng, kinds)
            seen = read(putt)
        except PuttError:
            continue
        if all(one.aim.pace_met and abs(one.launch_right_rad) < STEEPEST_RAD for one in (seen, true)):
            found += 1
            yield seen, mean, true


@pytest.mark.parametrize("kinds", KINDS.values(), ids=KINDS)
def test_tilt_fall_and_aim_are_held_as_often_as_is_said(kinds):
    held = np.zeros(3)
    for seen, mean, true in putts(kinds, seed=1):
        fall, launch = fall_of(seen.putt, CERTAIN), Sureness(seen, CERTAIN).range.right_rad
        off = math.remainder(math.atan2(mean[1], mean[0]) - fall.toward_rad, 2 * math.pi)
        held += [
            fall.tilt_range.least <= np.hypot(*mean) <= fall.tilt_range.most,
            abs(off) <= fall.within_rad,
            launch.least <= true.launch_right_rad <= launch.most,
        ]
    assert np.all((held >= 0.93 * PUTTS) & (held <= 0.97 * PUTTS)), held / PUTTS


def test_the_fall_of_a_plane_is_as_sure_as_its_figures():
    putt = Putt(Point(0, 0), Point(3, 0), plane_from_grade(0.0, 0.02, 0.0), 10.0, RollPast(0.3))
    fall = fall_of(putt, Uncertainty(side=0.002, grade=0.001))
    assert (fall.tilt, fall.toward_rad) == pytest.approx((0.02, math.pi / 2))
    assert (fall.tilt_range.least, fall.tilt_range.most) == pytest.approx((0.0161, 0.0239), abs=2e-4)
    assert fall.within_rad == pytest.approx(1.96 * 0.05, rel=0.05)
    assert fall_of(putt, CERTAIN).within_rad == pytest.approx(0.0, abs=1e-12)


@pytest.mark.parametrize("plates", [1, 2])
def test_the_fall_line_by_plates_alone_is_held_as_often_as_is_said(plates):
    """Each plate errs by 10 degrees (95 %), by 30 where it hardly slopes; nobody knows where that is."""
    rng, held = np.random.default_rng(8), []
    for _ in range(4000):
        ahead, right = rng.normal(0, math.hypot(0.02, 0.015) / math.sqrt(2), 2)
        sd = math.radians(5 if math.hypot(ahead, right) > 0.01 else 15)
        true = math.atan2(right, ahead)
        ways = true + rng.normal(0, sd, plates)
        fall = fall_by_ways([Reading(1.0, float(way), None, "plate") for way in ways])
        held.append(abs(math.remainder(fall.toward_rad - true, 2 * math.pi)) <= fall.within_rad)
    assert 0.93 <= np.mean(held) <= 0.97


def test_a_figure_among_the_ways_asks_for_the_whole_putt():
    plate, level = Reading(1.0, 0.3, None, "plate"), Reading(1.0, 1.57, 0.01, "level")
    assert fall_by_ways([plate, level]) is None
    assert fall_by_ways([]) is None


def test_a_fall_is_found_however_steep_and_however_unsure():
    for i, (side, grade) in enumerate(np.random.default_rng(2).uniform(-0.12, 0.12, (400, 2))):
        sds = np.random.default_rng(i).choice([0.0, 1e-6, 0.001, 0.0075, 0.015, 0.03], 2)
        surface = plane_from_grade(grade, side, 0.0)
        putt = Putt(Point(0, 0), Point(3, 0), surface, 10.0, RollPast(0.3))
        fall = fall_of(putt, Uncertainty(side=sds[0], grade=sds[1]))
        assert fall.tilt_range.least <= fall.tilt + 1e-9 <= fall.tilt_range.most + 2e-9


@pytest.mark.parametrize("by", ["level", "feet"])
def test_the_fall_line_by_two_readings_at_the_hole_is_held_as_often_as_is_said(by):
    """Across and along, on greens whose slope there nobody knows beforehand."""
    rng, held, sd = np.random.default_rng(21), np.zeros(2), SIZE_SD[by]
    for _ in range(1000):
        ahead, right = rng.normal(0, math.hypot(0.02, 0.015) / math.sqrt(2), 2)
        seen = np.array([ahead, right]) + rng.normal(0, sd, 2)
        readings = [Reading(1.0, 0.0, seen[0], by), Reading(1.0, math.pi / 2, seen[1], by)]
        ground = Stations((0.0, 0.0), (4.0, 0.0), stations_of(readings, 4.0, UNSAID))
        fall = fall_at_hole(Putt(Point(0, 0), Point(4, 0), ground, 10.0, RollPast(0.3)), CERTAIN)
        off = math.remainder(math.atan2(right, ahead) - fall.toward_rad, 2 * math.pi)
        held += [
            fall.tilt_range.least <= math.hypot(ahead, right) <= fall.tilt_range.most,
            abs(off) <= fall.within_rad,
        ]
    assert np.all((held >= 930) & (held <= 975)), held / 1000
