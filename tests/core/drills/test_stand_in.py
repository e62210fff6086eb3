"""The stroke of the desk: its speed by length and timing, and the spreads that it says."""

import numpy as np
import pytest

from orthocline.core.account import GOLFERS
from orthocline.core.drills import Swing, struck, swing_launch
from orthocline.core.roll import Launch


def test_a_stroke_twice_as_long_is_twice_as_fast_and_a_late_one_softer():
    plain = swing_launch(Swing(0.35, 0.0, 0.02), 5.7, 1.0)
    assert plain == Launch(0.02, pytest.approx(5.7 * 0.35))
    assert swing_launch(Swing(0.7, 0.0, 0.0), 5.7, 1.0).speed_mps == pytest.approx(2.0 * plain.speed_mps)
    late, early = (swing_launch(Swing(0.35, off, 0.0), 5.7, 1.0).speed_mps for off in (0.1, -0.1))
    assert late == pytest.approx(plain.speed_mps / 1.1)
    assert early == pytest.approx(plain.speed_mps / 0.9)
    assert swing_launch(Swing(0.35, 9.0, 0.0), 5.7, 1.0).speed_mps == pytest.approx(plain.speed_mps / 1.5)


@pytest.mark.parametrize("level", GOLFERS)
def test_ten_thousand_strokes_scatter_as_the_golfer_does(level):
    """Within four standard errors: start line with the ground of ten feet, energy, and no bias of either."""
    golfer, meant, count = GOLFERS[level], Launch(0.01, 2.0), 10_000
    launches = [struck(meant, golfer, 3.048, 5, number) for number in range(count)]
    aside = np.array([one.right_rad for one in launches]) - meant.right_rad
    energy = np.square([one.speed_mps / meant.speed_mps for one in launches]) - 1.0
    sideways = np.hypot(golfer.start_line_rad, golfer.ground_rad)
    for found, sd in ((aside, sideways), (energy, golfer.energy)):
        assert found.std() == pytest.approx(sd, rel=4.0 / np.sqrt(2.0 * count))
        assert abs(found.mean()) < 4.0 * sd / np.sqrt(count)
    assert abs(np.corrcoef(aside, energy)[0, 1]) < 0.04


def test_the_same_ball_of_a_seed_scatters_the_same():
    golfer = GOLFERS["new"]
    balls = ((1, 2), (1, 2), (1, 3), (2, 2))
    one, again, other, seed = (struck(Launch(0.0, 2.0), golfer, 3.0, *ball) for ball in balls)
    assert one == again
    assert len({one, other, seed}) == 3
