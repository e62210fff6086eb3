"""The beat mark counts the slide."""

import pytest

from orthocline.core.calls import beat_mark_m
from orthocline.core.roll import read
from orthocline.core.units import feet
from tests.putts import plane_putt


def test_the_slide_carries_the_ball_further_in_its_first_second():
    solved = read(plane_putt(9, grade=1 / 108, speed_ft=8.5))
    rolling = solved.track.even_times(1.0, 1.0, 1)[0, 4]
    assert feet(rolling) == pytest.approx(5.66, abs=0.01)
    assert 5.7 <= feet(beat_mark_m(solved)) <= 5.9


def test_a_ball_at_rest_by_then_has_none():
    assert beat_mark_m(read(plane_putt(0.7, past_in=0.1))) is None
