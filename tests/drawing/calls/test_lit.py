"""Whatever call is lit, at the extremes of a putt: no two labels touch, and none lies over a line."""

from itertools import pairwise

import numpy as np
import pytest

from orthocline.core.calls import SCHOOLS, GolferFigures, StartAid
from orthocline.core.roll import read
from orthocline.drawing.lettering import LARGE, USUAL, text_width
from orthocline.drawing.roll.plan import HEIGHT, WIDTH, plan
from orthocline.drawing.scene import Disc, Group, Line, Strokes, Words
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording
from tests.putts import FORMULAS, on_grid, plane_putt

METRIC = Wording(Units(metric=True, degrees=True))
TIER = next(entry for entry in FORMULAS if entry["about"] == "tier")
EXTREMES = {
    "3 ft flat": plane_putt(3, past_in=0),
    "60 ft down": plane_putt(60, side_right=-0.02, grade=-0.04),
    "60 ft up": plane_putt(60, side_right=0.02, grade=0.03),
    "aim far out": plane_putt(30, side_right=0.035, grade=-0.02, speed_ft=12.0),
    "usual": plane_putt(14, side_right=-0.021, grade=0.01, speed_ft=10.2, past_in=9),
    "tier": on_grid(TIER),
}
SLACK = 4.0
"""A line of text is taller than its letters."""


def all_items(items):
    for item in items:
        yield item
        if isinstance(item, Group):
            yield from all_items(item.items)


def boxes_of(items):
    """Return left, top, right and bottom of each label, with what it says."""
    for item in items:
        if isinstance(item, Words) and not item.hidden:
            size = LARGE if item.large else USUAL
            width = text_width(item.text, size)
            left = item.at.x - {"start": 0.0, "middle": 0.5, "end": 1.0}[item.anchor] * width
            yield item.text, (left, item.at.y - 0.75 * size, left + width, item.at.y)


def points_of(items):
    """Return what is drawn as points, with the names of their things."""
    for item in items:
        if isinstance(item, Disc) and not item.hidden:
            turns = np.linspace(0.0, 2.0 * np.pi, 40)
            ring = np.column_stack([np.cos(turns), np.sin(turns)]) * item.radius + np.array(item.at)
            yield item.name, ring
        elif isinstance(item, (Line, Strokes)) and item.name != "hachures":
            apart = isinstance(item, Strokes)
            pairs = list(pairwise(item.spots))[:: 2 if apart else 1]
            for start, end in pairs:
                count = max(int(np.hypot(*(end - start)) / 2.0), 2)
                yield item.name, np.linspace(start, end, count)


def inside(points, box):
    left, top, right, bottom = box
    return bool(
        np.any(
            (points[:, 0] > left)
            & (points[:, 0] < right)
            & (points[:, 1] > top + SLACK)
            & (points[:, 1] < bottom - SLACK)
        )
    )


def apart(one, other):
    return (
        one[2] <= other[0] + 1.0
        or other[2] <= one[0] + 1.0
        or one[3] <= other[1] + SLACK
        or other[3] <= one[1] + SLACK
    )


@pytest.mark.parametrize("wording", [USUAL_WORDING, METRIC], ids=["feet", "metres"])
@pytest.mark.parametrize("putt", EXTREMES.values(), ids=EXTREMES)
@pytest.mark.parametrize("lit", ["", *SCHOOLS])
def test_no_label_touches_another_or_a_line(putt, wording, lit):
    golfer = GolferFigures(start_aid=StartAid.LINE)
    drawn = list(all_items(plan(putt, read(putt), wording, golfer=golfer, lit=lit).scene.items))
    labels = dict(boxes_of(drawn))
    names, boxes = list(labels), list(labels.values())
    touching = [
        (names[i], names[j]) for i in range(len(boxes)) for j in range(i) if not apart(boxes[i], boxes[j])
    ]
    touching += [
        (words, name)
        for name, points in points_of(drawn)
        for words, box in labels.items()
        if inside(points, box)
    ]
    assert touching == []
    for words, (left, top, right, bottom) in labels.items():
        assert left >= 0.0, words
        assert right <= WIDTH, words
        assert top >= 0.0, words
        assert bottom <= HEIGHT, words


@pytest.mark.parametrize("name", SCHOOLS)
def test_a_lit_call_stands_out_and_the_others_are_faint(name):
    putt = EXTREMES["usual"]
    plain, lit = (plan(putt, read(putt), USUAL_WORDING, lit=one).scene for one in ("", name))
    faint = next((item for item in lit.items if item.name == "faint"), None)
    always = {"curve_gate": "gate", "apex": "apex", "start_spot": "start-spot"}
    assert faint
    assert {item.name for item in faint.items} == set(always.values()) - {always.get(name)}
    if name not in always:
        new = {item.name for item in all_items(lit.items)} - {item.name for item in all_items(plain.items)}
        assert new - {"faint"}, "something of its own is drawn"


def test_the_sheet_makes_room_for_a_coin_far_beyond_the_hole():
    putt = plane_putt(40, grade=0.05, side_right=0.01)
    lit = plan(putt, read(putt), USUAL_WORDING, lit="level_twin").scene
    coin = lit.item("coin")
    assert 0.0 < coin.at.y < lit.item("hole").at.y
    assert 0.0 < coin.at.x < WIDTH
