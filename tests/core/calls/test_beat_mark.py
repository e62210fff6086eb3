"""The beat mark counts the slide, and goes with the golfer's beat."""

import pytest

from orthocline.core.calls import USUAL_GOLFER, GolferFigures, beat_mark_of, slide
from orthocline.core.constants import FACE_FRICTION, GRAVITY_MPS2
from orthocline.core.roll import read, rolling_deceleration_mps2
from orthocline.core.speed import Tempo
from tests.putts import plane_putt

STEP_S = 1e-5


def slid_and_rolled_m(face_mps, drag_mps2, until_s):
    """Follow the ball in small steps: sliding spins it up until it rolls, then the level green slows it."""
    grip, speed, spin, way = FACE_FRICTION * GRAVITY_MPS2, face_mps, 0.0, 0.0
    for _ in range(round(until_s / STEP_S)):
        sliding = speed > spin
        spin = spin + 2.5 * grip * STEP_S if sliding else speed
        speed -= (grip if sliding else drag_mps2) * STEP_S
        way += speed * STEP_S
    return way


@pytest.mark.parametrize(("beat_s", "further"), [(0.8, 0.039), (1.0, 0.031), (1.4, 0.019), (2.0, 0.010)])
def test_the_slide_carries_the_ball_further_in_one_beat_and_less_the_longer_it_is(beat_s, further):
    solved = read(plane_putt(11, grade=2 / 132, speed_ft=9.7, past_in=9))
    rolling = solved.track.even_times(beat_s, beat_s, 1)[0, 4]
    mark = beat_mark_of(solved, GolferFigures(tempo=Tempo(beat_s=beat_s)))
    assert mark.after_s == beat_s
    assert mark.along_m / rolling - 1.0 == pytest.approx(further, abs=0.002)


@pytest.mark.parametrize("beat_s", [0.8, 1.0, 1.4, 2.0])
def test_on_the_level_it_is_where_sliding_and_rolling_step_by_step_lead(beat_s):
    solved, drag = read(plane_putt(11, speed_ft=9.7, past_in=9)), rolling_deceleration_mps2(9.7)
    mark = beat_mark_of(solved, GolferFigures(tempo=Tempo(beat_s=beat_s)))
    face = slide(solved.launch_speed_mps, drag).face_speed_mps
    assert mark.along_m == pytest.approx(slid_and_rolled_m(face, drag, beat_s), abs=0.002)


def test_a_ball_at_rest_by_then_has_none():
    assert beat_mark_of(read(plane_putt(0.7, past_in=0.1)), USUAL_GOLFER) is None
