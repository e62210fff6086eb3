"""Whatever call is lit, at the extremes of a putt: no two labels touch, and none lies over a line."""

import pytest

from orthocline.core.calls import SCHOOLS, GolferFigures, StartAid
from orthocline.core.roll import read
from orthocline.drawing.roll.plan import WIDTH, plan
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording
from tests.labels import all_items, clear
from tests.putts import FORMULAS, on_grid, plane_putt

METRIC = Wording(Units(metric=True, degrees=True))
TIER = next(entry for entry in FORMULAS if entry["about"] == "tier")
EXTREMES = {
    "3 ft flat": plane_putt(3, past_in=0),
    "60 ft down": plane_putt(60, side_right=-0.02, grade=-0.04),
    "60 ft up": plane_putt(60, side_right=0.02, grade=0.03),
    "aim far out": plane_putt(30, side_right=0.035, grade=-0.02, speed_ft=12.0),
    "usual": plane_putt(14, side_right=-0.021, grade=0.01, speed_ft=10.2, past_in=9),
    "to the right": plane_putt(14, side_right=0.021, grade=0.01, speed_ft=10.0, past_in=9),
    "far to the right": plane_putt(30, side_right=-0.035, grade=-0.02, speed_ft=12.0),
    "tier": on_grid(TIER),
}


@pytest.mark.parametrize("wording", [USUAL_WORDING, METRIC], ids=["feet", "metres"])
@pytest.mark.parametrize("putt", EXTREMES.values(), ids=EXTREMES)
@pytest.mark.parametrize("lit", ["", *SCHOOLS])
def test_no_label_touches_another_or_a_line(putt, wording, lit):
    golfer = GolferFigures(start_aid=StartAid.LINE)
    clear(plan(putt, read(putt), wording, golfer=golfer, lit=lit).scene, phone=True)


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
