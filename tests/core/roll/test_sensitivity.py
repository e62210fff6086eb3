"""Where the slope counts: summed over the way it is what a change of the whole ground's tilt does."""

import math
from dataclasses import replace
from itertools import pairwise
from typing import Any

import numpy as np
import pytest

from orthocline.core.ground import Grid, Plane, Station, Stations, plane_from_grade
from orthocline.core.roll import Grain, Point, Putt, RollPast, SpeedAtHole, Wind
from orthocline.core.roll.aim import aim
from orthocline.core.roll.sensitivity import sensitivity_of
from tests.putts import plane_putt

STEP = 2e-4


def smooth_grid(rng):
    x, y = np.meshgrid(0.25 * np.arange(90) - 6.0, 0.25 * np.arange(70) - 8.0)
    waves = [
        rng.normal(0, 0.012) * np.sin((x * math.cos(turn) + y * math.sin(turn)) / rng.uniform(1.5, 4) + turn)
        for turn in rng.uniform(-3, 3, 4)
    ]
    return Grid((-6.0, -8.0), 0.25, rng.normal(0, 0.01) * x + rng.normal(0, 0.015) * y + sum(waves))


def some_putt(kind, rng):
    """Return a putt of a kind from the map's origin, in any direction."""
    length, bearing = rng.uniform(1.5, 8.0), rng.uniform(-math.pi, math.pi) if kind != "grid" else 0.2
    hole = Point(length * math.cos(bearing), length * math.sin(bearing))
    ground: Any = plane_from_grade(rng.normal(0, 0.015), rng.normal(0, 0.02), bearing)
    if kind == "stations":
        slopes = rng.normal(0, 0.015, (4, 2))
        ground = Stations(
            (0.0, 0.0),
            (hole.x_m, hole.y_m),
            tuple(Station(at, *slope) for at, slope in zip((-0.5, 0.3, 0.7, 1.5), slopes, strict=True)),
        )
    if kind == "grid":
        ground = smooth_grid(rng)
    more: dict[str, Any] = {"grain": Grain(rng.uniform(0, 0.2), 1.0)} if kind == "grain" else {}
    if kind == "wind":
        more = {"wind": Wind(rng.uniform(1, 6), rng.uniform(-3, 3))}
    pace = SpeedAtHole(rng.uniform(0.3, 1.0)) if kind == "speed" else RollPast(rng.uniform(0.1, 0.8))
    return Putt(Point(0, 0), hole, ground, rng.uniform(8, 12), pace, **more)


def tilted(putt, side, grade):
    """Return the putt on ground that falls to the right and rises by so much more."""
    ground, bearing = putt.surface, putt.bearing_rad
    if isinstance(ground, Plane):
        more = ground.grade(bearing) + grade, ground.side_tilt_right(bearing) + side
        return replace(putt, surface=plane_from_grade(*more, bearing))
    if isinstance(ground, Stations):
        readings = [replace(one, side=one.side + side, grade=one.grade + grade) for one in ground.readings]
        return replace(putt, surface=replace(ground, readings=tuple(readings)))
    rows, columns = ground.heights_m.shape
    x, y = np.meshgrid(ground.spacing_m * np.arange(columns), ground.spacing_m * np.arange(rows))
    cos, sin = math.cos(bearing), math.sin(bearing)
    tilt = grade * (x * cos + y * sin) + side * (y * cos - x * sin)
    return replace(putt, surface=replace(ground, heights_m=ground.heights_m + tilt))


def quotients(putt):
    """Return the solver's own: rows of launch angle and speed, columns of fall to the right and grade."""
    columns = []
    for side, grade in ((STEP, 0.0), (0.0, STEP)):
        more, less = (aim(tilted(putt, sign * side, sign * grade)).launch for sign in (1, -1))
        columns.append(
            [
                (more.right_rad - less.right_rad) / (2 * STEP),
                (more.speed_mps - less.speed_mps) / (2 * STEP),
            ]
        )
    return np.array(columns).T


@pytest.mark.parametrize("kind", ["plane", "speed", "grain", "wind", "stations", "grid"])
def test_the_sum_over_the_way_is_the_solvers_own_quotient(kind):
    rng = np.random.default_rng(6)
    for _ in range(34):
        putt = some_putt(kind, rng)
        solved = aim(putt)
        if not solved.pace_met:
            continue
        found = sensitivity_of(putt, solved)
        whole = np.array(
            [found.over(weights, 0.0, found.way_m[-1]) for weights in (found.aim_rad, found.speed_mps)]
        )
        expected = quotients(putt)
        sizes = np.abs(expected).max(axis=1, keepdims=True)
        assert np.abs(whole - expected).max(axis=1) == pytest.approx([0.0, 0.0], abs=0.005 * sizes.min()), (
            putt
        )
        assert np.all(np.abs(whole - expected) <= 0.005 * sizes), putt


def thirds(putt):
    solved = aim(putt)
    found = sensitivity_of(putt, solved)
    cuts = np.linspace(0.0, solved.path_m, 4)
    parts = [found.over(found.aim_rad, *ends)[0] for ends in pairwise(cuts)]
    return np.array(parts) / sum(parts), found


def test_on_a_level_putt_the_thirds_are_those_of_the_first_order_weight():
    shares, found = thirds(plane_putt(20.0, side_right=1e-4, past_in=12.0))
    assert (100 * shares).round() == pytest.approx([37, 36, 27])
    length, past = plane_putt(20.0).length_m, 0.3048
    way = found.way_m[found.way_m < 0.95 * length]
    weight = found.aim_rad[: len(way), 0] / found.aim_rad[0, 0]
    expected = 1.0 - past / (length + past - way)
    assert weight == pytest.approx(expected / expected[0], abs=0.01)


def test_the_slope_beyond_the_hole_counts_for_the_pace_of_a_roll_past_only():
    putt = plane_putt(12.0, side_right=0.02)
    by_past = sensitivity_of(putt, aim(putt))
    by_speed_putt = replace(putt, pace=SpeedAtHole(aim(putt).speed_at_hole_mps))
    by_speed = sensitivity_of(by_speed_putt, aim(by_speed_putt))
    assert by_past.way_m[-1] > aim(putt).path_m + 0.25
    assert by_speed.way_m[-1] == pytest.approx(aim(putt).path_m, abs=1e-6)
    rising = by_past.over(by_past.speed_mps, aim(putt).path_m, by_past.way_m[-1])[1]
    assert rising > 0.0, "a rise beyond the hole asks for a firmer launch"
