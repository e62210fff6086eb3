"""The pages on the calls: their figures, sentences and numbers are the program's."""

import itertools
import math
import re
import runpy
from pathlib import Path

import numpy as np
import pytest

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER
from orthocline.core.roll import read, roll_of
from orthocline.core.sure import CERTAIN, Sureness
from orthocline.core.units import INCH_M
from orthocline.services.demo.golfer import SPINDRIFT
from orthocline.wording.calls import call_lines
from orthocline.wording.wording import USUAL_WORDING
from tests.putts import own_roll, plane_putt

ROOT = Path(__file__).parents[1]
FOLDER = ROOT / "docs/calls"
PUTTS = (6, 10, 20), (0.01, 0.02, 0.03), (-0.02, 0.0, 0.02), (8, 10, 12)
"""Lengths, tilts, rises and green speeds."""
QUARRELS = (FOLDER / "quarrels.md").read_text()


def value(name, solved):
    return SCHOOLS[name].value(solved, USUAL_GOLFER)


def inches(length_m):
    return f"{length_m / INCH_M:.1f} in"


@pytest.mark.parametrize("name", SCHOOLS)
def test_every_call_has_a_page_with_its_sentence_its_formula_and_what_it_is_blind_to(name):
    page = (FOLDER / f"{name.replace('_', '-')}.md").read_text()
    lines = {
        line.school: line.words for line in call_lines(read(SPINDRIFT.putt), USUAL_WORDING, USUAL_GOLFER)
    }
    assert f"**{lines[name]}**" in page
    assert f"]({name.replace('_', '-')}.svg)" in page
    for part in ("**Formula.**" if name != "instinct" else "**Steps.**", "**Turned back**", "**Blind to**"):
        assert part in page
    assert f"]({name.replace('_', '-')}.md): {lines[name]}" in (FOLDER / "README.md").read_text()


def test_the_figures_are_the_programs():
    drawn = runpy.run_path(str(ROOT / "scripts/draw_calls.py"))["figures"]()

    def words(figure):
        return re.findall(r">([^<>]+)</text>", figure)

    for name, figure in drawn.items():
        kept = (FOLDER / f"{name.replace('_', '-')}.svg").read_text()
        assert words(kept) == words(figure), name
        assert re.findall('data-part="([^"]+)"', kept) == re.findall('data-part="([^"]+)"', figure), name


def test_where_the_break_comes_from():
    counting = Sureness(read(plane_putt(20, side_right=-0.02)), CERTAIN).counting
    thirds = counting.counts_by_third, counting.turns_by_third
    counts, turns = ([f"{100 * share:.0f}" for share in shares] for shares in thirds)
    assert f"make {counts[0]}, {counts[1]} and {counts[2]} percent of the aim" in QUARRELS
    assert f"{turns[0]}, {turns[1]} and {turns[2]} percent of the turning" in QUARRELS


@pytest.mark.parametrize("feet", [6, 10, 20])
def test_apex_or_beyond(feet):
    solved = read(plane_putt(feet, side_right=-0.02))
    apex = value("apex", solved)
    rolled = roll_of(solved.putt, solved.aim, SCHOOLS["apex"].played(solved, USUAL_GOLFER, apex))
    aim, away = solved.aim_right_m, math.hypot(rolled.finish_along_m, rolled.finish_right_m)
    cells = (
        *(f"{feet} ft", inches(aim), inches(apex.mark.right_m), f"{aim / apex.mark.right_m:.1f}"),
        *(f"{inches(rolled.capture.closest_m)} low", f"{away / INCH_M:.0f} in away"),
    )
    assert rolled.passed_right_m < 0.0
    assert f"| {' | '.join(cells)} |" in QUARRELS


@pytest.mark.parametrize(
    ("said", "speed_ft", "grade"),
    [
        *((f"speed {speed}", speed, 0.0) for speed in (8, 10, 12)),
        ("speed 10, 3 % down", 10, -0.03),
        ("speed 10, 3 % up", 10, 0.03),
    ],
)
def test_fingers_or_plumb_line(said, speed_ft, grade):
    solved = read(plane_putt(10, side_right=-0.02, speed_ft=speed_ft, grade=grade))
    hand, plumb = value("hand_gauge", solved), value("plumb_line", solved)
    aims = (solved.aim_right_m, hand.rule_right_m, hand.straight_right_m, plumb.right_m)
    assert f"| {said} | {' | '.join(map(inches, aims))} |" in QUARRELS


def test_how_many_drop_by_fingers_and_by_plumb_line():
    dropped = []
    for feet, tilt, grade, speed_ft in itertools.product(*PUTTS):
        solved = read(plane_putt(feet, side_right=-tilt, grade=grade, speed_ft=speed_ft))
        hand, plumb = value("hand_gauge", solved), value("plumb_line", solved)
        aims = (hand.rule_right_m, hand.straight_right_m, plumb.right_m)
        dropped.append([own_roll(solved.putt, solved.aim, aim).capture.drops for aim in aims])
    shares = [f"{100 * share:.0f}" for share in np.mean(dropped, axis=0)]
    assert len(dropped) == 81
    assert (
        f"drop {shares[0]} of 100, those of a straight arm {shares[1]}, the plumb line {shares[2]}."
        in QUARRELS.replace("\n", " ")
    )
