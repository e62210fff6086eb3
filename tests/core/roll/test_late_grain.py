"""Grain that begins somewhere along the putt."""

import math

import numpy as np
import pytest

from orthocline.core.ground import Grid, Station, Stations
from orthocline.core.roll import Grain, PuttError, read
from orthocline.core.sure import Sureness, Uncertainty
from tests.putts import plane_putt
from tests.rolled import drag, roll_out


def late_push(putt):
    """Return what the grain of a putt along +x does at places, by its own law: gamma d toward its way."""
    grain, length = putt.grain, putt.length_m
    pull = grain.strength * drag(putt.green_speed_ft)
    way = np.array([math.cos(grain.toward_rad), -math.sin(grain.toward_rad)])

    def push(places):
        begun = np.clip((places[:, 0] - grain.since * length) / 0.3 + 0.5, 0.0, 1.0)
        return pull * begun[:, None] * way

    return push


@pytest.mark.parametrize("toward_deg", [-90.0, 0.0, 140.0])
@pytest.mark.parametrize("since", [0.4, 0.75])
def test_a_ball_so_aimed_goes_in_by_an_integrator_of_its_own(since, toward_deg):
    putt = plane_putt(16, side_right=0.01, grade=0.005, grain=Grain(0.2, math.radians(toward_deg), since))
    solved = read(putt)
    launch = np.array([solved.launch_right_rad]), np.array([solved.launch_speed_mps])
    way = roll_out([(0.005, 0.01)], 10.0, *launch, late_push(putt))[:, 0]
    at_hole = np.interp(putt.length_m, way[:, 0], way[:, 1])
    assert abs(at_hole) < 0.004
    rest = way[-1] - (putt.length_m, 0.0)
    assert math.hypot(*rest) == pytest.approx(0.3048, abs=0.02)


def test_late_grain_counts_for_less_and_the_later_the_less():
    aims = [
        read(plane_putt(16, grain=Grain(0.2, -math.pi / 2, since))).aim_right_m for since in (0, 0.5, 0.8)
    ]
    assert aims[0] < aims[1] < aims[2] < 0.0


def test_it_is_added_to_ground_read_in_places():
    stations = Stations((0.0, 0.0), (4.0, 0.0), (Station(0.2, 0.01, 0.0), Station(0.9, 0.02, 0.01)))
    still, grown = (
        read(plane_putt(4 / 0.3048, surface=stations, grain=Grain(strength, -math.pi / 2, 0.6)))
        for strength in (0.0, 0.15)
    )
    assert grown.aim_right_m < still.aim_right_m - 0.02
    assert grown.putt.surface == stations


def test_how_sure_it_is_counts():
    solved = read(plane_putt(16, side_right=0.01, grain=Grain(0.2, -math.pi / 2, 0.6)))
    aim = Sureness(solved, Uncertainty(grain=0.25, grain_way_rad=0.39)).range.aim_right_m
    assert 0.01 < aim.most - aim.least < 0.3


def test_grain_of_a_part_needs_a_line():
    ground = Grid((-2.0, -2.0), 0.5, np.zeros((9, 15)))
    with pytest.raises(PuttError, match="plane or stations"):
        plane_putt(8, surface=ground, grain=Grain(0.1, 0.0, 0.5))
    with pytest.raises(PuttError, match="share of the way"):
        plane_putt(8, grain=Grain(0.1, 0.0, 0.99))
