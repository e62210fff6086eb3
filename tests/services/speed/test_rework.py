"""Speeds kept before ramps were counted anew say what they become; the figures typed are kept."""

import pytest

from orthocline.core.estimate import Estimate
from orthocline.core.speed import one_way, speed_from_rolls
from orthocline.core.units import FOOT_M
from orthocline.formats.sheet import Noted, Sheet
from orthocline.services.account.access import Viewer
from orthocline.services.speed.book import day_speed, list_speeds
from orthocline.services.speed.rework import reworked_ramp_speed
from tests.services.speed.test_book import now
from tests.speeds import kept_speed


def noted(**figures):
    return {name: (Noted(f"{figure:g}", figure),) for name, figure in figures.items()}


RODS = Sheet(noted(length=0.762, angle=20.0, gap=0.02), {"rails": "rods"})
BAR = Sheet(noted(length=0.762, angle=20.0, groove=90.0), {"rails": "groove"})
ROLLS = noted(out=8 * FOOT_M, back=10 * FOOT_M)
FORMER, NOW = 1.0506, 1.0008
"""What a roll of two rods counted, and counts: by 1.8842/1.8383 and 1.8292/1.8285, squared."""


def speed(rolls, counted, level=None):
    out, back = (one_way([rolls[way] * FOOT_M] if way in rolls else [], counted) for way in ("out", "back"))
    return speed_from_rolls(out, back, level=level).speed_ft


@pytest.mark.parametrize(
    ("rolls", "level_way"),
    [
        ({"out": 8.0, "back": 10.0}, ""),
        ({"out": 9.0}, ""),
        ({"out": 9.0}, "up"),
        ({"back": 9.0}, "down"),
    ],
)
def test_it_is_what_the_same_rolls_give_now(rolls, level_way):
    rise = {"up": 0.01, "down": -0.01}.get(level_way)
    read = Estimate(rise, 0.001) if rise else None
    before = speed(rolls, FORMER, read)
    sheet = Sheet(
        RODS.figures | noted(**{way: feet * FOOT_M for way, feet in rolls.items()}), RODS.choices
    ).choosing(level_way=level_way)
    again = reworked_ramp_speed(before, sheet.anew("level", Noted("1 %", 0.01)) if level_way else sheet)
    assert again.value == pytest.approx(speed(rolls, NOW, read).value, abs=0.005)
    assert again.sd / again.value == pytest.approx(before.sd / before.value)


def test_an_angle_bars_rolls_fall_by_a_fifth():
    again = reworked_ramp_speed(Estimate(12.5, 0.2), Sheet(BAR.figures | ROLLS, BAR.choices))
    assert again.value == pytest.approx(12.5 * 1.02 / 1.25, rel=0.01)


@pytest.mark.parametrize("sheet", [Sheet(), RODS.anew("gap", Noted("far")), Sheet(choices={"rails": "rods"})])
def test_without_its_figures_a_speed_stays(sheet):
    assert reworked_ramp_speed(Estimate(10.0, 0.2), sheet) is None


def test_the_book_says_what_it_was_and_reads_use_what_it_became(session, create_golfer):
    golfer = create_golfer()
    note = kept_speed(session, golfer, 10.5, hours=0.1, evidence=Sheet(RODS.figures | ROLLS, RODS.choices))
    assert list_speeds(Viewer(golfer), session)[0].was_ft is None, "worked out as ramps are counted now"
    note.model_version = "1"
    session.flush()
    (kept,) = list_speeds(Viewer(golfer), session)
    assert (kept.was_ft.value, kept.speed_ft.value) == (10.5, pytest.approx(10.0, abs=0.01))
    assert day_speed(Viewer(golfer), session, now()).speed_ft.value == pytest.approx(kept.speed_ft.value)
