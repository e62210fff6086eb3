"""Which holes of a green are fair, and which of them come first."""

import math

import numpy as np
import pytest

from orthocline.core.relief import oval
from orthocline.core.study import APART_M, FROM_EDGE_M, Holes, places_of

GREEN = oval(24.0, 20.0)
PLACES = places_of(GREEN)


def holes(holds=(1.0, 1.0), three=0.1, sure=True):
    """A green of which every place plays alike, or as is said of each."""
    played = np.empty((2, len(PLACES), 4))
    played[..., 1], played[..., 2] = 0.9, 0.6
    played[0, :, 0], played[1, :, 0] = holds
    played[..., 3] = three
    return Holes(PLACES, played, GREEN, np.broadcast_to(sure, len(PLACES)))


def test_a_fair_hole_is_so_far_from_the_edge():
    found = holes()
    fair = found.fair(FROM_EDGE_M)
    middle = np.hypot(*(PLACES - (0.0, 12.0)).T)
    assert fair[middle < 5.0].tolist() == [2] * int((middle < 5.0).sum())
    # By the ellipse that the oval is about: the nearest of many places of it.
    turns = np.linspace(0.0, 2.0 * math.pi, 2000)
    ellipse = np.column_stack([10.0 * np.cos(turns), 12.0 + 12.0 * np.sin(turns)])
    away = np.hypot(*np.moveaxis(PLACES[:, None] - ellipse[None], -1, 0)).min(axis=1)
    assert found.from_edge_m == pytest.approx(away, abs=0.12)
    assert not fair[away < FROM_EDGE_M - 0.15].any()


def test_what_holds_a_ball_today_alone_comes_after_what_holds_it_faster_too():
    east = PLACES[:, 0] > 0.0
    found = holes(holds=(1.0, np.where(east, 1.0, 0.875)), three=np.where(east, 0.2, 0.1))
    ranked = found.ranked(FROM_EDGE_M, 40)
    assert [one.fair_at for one in ranked] == sorted((one.fair_at for one in ranked), reverse=True)
    assert {one.fair_at for one in ranked} == {1, 2}
    assert all((PLACES[one.place, 0] > 0.0) == (one.fair_at == 2) for one in ranked)


def test_what_does_not_hold_a_ball_today_is_no_hole_however_it_holds_it_faster():
    found = holes(holds=(0.875, 1.0))
    assert not found.fair(0.0).any()
    assert found.ranked(0.0, 9) == []


def test_the_easiest_comes_first_and_holes_are_apart():
    found = holes(three=0.1 + 0.01 * np.hypot(*(PLACES - (2.0, 12.0)).T))
    ranked = found.ranked(FROM_EDGE_M, 6)
    places = [PLACES[one.place] for one in ranked]
    assert places[0] == pytest.approx([2.0, 12.0])
    assert all(math.dist(a, b) >= APART_M for i, a in enumerate(places) for b in places[:i])
    three = [found.played[0, one.place, 3] for one in ranked]
    assert three == sorted(three)
    assert len(ranked) == 6


def test_ground_that_is_not_sure_is_left_out():
    near = np.hypot(*(PLACES - (2.0, 12.0)).T) < 3.0
    found = holes(three=0.1 + 0.01 * np.hypot(*(PLACES - (2.0, 12.0)).T), sure=~near)
    assert not near[found.ranked(FROM_EDGE_M, 1)[0].place]


def test_a_figure_lies_on_the_grid_where_its_place_is_and_beyond_as_at_the_nearest():
    found = holes(three=0.1 + 0.01 * np.hypot(*(PLACES - (3.0, 7.0)).T))
    x, y, table = found.on_grid(3, 1)
    assert (x[0], x[-1]) == (PLACES[:, 0].min() - 1.0, PLACES[:, 0].max() + 1.0)
    assert (y[0], y[-1]) == (PLACES[:, 1].min() - 1.0, PLACES[:, 1].max() + 1.0)
    nodes = np.stack(np.meshgrid(x, y), axis=-1).reshape(-1, 2)
    apart = np.hypot(*np.moveaxis(nodes[:, None] - PLACES[None], -1, 0))
    near = apart.min(axis=1)
    for node, figure in enumerate(table.ravel()):
        # Several may be as near as each other.
        nearest = found.played[1, apart[node] < near[node] + 1e-9, 3]
        assert np.abs(nearest - figure).min() < 1e-12
    assert np.isnan(holes(three=math.nan).on_grid(3, 0)[2]).all()


def test_the_nearest_place_is_the_one_that_is_tapped():
    i = len(PLACES) // 3
    assert holes().nearest(tuple(PLACES[i] + (0.2, -0.15))) == i


def test_a_green_without_room_for_a_long_putt_is_ranked_by_what_there_is():
    found = holes(three=math.nan)
    assert len(found.ranked(FROM_EDGE_M, 3)) == 3
