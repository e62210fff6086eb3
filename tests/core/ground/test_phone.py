"""A phone as a level: what turning it round takes out."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from orthocline.core.ground import phone_level


@given(st.floats(-0.1, 0.1), st.floats(-0.03, 0.03))
def test_turned_round_its_own_error_drops_out(slope, error):
    lean = math.atan(slope)
    found = phone_level(lean + error, -lean + error)
    assert (found.slope, found.own_error_rad) == pytest.approx((slope, error), abs=1e-12)


def test_a_phone_that_shows_the_same_both_ways_lies_level():
    assert phone_level(0.01, 0.01).slope == 0.0
    assert phone_level(0.02, -0.02).slope == pytest.approx(math.tan(0.02))
