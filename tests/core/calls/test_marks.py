"""Marks on the way: along the ball-hole line and to its right, wherever the putt lies."""

import math
from dataclasses import replace

import numpy as np
import pytest

from orthocline.core.calls.marks import FINE, along_m, between_rows, right_m
from orthocline.core.roll import Point, Track
from tests.putts import plane_putt

MOVED = replace(plane_putt(10.0), ball=Point(3.0, -2.0), hole=Point(0.5, 1.5))
PLACES = [(0.0, 0.0), (1.3, 0.4), (-0.7, 2.0), (4.0, -1.1)]


def rows_of(putt):
    points = [putt.place(along, right) for along, right in PLACES]
    return np.array([[9.0, point.x_m, point.y_m, 1.0, 0.0] for point in points])


@pytest.mark.parametrize("putt", [plane_putt(10.0), MOVED], ids=["along +x", "moved"])
def test_rows_lie_where_the_putt_has_them(putt):
    assert along_m(putt, rows_of(putt)) == pytest.approx([along for along, _ in PLACES], abs=1e-12)
    assert right_m(putt, rows_of(putt)) == pytest.approx([right for _, right in PLACES], abs=1e-12)


def test_the_hole_lies_its_length_along_and_no_way_to_the_right():
    row = np.array([[0.0, MOVED.hole.x_m, MOVED.hole.y_m]])
    assert along_m(MOVED, row)[0] == pytest.approx(math.hypot(2.5, 3.5))
    assert right_m(MOVED, row)[0] == pytest.approx(0.0, abs=1e-12)


@pytest.mark.parametrize(
    ("first", "steps", "ends"), [(2, 3, (2.0, 5.0)), (-1, 2, (0.0, 1.0)), (8, 5, (8.0, 9.0))]
)
def test_rows_between_are_taken_from_the_tracks_own(first, steps, ends):
    times = np.arange(10.0)
    samples = np.column_stack([times, 2.0 * times, 0.0 * times, 0.0 * times + 2.0, 0.0 * times, 2.0 * times])
    fine = between_rows(Track(samples, rests=False), first, steps)
    assert fine.shape == (FINE, 5)
    assert (fine[0, 0], fine[-1, 0]) == ends
    assert fine[:, 1] == pytest.approx(2.0 * fine[:, 0])
