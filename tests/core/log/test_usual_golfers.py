"""What usual golfers need from each distance: published shares, putts of other draws, and an even curve."""

import math

import numpy as np
import pytest

from orthocline.core.account import GOLFERS, USUAL_PASTS
from orthocline.core.ground import Plane
from orthocline.core.holing import RoundHole, SecondPutts, chances_of
from orthocline.core.log import usual_holed, usual_putts
from orthocline.core.roll import Point, Putt, RollPast, aims
from orthocline.core.units import FOOT_M

PUBLISHED = {4: 88, 5: 77, 8: 50, 10: 40, 15: 23, 20: 15, 30: 7}
PUTTS = 30


def test_tournament_golfers_hole_as_is_published():
    feet = np.array(list(PUBLISHED))
    shares = 100.0 * usual_holed("tournament", feet * FOOT_M)
    assert shares == pytest.approx(np.array(list(PUBLISHED.values())), abs=3.0)


@pytest.mark.parametrize(("level", "feet"), [("middle", 9.0), ("new", 35.0)])
def test_the_table_holds_for_other_putts_of_the_kind(level, feet):
    rng, golfer, found = np.random.default_rng(11), GOLFERS[level], []
    for _ in range(PUTTS):
        plane = Plane(abs(rng.normal(0.015, 0.007)), rng.uniform(-math.pi, math.pi))
        ball, hole = Point(0, 0), Point(feet * FOOT_M, 0)
        putt = Putt(ball, hole, plane, rng.normal(11.0, 0.6), RollPast(FOOT_M))
        tried = chances_of(
            putt, aims(putt)[0].launch, golfer, SecondPutts(RoundHole(putt, USUAL_PASTS), golfer)
        )
        found.append((tried.holed, tried.putts))
    length_m = np.array([feet * FOOT_M])
    table = usual_holed(level, length_m)[0], usual_putts(level, length_m)[0]
    assert table == pytest.approx(np.mean(found, axis=0), abs=0.03)


@pytest.mark.parametrize("level", GOLFERS)
def test_from_further_less_is_holed_and_better_golfers_hole_more(level):
    lengths = np.linspace(0.2, 35.0, 400)
    assert (np.diff(usual_holed(level, lengths)) <= 1e-12).all()
    assert (np.diff(usual_putts(level, lengths)) >= -1e-12).all()
    assert (usual_putts(level, lengths) >= usual_putts("tournament", lengths)).all()
    assert np.isnan(usual_putts(level, np.array([np.nan])))
