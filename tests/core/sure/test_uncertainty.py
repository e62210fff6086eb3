"""Where figures come from, and how uncertain that makes them: the table of usual uncertainties."""

import math

import pytest

from orthocline.core.instruments import INSTRUMENTS, Gives
from orthocline.core.roll import Grain
from orthocline.core.sure import TYPED, GrainBy, Source, Sources
from orthocline.core.units import INCH_M
from tests.putts import plane_putt

PUTT = plane_putt(20, side_right=-0.02, grade=0.01, grain=Grain(0.08, 1.0))
WITHIN_PERCENT = {
    "level": math.hypot(0.2, 0.5),
    "level_averaged": 0.2,
    "phone": math.hypot(0.3, 0.5),
    "feet": 1.5,
    "trained_feet": 0.8,
    "eye": 2.0,
    "trained_eye": 0.8,
}


def test_every_instrument_of_the_slope_is_as_sure_as_usual():
    slopes = {name for name, one in INSTRUMENTS.items() if one.gives in (Gives.SLOPE, Gives.FELT)}
    assert slopes == set(WITHIN_PERCENT)
    for name, within in WITHIN_PERCENT.items():
        found = Sources(side=Source(name), rise=Source(name)).uncertainty(PUTT)
        assert (200 * found.side, 200 * found.grade) == pytest.approx((within, within))


def test_a_rise_by_eye_is_sure_within_an_inch_and_a_quarter_of_it():
    found = Sources(rise=Source("rise_by_eye")).uncertainty(PUTT)
    rise_m = 0.01 * PUTT.length_m
    assert 2 * found.grade * PUTT.length_m == pytest.approx(INCH_M + 0.25 * rise_m)


@pytest.mark.parametrize(("name", "percent"), [("own_paces", 4), ("usual_paces", 10), ("tape", 0)])
def test_a_paced_length_is_sure_within_a_share_of_it(name, percent):
    found = Sources(length=Source(name)).uncertainty(PUTT)
    assert 200 * found.length == pytest.approx(percent)


def test_typed_figures_are_taken_as_they_are_unless_the_golfer_says_how_sure():
    assert Sources().uncertainty(PUTT) == Sources(TYPED, TYPED, TYPED).uncertainty(PUTT)
    assert set(vars(Sources().uncertainty(PUTT)).values()) == {0.0}
    said = Sources(Source(within=0.2), Source("feet", within=0.006), speed_sd_ft=0.25).uncertainty(PUTT)
    assert said.length * PUTT.length_m == pytest.approx(0.1)
    assert (said.side, said.green_speed_ft) == (0.003, 0.25)


def test_grain_by_clues_is_uncertain_in_strength_and_way():
    by_kind = Sources(grain_by=GrainBy(strength_by_kind=True))
    found = by_kind.uncertainty(PUTT)
    assert (2 * found.grain, 2 * math.degrees(found.grain_way_rad)) == pytest.approx((0.5, 45.0))
    assert by_kind.uncertainty(plane_putt(20)).grain == 0.0
    clues = Sources(grain_by=GrainBy(way_within_deg=30.0)).uncertainty(PUTT)
    assert (clues.grain, 2 * math.degrees(clues.grain_way_rad)) == (0.0, pytest.approx(30.0))
