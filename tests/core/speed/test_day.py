"""What a day's green speed does to aim and stroke, against whole putts solved on either green."""

import pytest

from orthocline.core.roll import read
from orthocline.core.speed import DayEffect
from tests.putts import plane_putt


@pytest.mark.parametrize(("speed_ft", "usual_ft"), [(10.4, 9.6), (9.2, 9.6), (12.0, 9.0)])
def test_aim_grows_and_the_stroke_shrinks_as_on_a_level_putt(speed_ft, usual_ft):
    day, usual = (read(plane_putt(16, side_right=-0.012, speed_ft=speed)) for speed in (speed_ft, usual_ft))
    effect = DayEffect.on_the_level(speed_ft, usual_ft)
    assert effect.aim_share == pytest.approx(day.aim_right_m / usual.aim_right_m - 1.0, abs=0.01)
    assert effect.stroke_share == pytest.approx(
        day.launch_speed_mps / usual.launch_speed_mps - 1.0, abs=0.005
    )
