"""No read costs more than a putt is worth: the search for a line in wind gives up, and says so."""

import math

import numpy as np
import pytest

from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import Point, Putt, RollPast, Wind, integrator, read, shoot
from orthocline.core.roll import aim as aims
from orthocline.core.roll.shoot import MOST_WORK, STEPS_A_ROLL, Work
from orthocline.core.units import FOOT_M, INCH_M

WORST = (
    # length [m], grade, fall to the right, green speed [ft], roll-past [m], wind [m/s]: found among thousands
    (8.589, 0.12687, -0.10792, 5.91, 0.3, 8.13),
    (16.258, -0.02651, 0.04759, 14.2, 0.3, 2.95),
    (23.671, -0.02681, 0.03412, 8.25, 0.3, 24.4),
    (45.064, -0.03682, -0.01282, 6.86, 0.3, 23.8),
    (60.0, 0.0, 0.0, 20.0, 5.0, 25.0),
)


def windy(length_m, grade, side_right, speed_ft, past_m, wind_mps, toward_rad=0.3):
    ground = plane_from_grade(grade, side_right, 0.0)
    wind = Wind(wind_mps, toward_rad)
    return Putt(Point(0, 0), Point(length_m, 0), ground, speed_ft, RollPast(past_m), wind=wind)


@pytest.fixture
def steps(monkeypatch):
    """Counts what every roll costs."""
    spent = []
    kernel = integrator.trace_plane

    def counted(*arguments):
        rows = kernel(*arguments)
        spent.append(len(rows) + STEPS_A_ROLL)
        return rows

    monkeypatch.setitem(integrator.COMPILED_AHEAD, integrator.plane_slope, counted)
    return spent


@pytest.mark.parametrize("figures", WORST)
@pytest.mark.parametrize("toward", np.linspace(-3.0, 3.0, 5))
def test_the_worst_putts_cost_a_bounded_work(steps, figures, toward):
    solved = read(windy(*figures, toward))
    assert sum(steps) <= 2 * MOST_WORK, "the search, and the make window after it"
    assert solved.aim.wind_counted is ("wind_not_counted" not in solved.warnings)


def test_a_search_that_is_given_up_answers_for_still_air_and_says_so(monkeypatch):
    asked = windy(14 * FOOT_M, 1 / 168, -0.021, 10.2, 12 * INCH_M, 5.0)
    found = read(asked)
    assert found.aim.wind_counted
    monkeypatch.setattr(aims, "Work", lambda: Work(20 * STEPS_A_ROLL))
    given_up = read(asked)
    assert list(given_up.warnings) == ["pace_not_met", "wind_not_counted"]
    still = read(windy(14 * FOOT_M, 1 / 168, -0.021, 10.2, 12 * INCH_M, 0.0))
    assert given_up.aim_right_m == still.aim_right_m != found.aim_right_m


def test_a_breeze_on_the_green_is_always_counted():
    rng = np.random.default_rng(3)
    for _ in range(60):
        length, grade, side = rng.uniform(3, 45) * FOOT_M, *rng.normal(0, 0.015, 2)
        past, wind = float(rng.choice((6, 9, 12, 18))) * INCH_M, float(rng.uniform(1, 12))
        putt = windy(length, grade, side, rng.uniform(8, 12.5), past, wind, rng.uniform(-math.pi, math.pi))
        assert read(putt).aim.wind_counted


def test_work_is_counted_down():
    work = Work(2 * STEPS_A_ROLL + 10)
    work.spend(10)
    work.spend(0)
    with pytest.raises(shoot.NoLineError, match="worth"):
        work.spend(0)
