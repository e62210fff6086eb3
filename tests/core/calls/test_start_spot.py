"""The start spot lies on the aim line, near enough to roll over."""

import math

import pytest

from orthocline.core.calls import start_spot_of
from orthocline.core.roll import read
from orthocline.core.units import FOOT_M
from tests.putts import plane_putt


@pytest.mark.parametrize(("length_ft", "ahead_ft"), [(3, 1.5), (4, 2.0), (30, 2.0)])
def test_it_is_two_feet_ahead_or_half_way(length_ft, ahead_ft):
    solved = read(plane_putt(length_ft, side_right=-0.02))
    spot = start_spot_of(solved)
    assert spot.ahead_m / FOOT_M == pytest.approx(ahead_ft)
    assert spot.right_m / spot.along_m == pytest.approx(math.tan(solved.launch_right_rad))
    assert spot.right_m > 0, "to the side that the putt is aimed at"
