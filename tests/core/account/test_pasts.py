"""Which of the golfer's usual roll-pasts counts for a putt."""

import pytest

from orthocline.core.account import UsualPasts


@pytest.mark.parametrize(
    ("grade", "past_m"), [(0.0, 0.25), (0.004, 0.25), (-0.004, 0.25), (0.02, 0.4), (-0.02, 0.1)]
)
def test_it_goes_with_the_slope(grade, past_m):
    assert UsualPasts(0.25, 0.4, 0.1).on(grade) == past_m


def test_one_that_was_not_said_is_the_levels():
    assert {UsualPasts(0.25, downhill_m=0.1).on(grade) for grade in (0.02, 0.0)} == {0.25}
    assert UsualPasts(0.25, 0.0).on(0.02) == 0.0, "a ball that dies in the hole is usual too"
