"""The day against the golfer's usual green, in words."""

import pytest

from orthocline.core.speed import DayEffect
from orthocline.wording.speed.day import day_words


@pytest.mark.parametrize(
    ("speed_ft", "usual_ft", "words"),
    [
        (10.6, 9.6, "Quicker than your usual 9.6: a tenth more aim, a twentieth shorter strokes."),
        (8.6, 9.6, "Slower than your usual 9.6: a tenth less aim, a twentieth longer strokes."),
        (13.0, 9.0, "Quicker than your usual 9.0: half more aim, a seventh shorter strokes."),
        (9.7, 9.6, "As your usual green, 9.6."),
    ],
)
def test_it_says_how_the_green_is_and_what_that_does(speed_ft, usual_ft, words):
    assert day_words(speed_ft, usual_ft, DayEffect.on_the_level(speed_ft, usual_ft)) == words


def test_a_straight_putt_has_no_aim_to_compare_and_a_small_change_is_not_said():
    assert (
        day_words(10.0, 9.0, DayEffect(None, -0.05))
        == "Quicker than your usual 9.0: a twentieth shorter strokes."
    )
    assert day_words(9.3, 9.0, DayEffect(None, 0.001)) == "Quicker than your usual 9.0."
