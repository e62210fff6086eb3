"""The page on dying and firm: its figures are the program's."""

from pathlib import Path

import pytest

from orthocline.core.account import GOLFERS, USUAL_PASTS
from orthocline.core.holing import leaves_of, outlook_of
from orthocline.core.roll import read
from orthocline.core.units import INCH_M
from tests.holing import SPECIMENS
from tests.putts import plane_putt

PAGE = (Path(__file__).parents[1] / "docs/die-or-firm.md").read_text()
SAID = (
    "10 ft, 1.5 % across, speed 10",
    "10 ft, 3 % nearly straight downhill, speed 11",
    "10 ft, 3 % nearly straight uphill, speed 10",
    "30 ft, 1.5 % across, speed 10",
    "5 ft, 2 % across, speed 10",
)


def outlook(putt, level):
    return outlook_of(putt, read(putt).aim, GOLFERS[level], USUAL_PASTS)


def inches(past_m):
    return f"{round(past_m / INCH_M)}"


@pytest.mark.parametrize("number", range(5))
def test_best_paces(number):
    cells = [SAID[number]]
    for level in GOLFERS:
        advice = outlook(SPECIMENS[number][0], level).advice
        good = advice.as_good
        stretch = f"{inches(good.least)} to {inches(good.most)}"
        cells.append(f"{inches(advice.best_m)} in ({stretch}): {advice.best_putts:.2f}")
    assert f"| {' | '.join(cells)} |" in PAGE


@pytest.mark.parametrize("past_in", [1, 12, 24])
def test_what_ten_and_thirty_feet_hole(past_in):
    cells = [f"{past_in} in"]
    for feet in (10, 30):
        for level in ("tournament", "new"):
            chances = outlook(plane_putt(feet, side_right=-0.015, past_in=past_in), level).chances
            cells.append(f"{100 * chances.holed:.0f}, {100 * chances.three_putts:.0f}")
    assert f"| {' | '.join(cells)} |" in PAGE


def test_what_misses_leave():
    leaves = leaves_of(outlook(plane_putt(15, side_right=-0.03, past_in=10), "tournament").chances)
    high, low = leaves.right, leaves.left
    said = [f"{inches(one.away_m)} in away" for one in (high, low)]
    assert f"a high miss stops {said[0]}, a low one {said[1]}" in PAGE
