"""Ground that is no plane, through the putt document: stations, and heights on a grid."""

import json
import math

import numpy as np
import pytest

from orthocline.core.ground import Grid, Station, Stations, mean_gradient, plane_from_grade
from orthocline.core.roll import Point, Putt, RollPast, read
from orthocline.formats.putt_document import document_of, putt_of
from tests.putts import DATA, FORMULAS, HEIGHTS, MILLIMETRE, MILLISECOND, named, on_grid, own_roll

REFERENCES = json.loads((DATA / "reference-putts.json").read_text())
STATIONS = [entry for entry in REFERENCES if entry["putt"]["surface"]["kind"] == "stations"]


def figures(solved):
    return {
        "aim_right_m": solved.aim_right_m,
        "launch_speed_mps": solved.launch_speed_mps,
        "speed_at_hole_mps": solved.aim.speed_at_hole_mps,
        "time_to_hole_s": solved.aim.time_to_hole_s,
    }


def assert_near(solved, expected, aim_m):
    limits = (aim_m, 3e-4, 3e-4, 3 * MILLISECOND)
    for (name, found), limit in zip(figures(solved).items(), limits, strict=True):
        assert found == pytest.approx(expected[name], abs=limit, rel=0), name


@pytest.mark.parametrize("entry", STATIONS, ids=named(STATIONS))
def test_putts_on_stations_agree_with_the_reference(entry):
    assert_near(read(putt_of(entry["putt"])), entry["expect"], 0.3 * MILLIMETRE)


@pytest.mark.parametrize("entry", FORMULAS, ids=named(FORMULAS))
def test_formulas_sampled_on_a_grid_agree_with_the_reference(entry):
    assert_near(read(on_grid(entry)), entry["expect"], 0.5 * MILLIMETRE)


GROUND = plane_from_grade(0.01, -0.02, math.radians(30.0))
BALL, HOLE = Point(3.0, -2.0), Point(3.0 + 4.0 * math.cos(math.radians(30.0)), -2.0 + 4.0 * 0.5)


def putt_on(surface):
    return Putt(BALL, HOLE, surface, 10.0, RollPast(0.3))


def as_stations(count):
    readings = tuple(Station(share, -0.02, 0.01) for share in np.linspace(0.1, 0.9, count))
    return Stations((BALL.x_m, BALL.y_m), (HOLE.x_m, HOLE.y_m), readings)


def as_grid():
    x, y = np.meshgrid(np.arange(-2.0, 12.0, 0.5), np.arange(-6.0, 6.0, 0.5))
    east, north = GROUND.parameters
    return Grid((-2.0, -6.0), 0.5, east * x + north * y)


@pytest.mark.parametrize("surface", [as_stations(1), as_stations(4), as_grid()], ids=["one", "four", "grid"])
def test_even_ground_however_it_is_given_is_the_plane(surface):
    plane, uneven = read(putt_on(GROUND)), read(putt_on(surface))
    assert uneven.aim_right_m == pytest.approx(plane.aim_right_m, abs=0.05 * MILLIMETRE)
    assert uneven.launch_speed_mps == pytest.approx(plane.launch_speed_mps, abs=1e-5)
    assert putt_on(surface).mean_plane.tilt == pytest.approx(GROUND.tilt, rel=1e-6)
    assert uneven.entry_window_hours == pytest.approx(plane.entry_window_hours, abs=0.02)
    again = own_roll(uneven.putt, uneven.aim, uneven.aim_right_m)
    assert again.capture.drops


def test_the_mean_slope_along_the_line_is_that_of_the_heights_at_its_ends():
    entry = FORMULAS[0]
    putt, surface = on_grid(entry), entry["putt"]["surface"]
    length = putt.length_m
    ends = [HEIGHTS[surface["name"]](x, 0.0, {**surface["parameters"], "L": length}) for x in (0.0, length)]
    east, _ = mean_gradient(putt.surface, (0.0, 0.0), (length, 0.0))
    assert east * length == pytest.approx(ends[1] - ends[0], abs=MILLIMETRE)


def test_documents_of_uneven_ground_come_back_as_they_were():
    for entry in (STATIONS[0], {"putt": document_of(on_grid(FORMULAS[0]))}):
        putt = putt_of(entry["putt"])
        again = putt_of(document_of(putt))
        assert np.allclose(again.surface.parameters, putt.surface.parameters, atol=1e-12)


def test_ground_steeper_than_any_green_is_refused():
    x, y = np.meshgrid(np.arange(-2.0, 8.0, 0.25), np.arange(-4.0, 4.0, 0.25))
    wall = Grid((-2.0, -4.0), 0.25, 0.45 * np.exp(-((x - 2.0) ** 2)) + 0.0 * y)
    with pytest.raises(ValueError, match="tilt in percent") as caught:
        putt_on(wall)
    assert caught.value.member == "/surface"
