"""Warnings of a read: every code has its sentence, in the golfer's units."""

from dataclasses import replace

import pytest

from orthocline.core.roll import ReadWarning, SpeedAtHole, Wind, read
from orthocline.wording.read.warnings import SENTENCES, warning_words
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording
from tests.putts import plane_putt

METRIC = Wording(Units(metric=True, degrees=True))
STEEP = read(plane_putt(8, side_right=0.02, grade=-0.09, past_in=12))
FAST = read(plane_putt(10, past_in=150))


def test_every_warning_has_a_sentence():
    assert set(SENTENCES) == set(ReadWarning)


@pytest.mark.parametrize(
    ("wording", "told"),
    [
        (USUAL_WORDING, ("ground up to 7.8 %", "2.38 ft/s at the hole, is given")),
        (METRIC, ("ground up to 4.5°", "0.73 m/s at the hole, is given")),
    ],
)
def test_figures_are_in_the_golfers_units(wording, told):
    words = " ".join(warning_words(STEEP, wording))
    assert [part for part in told if part not in words] == [], words


def test_remedies_follow_the_read():
    assert warning_words(FAST)[0].endswith("Roll it softer.")
    firm = read(plane_putt(8, side_right=0.02, grade=-0.09, pace=SpeedAtHole(1.9)))
    assert list(firm.warnings) == ["slope_does_not_hold", "too_fast_to_drop"]
    assert "is given" not in warning_words(firm)[0]


def test_a_ball_that_comes_back_is_told_with_the_softest_that_does_not():
    lob = plane_putt(10, side_right=-0.0549, grade=0.0549)
    (words,) = warning_words(read(lob))
    assert "rolls back into it, 15 s after it left" in words
    assert words.endswith("reaches the hole at 0.72 ft/s and would roll 10.2 ft past.")
    windy = " ".join(warning_words(read(replace(lob, wind=Wind(0.1, 0.0)))))
    assert "rolls back into it" in windy
    assert "goes straight in" not in windy
