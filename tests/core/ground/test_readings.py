"""Readings of every kind: what each says of the two slopes, what is averaged, and what disagrees."""

import math

import pytest

from orthocline.core.ground import UNSAID, Reading, Said, SlopePair, conflicts_of, sense, stations_of

LENGTH_M = 4.0
ACROSS, ALONG, BACK = math.pi / 2, 0.0, math.pi
SAID = Said(-0.009, 0.004, 0.003, 0.002)


def made(*readings, said=UNSAID, own=None):
    """Return the falls to the right and the grades, each as place, percent and percent within (95 %)."""
    stations = stations_of(readings, LENGTH_M, said, own)
    rows = ([(one.at, getattr(one, name), one.sd) for one in stations] for name in ("side", "grade"))
    return tuple(
        [(at, 100 * slope, 200 * sd) for at, slope, sd in found if slope is not None] for found in rows
    )


def test_a_level_across_and_along_stands_as_it_was_read():
    sides, grades = made(
        Reading(0.3, ACROSS, 0.021, "level"),
        Reading(0.3, BACK, 0.009, "level"),
        Reading(0.8, -ACROSS, 0.012, "level_averaged"),
    )
    assert sides == [pytest.approx((0.3, 2.1, 0.5385), abs=1e-4), pytest.approx((0.8, -1.2, 0.2))]
    assert grades == [pytest.approx((0.3, 0.9, 0.5385), abs=1e-4)]


def test_what_was_typed_is_taken_as_it_is_and_what_was_said_counts_where_nothing_was_read():
    sides, grades = made(Reading(0.3, ACROSS, 0.021), said=SAID)
    assert sides == [(0.3, pytest.approx(2.1), 0.0)]
    assert grades == [pytest.approx((0.5, 0.9, 0.6))]
    within, _ = made(Reading(0.3, ACROSS, 0.021, "level", within=0.004))
    assert within[0][2] == pytest.approx(0.4)


def test_a_level_laid_askew_says_one_slope_by_the_other():
    along = Reading(0.5, ALONG, 0.01, "level_averaged")
    askew = Reading(0.5, math.radians(60), 0.01 * 0.5 + 0.02 * math.sqrt(0.75), "level_averaged")
    sides, grades = made(along, askew)
    assert sides[0][:2] == pytest.approx((0.5, 2.0))
    assert sides[0][2] == pytest.approx(0.2 * math.hypot(1.0, 0.5) / math.sqrt(0.75))
    assert grades == [pytest.approx((0.5, -1.0, 0.2))]


@pytest.mark.parametrize(("slope", "turned_deg"), [(0.02, 5.0), (0.008, 15.0)])
def test_a_marble_says_the_lesser_slope_by_the_greater(slope, turned_deg):
    way = math.radians(65)
    across = Reading(0.5, ACROSS, slope * math.sin(way), "", within=1e-9)
    sides, grades = made(across, Reading(0.5, way, None, "plate"))
    assert sides[0][:2] == pytest.approx((0.5, 100 * slope * math.sin(way)))
    assert grades[0][1] == pytest.approx(-100 * slope * math.cos(way))
    turned = [slope * math.sin(way) / math.tan(way + s * math.radians(turned_deg)) for s in (1, -1)]
    assert grades[0][2] == pytest.approx(100 * (turned[1] - turned[0]), rel=0.1)


def test_a_way_of_fall_alone_is_as_steep_as_greens_are_until_the_size_is_read():
    toward = Reading(1.0, math.radians(120), None, "spill")
    sides, grades = made(toward)
    assert (sides[0][1], grades[0][1]) == pytest.approx((2 * math.sqrt(0.75), 1.0))
    assert sides[0][2] > 2.5
    sides, _ = made(toward, Reading(0.2, ACROSS, 0.01, "level"))
    assert [one[:2] for one in sides] == [pytest.approx((0.2, 1.0))]


def test_a_drawn_arrow_has_way_and_size():
    sides, grades = made(Reading(0.5, math.radians(30), 0.03, "arrow"))
    assert (sides[0][1], grades[0][1]) == pytest.approx((1.5, -3 * math.sqrt(0.75)))
    turned = 2 * 3 * math.radians(12.5)
    assert sides[0][2] == pytest.approx(math.hypot(0.5, turned * math.sqrt(0.75)))


def test_a_first_look_is_overruled_slope_by_slope():
    first = Reading(0.5, math.radians(45), None, "first_look")
    sides, grades = made(first)
    assert (sides[0][1], grades[0][1]) == pytest.approx((math.sqrt(2), -math.sqrt(2)))
    sides, grades = made(first, Reading(0.2, -ACROSS, 0.01, "feet"))
    assert [one[:2] for one in sides] == [pytest.approx((0.2, -1.0))]
    assert grades[0][1] == pytest.approx(-math.sqrt(2))


def test_a_side_that_is_low_has_the_usual_size_and_any_figure_overrules_it():
    low = Reading(0.5, ACROSS, None, "feet")
    assert made(low)[0] == [pytest.approx((0.5, 2.0, 3.0))]
    assert made(low, Reading(0.9, ACROSS, 0.005, "feet"))[0] == [pytest.approx((0.9, 0.5, 1.5))]


def test_a_rise_stands_half_way_and_is_less_sure_on_a_long_putt():
    rise = Reading(0.1, BACK, 0.05, "rise_by_eye")
    _, grades = made(rise)
    assert grades[0][:2] == pytest.approx((0.5, 5.0))
    inches = 100 * (0.0254 + 0.25 * 0.05 * LENGTH_M) / LENGTH_M
    assert inches < grades[0][2] < 1.1 * inches
    long = [200 * one.sd for one in stations_of([rise], 20.0, UNSAID) if one.grade is not None]
    assert long[0] > 100 * (0.0254 + 0.25 * 0.05 * 20.0) / 20.0 + 0.3


def test_feet_are_read_by_the_golfers_own_line():
    own = {"feet": sense([SlopePair(0.01 * guess, 0.005 + 0.008 * guess) for guess in (0, 1, 2, 3, 4)])}
    sides, _ = made(Reading(0.5, -ACROSS, 0.03, "feet"), own=own)
    assert sides[0][:2] == pytest.approx((0.5, -2.9))


def test_readings_in_one_place_are_averaged_the_surer_counting_more():
    sides, _ = made(
        Reading(0.5, ACROSS, 0.02, "", within=0.004), Reading(0.502, ACROSS, 0.03, "", within=0.008)
    )
    assert sides == [pytest.approx((0.5, 2.2, 0.4 * 0.8 / math.hypot(0.4, 0.8)))]


def pairs(*readings):
    return [(one.one, one.other) for one in conflicts_of(readings, LENGTH_M)]


def test_readings_that_disagree_are_named():
    level = Reading(0.5, ACROSS, 0.02, "level")
    assert pairs(level, Reading(0.5, -ACROSS, 0.005, "feet")) == [(0, 1)]
    assert pairs(level, Reading(0.5, ACROSS, 0.005, "feet")) == []
    assert pairs(level, Reading(0.5, ACROSS, 0.015, "level")) == []
    assert pairs(Reading(0.5, ACROSS, 0.02), Reading(0.5, ACROSS, 0.021)) == [(0, 1)]
    # Between two places the ground itself may differ.
    assert pairs(level, Reading(0.5, ACROSS, 0.008, "level")) == [(0, 1)]
    assert pairs(level, Reading(0.7, ACROSS, 0.012, "level")) == []
    assert pairs(level, Reading(0.9, -ACROSS, 0.04, "level")) == []


def test_water_that_leaves_on_the_high_side_is_a_conflict_and_a_first_look_is_none():
    level = Reading(1.0, ACROSS, 0.02, "level")
    assert pairs(level, Reading(1.0, math.radians(75), None, "spill")) == []
    assert pairs(level, Reading(1.0, math.radians(-75), None, "spill")) == [(0, 1)]
    assert pairs(level, Reading(0.5, math.radians(-90), None, "first_look")) == []


def test_the_worst_conflict_is_named_first():
    readings = [Reading(0.5, ACROSS, size, "level") for size in (0.01, 0.02, 0.04)]
    found = conflicts_of(readings, LENGTH_M)
    assert [(one.one, one.other) for one in found] == [(0, 2), (1, 2), (0, 1)]
    assert found[0].sds == pytest.approx(0.03 / math.hypot(0.001, 0.0025) / math.sqrt(2))
