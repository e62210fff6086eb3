"""The golfer's stride from paces along a tape."""

import pytest

from orthocline.core.account import PacedTape, stride
from orthocline.core.units import FOOT_M


def test_a_stride_is_the_mean_of_its_tries():
    assert stride([]) is None
    own = stride([PacedTape(10, 27 * FOOT_M), PacedTape(10, 28 * FOOT_M), PacedTape(20, 55 * FOOT_M)])
    assert own.value / FOOT_M == pytest.approx(2.75)
    assert 0 < own.within / FOOT_M < 0.2
