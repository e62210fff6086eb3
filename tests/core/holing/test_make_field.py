"""The make window as a field: its edges against balls rolled on either side of them."""

import math

import numpy as np
import pytest
from shapely import Polygon, contains_xy

from orthocline.core.account import GOLFERS
from orthocline.core.holing import make_field, spread_of
from orthocline.core.roll import ends_of, read
from tests.putts import FORMULAS, by_rolls, on_grid, plane_putt


def field_of(putt, level="middle"):
    solved = read(putt)
    spread = spread_of(GOLFERS[level], putt, solved.aim.launch)
    return make_field(putt, solved.aim, spread), solved


def inside(regions, launches):
    found = np.zeros(len(launches), dtype=bool)
    for one in regions:
        found |= contains_xy(Polygon(one.edge, one.holes), *launches.T)
    return found


@pytest.mark.parametrize(
    "putt",
    [
        plane_putt(10, side_right=-0.02),
        plane_putt(30, side_right=0.01, grade=-0.01, past_in=6),
        by_rolls(plane_putt(6, side_right=0.03, past_in=18)),
        on_grid(FORMULAS[2]),
    ],
    ids=["plane", "long", "rolls", "grid"],
)
def test_the_areas_are_where_balls_end_so(putt):
    found, _ = field_of(putt)
    rng = np.random.default_rng(2)
    reach = (found.right_rad, found.speed_mps)
    launches = np.column_stack([rng.uniform(span.least, span.most, 3000) for span in reach])
    ends = ends_of(putt, launches)
    for regions, there in ((found.drops, ends.drops), (found.meets, ends.meets), (found.short, ends.short)):
        assert there.any()
        assert (inside(regions, launches) == there).mean() > 0.99


def test_its_edges_are_those_of_the_make_window():
    found, solved = field_of(plane_putt(10, side_right=-0.02))
    window, launch = solved.make_window, solved.aim.launch
    for way in (-1.0, 1.0):
        for span, share in ((window.right_rad, (0.99, 1.01)), (window.speed_mps, (0.99, 1.01))):
            edge = span.least if way < 0 else span.most
            by_angle = span is window.right_rad
            middle = launch.right_rad if by_angle else launch.speed_mps
            places = [middle + one * (edge - middle) for one in share]
            launches = np.array(
                [(one, launch.speed_mps) if by_angle else (launch.right_rad, one) for one in places]
            )
            assert inside(found.drops, launches).tolist() == [True, False]


def test_it_reaches_as_far_as_the_golfer_scatters_and_to_the_paces():
    putt = plane_putt(10, side_right=-0.02)
    for level in GOLFERS:
        found, solved = field_of(putt, level)
        spread = spread_of(GOLFERS[level], putt, solved.aim.launch)
        meant = solved.aim.launch
        assert found.right_rad.most >= meant.right_rad + 3 * spread.sideways_rad - 1e-9
        assert found.speed_mps.least <= meant.speed_mps * math.sqrt(1 - 3 * spread.energy) + 1e-9
        firmest = read(plane_putt(10, side_right=-0.02, past_in=36)).aim.launch
        wider = make_field(putt, solved.aim, spread, (firmest,))
        assert wider.speed_mps.most >= firmest.speed_mps
