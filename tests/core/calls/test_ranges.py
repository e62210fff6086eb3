"""A call's range holds what the call would be, were the figures as far off as they may be."""

from dataclasses import replace

import pytest

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER, ranges_of
from orthocline.core.estimate import Span
from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import read
from tests.putts import elsewhere, plane_putt

GOING = [name for name, school in SCHOOLS.items() if school.goes]


def figures_of(name, solved):
    school = SCHOOLS[name]
    return school.figures(solved, school.value(solved, USUAL_GOLFER))


@pytest.mark.parametrize("name", GOING)
@pytest.mark.parametrize("side", [-0.025, 0.015, -0.002])
def test_ranges_end_where_the_call_of_the_other_slope_lies(name, side):
    """The tilt half a percent more or less, the rise one percent: solved again, each by itself."""
    putt = plane_putt(16, side_right=side, grade=0.005)
    solved = read(putt)
    steeper = [plane_from_grade(0.005, side + off, 0.0) for off in (-0.005, 0.005)]
    higher = [plane_from_grade(0.005 + off, side, 0.0) for off in (-0.01, 0.01)]
    others, firm = ([read(replace(putt, surface=one)) for one in grounds] for grounds in (steeper, higher))
    aims = sorted(one.aim_right_m for one in others)
    speeds = sorted(one.launch_speed_mps for one in firm)
    ranges = ranges_of(SCHOOLS[name], solved, USUAL_GOLFER, Span(*aims), Span(*speeds))
    for i, (goes, span) in enumerate(zip(SCHOOLS[name].goes, ranges, strict=True)):
        if goes == "stays":
            assert span is None
            continue
        ends = [figures_of(name, one) for one in (others if goes == "aim" else firm)]
        if None in ends or (name == "fall_line_dial" and abs(side) < 0.01):
            continue  # on nearly level ground the dial turns, and its square break with it
        found = sorted(one[i] for one in ends)
        wide = found[1] - found[0]
        assert (span.least, span.most) == pytest.approx(found, abs=0.13 * wide), goes


def test_a_range_is_the_same_wherever_the_putt_lies_and_none_without_an_aim():
    solved = read(plane_putt(16, side_right=-0.02))
    turned = read(elsewhere(solved.putt, 1.3))
    spans = Span(0.3, 0.6), Span(2.0, 2.3)
    for name in GOING:
        here, there = (ranges_of(SCHOOLS[name], one, USUAL_GOLFER, *spans) for one in (solved, turned))
        for one, other in zip(here, there, strict=True):
            assert one == other or (one.least, one.most) == pytest.approx((other.least, other.most), abs=1e-4)
    gate = ranges_of(SCHOOLS["curve_gate"], solved, USUAL_GOLFER, None, spans[1])
    assert gate == (None,)
