"""What is said to be within holds as often as it says: on 2,000 seeded greens, every way of measuring."""

import math

import numpy as np
import pytest

from orthocline.core.estimate import Estimate, combine
from orthocline.core.instruments import DAY_SD_FT, INSTRUMENTS, LEVEL_SD, THUMB_SD_S
from orthocline.core.roll import accelerations_of, roll
from orthocline.core.speed import (
    STANDARD_RAMP,
    aged,
    one_way,
    setting_up,
    simulated_roll_m,
    some_green,
    speed_from_rolls,
)
from orthocline.core.speed.ramp_rolls import across_share
from orthocline.core.speed.timed import timed_speed
from orthocline.core.units import FOOT_M
from tests.putts import plane_putt

GREENS = 2000
PULL = 5 / 7 * 9.80665
"""Pull [m/s^2] down a slope of one."""


def rolls(green, rng, *, back):
    set_up = setting_up(green, rng)
    return [simulated_roll_m(green, STANDARD_RAMP, back=back, set_up=set_up, rng=rng) for _ in range(3)]


def drag(green):
    return 1.83**2 / (2 * green.speed_ft * FOOT_M)


def one_way_with(instrument):
    sd = INSTRUMENTS[instrument].sd

    def measure(green, rng):
        level = Estimate(green.slope + rng.normal(0.0, sd), sd)
        found = speed_from_rolls(one_way(rolls(green, rng, back=False)), None, level=level)
        return found.speed_ft, green.speed_ft

    return measure


def one_way_bare(green, rng):
    return speed_from_rolls(None, one_way(rolls(green, rng, back=True))).speed_ft, green.speed_ft


def slope_both_ways(green, rng):
    """The ramp is set up anew for the way back; what rolls see is slope and grain together."""
    out, back = (one_way(rolls(green, rng, back=way)) for way in (False, True))
    return speed_from_rolls(out, back).slope, green.slope - green.grain * drag(green) / PULL


def struck(green, grade, rng):
    """How far and how long a struck putt rolls on a grade: the slide, then even slowing."""
    face = rng.uniform(2.0, 3.0)
    slide_s, slide_m = 2 * face / (7 * 0.4 * 9.80665), 12 * face**2 / (49 * 0.4 * 9.80665)
    rolling, slowing = 5 / 7 * face, drag(green) + PULL * grade
    return slide_m + rolling**2 / (2 * slowing), slide_s + rolling / slowing


def timed_bare(green, rng):
    length, time = struck(green, rng.normal(0.0, 0.0025), rng)
    return timed_speed(length, (time + rng.normal(0.0, THUMB_SD_S, 3)).tolist()), green.speed_ft


def timed_beside_a_level(green, rng):
    length, time = struck(green, green.slope, rng)
    grade = Estimate(green.slope + rng.normal(0.0, LEVEL_SD), LEVEL_SD)
    times = (time + rng.normal(0.0, THUMB_SD_S, 3)).tolist()
    return timed_speed(length, times, grade=grade), green.speed_ft


@pytest.mark.parametrize(
    "measure",
    [
        one_way_with("level_averaged"),
        one_way_with("level"),
        one_way_bare,
        slope_both_ways,
        timed_bare,
        timed_beside_a_level,
    ],
    ids=["level-averaged", "level-once", "bare", "slope-both-ways", "timed", "timed-levelled"],
)
def test_the_range_holds_as_often_as_it_says(measure):
    held = []
    for seed in range(GREENS):
        rng = np.random.default_rng(seed)
        found, truth = measure(some_green(rng), rng)
        held.append(abs(found.value - truth) <= found.within)
    assert 0.93 <= np.mean(held) <= 0.97


@pytest.mark.parametrize("speed_ft", [8.0, 10.0, 12.0])
@pytest.mark.parametrize("across", [0.005, 0.01, 0.02])
def test_a_slope_across_makes_rolls_longer_by_what_is_said(speed_ft, across):
    """Beside a ball that the integrator rolls straight along a plane that falls across its way."""
    putt = plane_putt(10, side_right=across, speed_ft=speed_ft)
    ball, heading = putt.ball, putt.bearing_rad
    limits = {"heading_rad": heading, "speed_mps": 1.83, "path_limit_m": 50.0}
    rest = roll(putt.surface, accelerations_of(putt), ball, **limits).finish
    longer = math.hypot(rest.x_m - ball.x_m, rest.y_m - ball.y_m) / (speed_ft * FOOT_M) - 1.0
    assert across_share(speed_ft, across) == pytest.approx(longer, rel=0.12)


@pytest.mark.parametrize("hours", [3.0, 12.0, 24.0])
def test_measures_of_one_day_age_together(hours):
    """Three at once; then the green drifts, the same for all."""
    held = []
    for seed in range(GREENS):
        rng = np.random.default_rng(seed)
        notes = [Estimate(10.0 + rng.normal(0.0, sd), sd) for sd in (0.2, 0.3, 0.4)]
        now = 10.0 + rng.normal(0.0, DAY_SD_FT * hours / 24.0)
        found = aged(combine(notes), hours)
        held.append(abs(found.value - now) <= found.within)
    assert 0.93 <= np.mean(held) <= 0.97
    assert math.isclose(found.sd, math.hypot(combine(notes).sd, DAY_SD_FT * hours / 24.0))
