"""Which start lines drop: against balls rolled one by one on the same sets."""

import math

import numpy as np
import pytest

from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import Launch, Point, Putt, capture_of, read, roller
from orthocline.core.sure import CERTAIN, Sureness, Uncertainty
from orthocline.core.sure.inputs import sets_of
from orthocline.core.sure.start_lines import start_lines_of
from tests.putts import by_rolls, plane_putt


def rolled_share(putt, uncertainty, right_rad, count=64):
    """Return for how many sets a ball started so drops, each at the speed of its own read."""
    sets, drops = sets_of(putt, uncertainty, count), 0
    for i in range(count):
        ground = plane_from_grade(sets.grade[i], sets.side[i], 0.0)
        one = Putt(Point(0, 0), Point(sets.length_m[i], 0), ground, sets.green_speed_ft[i], putt.pace)
        solved = read(one)
        track = roller(one, solved.aim)(Launch(right_rad, solved.launch_speed_mps))
        drops += capture_of(track, one.hole).drops
    return drops / count


@pytest.mark.parametrize("past_in", [3.0, 18.0])
def test_shares_are_those_of_balls_rolled_one_by_one(past_in):
    putt = plane_putt(9, side_right=-0.015, grade=-0.004, past_in=past_in)
    uncertainty = Uncertainty(0.01, 0.003, 0.002, 0.2)
    sure = Sureness(read(putt), uncertainty)
    span = sure.start_lines.perhaps
    angles = np.linspace(span.least, span.most, 9)
    expected = [rolled_share(putt, uncertainty, angle) for angle in angles.tolist()]
    assert sure.start_lines.share(angles) == pytest.approx(expected, abs=0.09)
    outside = sure.start_lines.share(np.array([span.least - 0.001, span.most + 0.001]))
    assert outside.tolist() == [0.0, 0.0]


def test_the_fan_narrows_with_what_is_known_until_it_is_the_make_window():
    widths = []
    for side in (0.0075, 0.0027, 0.0005):
        lines = Sureness(read(plane_putt(9, side_right=-0.015)), Uncertainty(side=side)).start_lines
        widths.append(lines.perhaps.width)
        assert (lines.surely is not None) == (side == 0.0005)
    assert widths == sorted(widths, reverse=True)
    solved = read(plane_putt(9, side_right=-0.015))
    lines, window = Sureness(solved, CERTAIN).start_lines, solved.make_window.right_rad
    assert (lines.surely.least, lines.surely.most) == (window.least, window.most)


def test_on_other_ground_the_windows_are_the_reads_own_moved():
    uncertainty = Uncertainty(side=0.003)
    plane = plane_putt(9, side_right=-0.015)
    closed, rolled = (Sureness(read(putt), uncertainty).start_lines for putt in (plane, by_rolls(plane)))
    angles = np.linspace(closed.perhaps.least, closed.perhaps.most, 15)
    assert rolled.share(angles) == pytest.approx(closed.share(angles), abs=0.08)


def test_a_ball_too_fast_to_drop_has_no_fan():
    fast = plane_putt(9, past_in=190.0)
    assert Sureness(read(fast), Uncertainty(side=0.003)).start_lines is None


def test_sets_for_which_nothing_drops_count_against_every_line():
    lines = start_lines_of(np.array([[0.0, 0.1], [0.05, 0.2], [math.nan, math.nan], [0.02, 0.12]]))
    assert lines.surely is None
    assert lines.share(np.array([0.06, 0.15])).tolist() == [0.75, 0.25]
    assert start_lines_of(np.full((3, 2), math.nan)) is None
