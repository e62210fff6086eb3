"""How often and how firm, drawn: what lies where follows the figures."""

import numpy as np
import pytest

from orthocline.core.account import GOLFERS, USUAL_PASTS
from orthocline.core.holing import FIRMEST_M, PACE_MARKS_M, SecondPutts, outlook_of
from orthocline.core.roll import Launch, read, roll_of
from orthocline.drawing.holing.curves import curves
from orthocline.drawing.holing.leaves import leaves_drawing
from orthocline.drawing.holing.strip import strip
from orthocline.drawing.holing.window import window
from orthocline.drawing.scene import Sign, Words
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording
from tests.putts import plane_putt

METRIC = Wording(Units(metric=True))


def outlook(level="tournament", **putt):
    asked = plane_putt(putt.pop("length_ft", 10), **{"side_right": -0.015, **putt})
    return outlook_of(asked, read(asked).aim, GOLFERS[level], USUAL_PASTS)


def middle(item):
    return 0.5 * (item.spots.min(axis=0) + item.spots.max(axis=0))


def test_the_strip_is_true_to_scale():
    found = outlook(past_in=6)
    scene = strip(found.advice, found.aim.past_m, USUAL_WORDING)
    left, right = scene.items[1].spots[:, 0]
    chosen = middle(scene.item("chosen"))[0]
    assert (chosen - left) / (right - left) == pytest.approx(found.aim.past_m / FIRMEST_M, abs=0.001)
    good = scene.item("as-good").spots[:, 0]
    ends = (
        left + (right - left) * np.array([found.advice.as_good.least, found.advice.as_good.most]) / FIRMEST_M
    )
    assert (good.min(), good.max()) == pytest.approx(tuple(ends), abs=0.1)
    assert scene.item("best-words").text.startswith("best 1")
    assert scene.item("chosen-words").sign is Sign.DO
    assert not strip(found.advice, None, USUAL_WORDING).items_named("chosen")


def test_figures_of_the_strip_do_not_run_into_each_other():
    near = outlook(past_in=18)
    scene = strip(near.advice, near.aim.past_m, USUAL_WORDING)
    assert not scene.items_named("chosen-words")
    assert [one.text for one in scene.items if isinstance(one, Words)][-2] == "in past"
    metric = strip(near.advice, near.aim.past_m, METRIC)
    assert "cm past" in [one.text for one in metric.items if isinstance(one, Words)]


def test_the_curves_end_where_the_figures_do():
    found = outlook(past_in=12)
    scene = curves(found.advice, found.aim.past_m, USUAL_WORDING)
    putts, holed = scene.item("putts").spots, scene.item("holed").spots
    assert putts[:, 1].argmax() not in (0, len(putts) - 1), "the fewest putts lie lowest, between the ends"
    assert holed[0, 1] > holed[-1, 1], "dying drops less often than firm"
    best = middle(scene.item("best"))
    assert best[1] == pytest.approx(putts[:, 1].max(), abs=0.2)
    assert len(scene.item("schools").spots) == 2 * len(PACE_MARKS_M)
    assert len(scene.items_named("as-good")) == 3
    firm = curves(found.advice, 3.0, USUAL_WORDING)
    assert not firm.items_named("chosen"), "a pace beyond the scale is not on it"


def test_the_window_has_the_meant_launch_in_what_drops_and_tries_where_they_are():
    found = outlook(past_in=12)
    meant = found.aim.launch
    tried = roll_of(found.putt, found.aim, Launch(meant.right_rad + 0.02, meant.speed_mps * 1.03))
    scene = window(found, tried, "said")
    drops, mark = scene.item("drops").spots, middle(scene.item("meant"))
    assert (drops.min(axis=0) < mark).all()
    assert (mark < drops.max(axis=0)).all()
    at = scene.item("tried").at
    assert at.x > mark[0]
    assert at.y < mark[1], "firmer lies higher"
    data = scene.data
    share = (mark[0] - data["left"]) / (data["right"] - data["left"])
    assert data["least-deg"] + share * (data["most-deg"] - data["least-deg"]) == pytest.approx(0.0, abs=0.05)
    share = (data["foot"] - mark[1]) / (data["foot"] - data["top"])
    percent = data["least-percent"] + share * (data["most-percent"] - data["least-percent"])
    assert percent == pytest.approx(0.0, abs=0.1)
    ring = np.vstack([one.spots for one in scene.items_named("ring")])
    assert middle(scene.items_named("ring")[0])[0] == pytest.approx(mark[0], abs=2.0)
    assert np.ptp(ring[:, 0]) > np.ptp(drops[:, 0])
    assert not window(found, None, "said").items_named("tried")


def test_the_window_waits_for_no_table_of_next_putts(monkeypatch):
    monkeypatch.setattr(SecondPutts, "holed", lambda *_: pytest.fail("the window waited"))
    assert window(outlook(), None, "said").items_named("drops")


def test_a_ring_that_is_wider_than_the_field_is_cut_at_its_edge():
    scene = window(outlook("new", length_ft=60, side_right=0.03), None, "said")
    data = scene.data
    for run in scene.items_named("ring"):
        assert run.spots[:, 0].min() >= data["left"]
        assert run.spots[:, 0].max() <= data["right"]


def test_high_and_low_are_named_by_the_way_it_breaks():
    def sides(**putt):
        words = [one for one in window(outlook(**putt), None, "said").items if isinstance(one, Words)]
        return [one.text for one in words if one.text.startswith(("misses", "passes"))]

    assert sides() == ["misses low", "misses high"]
    assert sides(side_right=0.015) == ["misses high", "misses low"]
    assert sides(side_right=0.0) == ["passes left", "passes right"]


def test_misses_are_drawn_where_they_stop():
    found = outlook("middle", past_in=12)
    scene = leaves_drawing(found, USUAL_WORDING)
    hole = scene.item("hole").at
    middles = [one.at for one in scene.items_named("middle")]
    high, low = middles
    assert high.x > hole.x > low.x
    assert high.y < hole.y, "beyond the hole is up"
    words = [one.text for one in scene.items if isinstance(one, Words)]
    assert {word.partition(":")[0] for word in words} == {"high", "low", "falls"}
    assert 60 < len(scene.items_named("miss")) <= 128
