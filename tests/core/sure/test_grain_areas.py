"""Grain part by part of a green: rolled by a stepper of the tests' own, counted in how sure a read is."""

import math
from dataclasses import replace

import numpy as np
import pytest

from orthocline.core.roll import Launch, Point, Putt, RollPast, read, roller
from orthocline.core.roll.green_speed import rolling_deceleration_mps2
from orthocline.core.sure import CERTAIN, Sureness
from orthocline.core.survey import GrainArea, SlopeReading, Survey

PULL = 5.0 / 7.0 * 9.80665
LEVEL = tuple(
    SlopeReading((float(x), float(y)), slope, turn, 0.0005)
    for x in (-6, 0, 6)
    for y in (-6, 0, 6)
    for slope, turn in ((0.01, 0.0), (0.0, math.pi / 2))
)
LEFT = GrainArea((4.0, 0.0), 2.5, math.pi / 2, 0.15, math.radians(22.5), 0.25)
EVERYWHERE = GrainArea((0.0, 0.0), 40.0, math.pi / 2, 0.15, 0.0, 0.0)


def putt_on(*grain):
    ground = Survey(LEVEL, ((-6.0, -6.0), (8.0, 6.0)), grain)
    return Putt(Point(-1.0, 0.0), Point(4.5, 0.0), ground, 10.0, RollPast(0.3))


def rolled(launch, area, step=1e-4):
    """Return where a ball comes to rest: small steps of its velocity, grain pulling where the part is."""
    drag, at = rolling_deceleration_mps2(10.0), np.array([-1.0, 0.0])
    v = launch.speed_mps * np.array([math.cos(-launch.right_rad), math.sin(-launch.right_rad)])
    grain = area.strength * drag * np.array([math.cos(area.toward_rad), math.sin(area.toward_rad)])
    while np.hypot(*v) > 1e-3:
        inside = np.clip(0.5 + area.radius_m - math.dist(at, area.at_m), 0.0, 1.0)
        v = v + step * (inside * grain - np.array([PULL * 0.01, 0.0]) - drag * v / np.hypot(*v))
        at = at + step * v
    return at


def test_a_ball_rolls_as_the_grain_of_its_part_pulls():
    putt = putt_on(LEFT)
    solved = read(putt)
    launch = Launch(0.02, solved.launch_speed_mps)
    finish = roller(putt, solved.aim)(launch).finish
    assert (finish.x_m, finish.y_m) == pytest.approx(rolled(launch, LEFT), abs=0.02)


def test_grain_of_a_part_is_less_than_that_of_the_whole_green():
    aims = [read(putt_on(*grain)).aim_right_m for grain in ((), (LEFT,), (EVERYWHERE,))]
    assert abs(aims[0]) < 0.01
    assert 0.02 < aims[1] < aims[2] - 0.02


def test_grain_everywhere_is_grain_of_the_putt():
    whole = replace(putt_on().grain, strength=0.15, toward_rad=math.pi / 2)
    other = replace(putt_on(), grain=whole)
    assert read(putt_on(EVERYWHERE)).aim_right_m == pytest.approx(read(other).aim_right_m, abs=0.002)


def test_what_is_not_sure_of_the_grain_widens_the_range():
    widths = [
        Sureness(read(putt_on(area)), CERTAIN).range.aim_right_m
        for area in (replace(LEFT, way_sd_rad=0.0, strength_share=0.0), LEFT)
    ]
    sure, unsure = (one.most - one.least for one in widths)
    assert unsure > 1.2 * sure
    counted = Sureness(read(putt_on(LEFT)), CERTAIN).doubts.others
    by_strength = counted["grain_0_strength"][2]
    aims = [
        read(putt_on(replace(LEFT, strength=LEFT.strength * (1.0 + by)))).aim_right_m
        for by in (0.125, -0.125)
    ]
    assert by_strength == pytest.approx(aims[0] - aims[1], rel=0.02)
