"""A putt through the eyes: everything in its true place, hidden where the ground hides it."""

import math
from dataclasses import replace

import numpy as np
import pytest

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER, GolferFigures, Putter, StartAid
from orthocline.core.ground import STOPS, Reading
from orthocline.core.roll import read
from orthocline.drawing.calls import LAYERS
from orthocline.drawing.ground.readings import Marks
from orthocline.drawing.scene import Area, Line, Spot, Strokes
from orthocline.drawing.sight.eyes import through_eyes
from orthocline.drawing.sight.framing import SHAPES, Looking, PuttFacts
from orthocline.drawing.sight.rolling import rolling_rows
from orthocline.drawing.sight.seen import seen_items
from orthocline.wording.wording import USUAL_WORDING
from tests.core.sight.test_horizon import crown, putt_over
from tests.drawing.calls.test_lit import EXTREMES, METRIC
from tests.labels import all_items, leaving, touching
from tests.putts import own_roll, plane_putt

USUAL = EXTREMES["usual"]
TENTH = 0.1


def seen(putt=USUAL, wording=USUAL_WORDING, golfer=USUAL_GOLFER, lit="", **looking):
    shown = PuttFacts(read(putt), golfer=golfer, lit=lit)
    return through_eyes(putt, shown, Looking(**looking), wording)


def pinhole(eyes, along, right, up):
    """Return where a place lies on the sheet by similar triangles from the eye, as one would draw it."""
    eye, sight = eyes.sight.eye, eyes.sight
    way = np.array([math.cos(eye.heading_rad), math.sin(eye.heading_rad)])
    out = np.array([along - eye.along_m, right - eye.right_m])
    ahead, aside = out @ way, out @ np.array([-way[1], way[0]])
    x = sight.ahead.x + sight.focal * aside / ahead
    return Spot(x, sight.ahead.y + sight.focal * (eye.up_m - up) / ahead)


@pytest.mark.parametrize("stop", ["ball", "low_side", "hole"])
@pytest.mark.parametrize("turned", [0.0, 0.3])
def test_ball_hole_aim_and_flagstick_are_in_their_true_places(stop, turned):
    solved = read(USUAL)
    eyes = seen(stop=STOPS[stop], turned_rad=turned)
    length, aim = USUAL.length_m, solved.aim_right_m
    rise = USUAL.grade * length
    level = rise - USUAL.side_tilt_right * aim
    scene = eyes.scene
    hole, radius = scene.item("hole").spots, 0.053975
    assert eyes.sight.hole == pytest.approx(pinhole(eyes, length, 0.0, rise), abs=TENTH)
    for way in (0.0, 0.5 * math.pi, math.pi):
        on, beside = radius * math.cos(way), radius * math.sin(way)
        level_there = rise + USUAL.grade * on - USUAL.side_tilt_right * beside
        rim = np.array(pinhole(eyes, length + on, beside, level_there))
        assert np.hypot(*(hole - rim).T).min() < 0.3
    mark = scene.item("aim-mark").spots.mean(axis=0)
    assert mark == pytest.approx(np.array(pinhole(eyes, length, aim, level)), abs=TENTH)
    assert scene.item("ball").at == pytest.approx(pinhole(eyes, 0.0, 0.0, 0.021335), abs=TENTH)
    foot, top = scene.item("flagstick").spots[[0, -1]]
    assert foot == pytest.approx(np.array(pinhole(eyes, length, 0.0, rise)), abs=TENTH)
    assert top == pytest.approx(np.array(pinhole(eyes, length, 0.0, rise + 7 * 0.3048)), abs=TENTH)
    assert foot[0] == pytest.approx(top[0], abs=0.01), "what stands is upright"


@pytest.mark.parametrize("side", [-0.021, 0.02])
def test_fingers_stand_side_by_side_from_the_hole_to_the_aim_at_their_true_width(side):
    eyes = seen(plane_putt(14, side_right=side), lit="hand_gauge")
    hole, aim = eyes.sight.hole, eyes.aim
    fingers = [item.spots for item in eyes.scene.items_named("finger")]
    part = eyes.scene.item("finger-part").spots
    away = 1.0 if aim.x > hole.x else -1.0
    edges = [(one[:, 0] * away).min() for one in (*fingers, part)]
    arm = USUAL_GOLFER.gauge.arm_m(10.0)
    width = eyes.sight.focal * 0.017 / arm
    assert edges[0] == pytest.approx(hole.x * away, abs=TENTH)
    assert np.diff(edges) == pytest.approx(width, abs=TENTH)
    assert eyes.scene.item("fingers-end").spots[:, 0] == pytest.approx(aim.x, abs=TENTH)
    assert all(one[:, 1].max() < hole.y for one in fingers), "held up above the hole"


@pytest.mark.parametrize("side", [-0.021, 0.03])
def test_the_shaft_hangs_by_its_truer_edge_through_the_ball_to_its_place(side):
    putt, golfer = plane_putt(14, side_right=side), GolferFigures(putter=Putter(0.001, -0.008), eye="left")
    eyes = seen(putt, lit="plumb_line", golfer=golfer)
    line = SCHOOLS["plumb_line"].value(read(putt), golfer)
    top, foot = (eyes.scene.item("plumb-line").spots[i] for i in (1, 0))
    ball, meets = eyes.scene.item("ball").at, pinhole(eyes, putt.length_m, line.right_m, -side * line.right_m)
    slant = (foot - top) / (foot[1] - top[1])
    for at in (ball, meets):
        assert top[0] + slant[0] * (at.y - top[1]) == pytest.approx(at.x, abs=0.8)
    tick = eyes.scene.item("plumb").spots
    assert tick.mean(axis=0) == pytest.approx(np.array(meets), abs=TENTH)
    shaft = eyes.scene.item("shaft").spots
    assert shaft[:, 0].max() > top[0] + 4.0, "its other edge hangs to the right"
    assert eyes.stand.carried_m == pytest.approx(1.6 * 0.7 * side)


@pytest.mark.parametrize("stop", ["ball", "low_side", "hole"])
@pytest.mark.parametrize("name", LAYERS)
def test_each_call_with_a_layer_on_the_plan_has_one_here(name, stop):
    golfer = GolferFigures(start_aid=StartAid.LINE)
    plain, lit = (seen(lit=one, golfer=golfer, stop=STOPS[stop]).scene for one in ("", name))
    own = {item.name for item in all_items(lit.items)} - {"faint"}
    always = {"curve_gate": "gate", "apex": "apex", "start_spot": "ball-line"}
    if name in always:
        assert always[name] in {item.name for item in lit.items}
    else:
        assert own - {item.name for item in all_items(plain.items)}, "something of its own is drawn"


@pytest.mark.parametrize("wording", [USUAL_WORDING, METRIC], ids=["feet", "metres"])
@pytest.mark.parametrize("shape", SHAPES)
@pytest.mark.parametrize("putt", EXTREMES.values(), ids=EXTREMES)
@pytest.mark.parametrize("crouching", [True, False])
def test_no_label_touches_another_or_a_line(putt, wording, shape, crouching):
    for stop, lit in (
        ("ball", ""),
        ("ball", "hand_gauge"),
        ("ball", "plumb_line"),
        ("low_side", ""),
        ("hole", ""),
    ):
        golfer = GolferFigures(eye="right" if crouching else "left", start_aid=StartAid.LINE)
        eyes = seen(putt, wording, golfer, lit, stop=STOPS[stop], crouching=crouching, shape=shape)
        drawn = list(all_items(eyes.scene.items))
        assert touching(drawn) == [], (stop, lit)
        assert leaving(drawn, *SHAPES[shape]) == [], (stop, lit)


@pytest.mark.parametrize("lit", SCHOOLS)
def test_no_label_of_a_lit_call_touches_another_or_a_line(lit):
    for putt in EXTREMES.values():
        drawn = list(all_items(seen(putt, lit=lit).scene.items))
        assert touching(drawn) == []


def test_the_ground_hides_the_hole_but_not_the_flagstick_over_it():
    putt = replace(putt_over(crown), hole=replace(putt_over(crown).hole, x_m=6.5))
    low, high = (
        through_eyes(putt, PuttFacts(read(putt)), Looking(crouching=one), USUAL_WORDING)
        for one in (True, False)
    )
    assert (low.hole_hidden, high.hole_hidden) == (True, False)
    assert low.aim is None
    assert low.scene.items_named("hole") == []
    foot = low.scene.item("flagstick").spots[0]
    assert foot[1] < low.sight.hole.y - 5.0, "its foot is hidden too"
    way = [item.spots for item in low.scene.items_named("way")]
    whole = [item.spots for item in high.scene.items_named("way")]
    assert low.sight.hole.y > way[-1][-1, 1], "the way ends at the crest"
    assert len(whole) >= 1


def test_a_head_that_turns_sees_the_hole_go_the_other_way():
    ahead, turned = seen(), seen(turned_rad=0.2, nod_rad=0.1)
    focal = ahead.sight.focal
    assert turned.sight.focal == focal
    assert turned.sight.hole.x == pytest.approx(ahead.sight.hole.x - focal * math.tan(0.2), abs=TENTH)
    assert turned.sight.ahead.y == pytest.approx(ahead.sight.ahead.y - focal * math.tan(0.1), abs=TENTH)


def test_the_grid_is_two_feet_and_water_is_heavier_where_it_leaves():
    eyes = seen(plane_putt(12, side_right=0.03))
    strokes = eyes.scene.item("grid").spots.reshape(-1, 2, 2)
    length = np.hypot(*(strokes[:, 1] - strokes[:, 0]).T)
    across = strokes[(length > 300.0) & (np.abs(strokes[:, 1, 1] - strokes[:, 0, 1]) < 60.0)]
    # Lines across at the ball and two feet on, where they cross the line from ball to hole.
    heights = sorted(float(np.interp(eyes.sight.hole.x, *one[np.argsort(one[:, 0])].T)) for one in across)
    for along in (0.0, 0.6096):
        expected = pinhole(eyes, along, 0.0, 0.0).y
        assert min(abs(height - expected) for height in heights) < 0.5
    light, heavy = eyes.scene.items_named("water")
    assert heavy.width > 1.5 * light.width
    whole, lower = (one.spots.reshape(-1, 2, 2) for one in (light, heavy))
    assert (lower[:, 0, 0] > whole[:, 0, 0]).all(), "down to the right"
    metric = through_eyes(USUAL, PuttFacts(read(USUAL)), Looking(), METRIC)
    assert metric.scene.item("grid").spots.shape != seen().scene.item("grid").spots.shape


def test_a_first_impression_is_laid_while_the_read_is_held_back():
    eyes = through_eyes(USUAL, PuttFacts(impression_m=-0.3), Looking(), USUAL_WORDING)
    names = {item.name for item in all_items(eyes.scene.items)}
    assert {"impression", "impression-line"} <= names
    assert not names & {"way", "aim-line", "aim-mark", "gate"}
    assert eyes.aim_m == -0.3
    assert eyes.scene.data["per-m"] == pytest.approx(eyes.sight.scale_at(0.0, 0.0))


def test_an_own_read_is_rolled_and_its_mark_is_the_one_to_drag():
    solved = read(USUAL)
    own = own_roll(USUAL, solved.aim, 0.2)
    eyes = through_eyes(USUAL, PuttFacts(solved, {"your read": own}), Looking(), USUAL_WORDING)
    assert eyes.scene.items_named("own-way")
    assert eyes.aim_m == pytest.approx(0.2)
    behind = through_eyes(USUAL, PuttFacts(solved), Looking(STOPS["hole"]), USUAL_WORDING)
    assert behind.scene.data["per-m"] < 0.0, "from behind the hole right is left"


def test_the_picture_keeps_still_while_an_own_aim_is_dragged_across_it():
    solved = read(USUAL)
    alone = through_eyes(USUAL, PuttFacts(solved), Looking(), USUAL_WORDING)
    for aim in (-3.0, 1.0):
        own = own_roll(USUAL, solved.aim, aim)
        eyes = through_eyes(USUAL, PuttFacts(solved, {"your read": own}), Looking(), USUAL_WORDING)
        assert (eyes.sight.focal, eyes.sight.ahead) == (alone.sight.focal, alone.sight.ahead)
    far = through_eyes(USUAL, PuttFacts(impression_m=30.0), Looking(), USUAL_WORDING)
    assert far.aim is None, "off the sheet there is nothing to take hold of"


@pytest.mark.parametrize("way", [0.5, 2.0, -2.5])
def test_readings_lie_on_the_ground_where_they_were_made_and_point_down_the_slope(way):
    marks = Marks((Reading(0.5, way, 0.02, "level"), Reading(0.75, 0.0, None, "plate")))
    eyes = through_eyes(USUAL, PuttFacts(read(USUAL), marks=marks), Looking(), USUAL_WORDING)
    arrow, doubtful = eyes.scene.items_named("reading")
    along = 0.5 * USUAL.length_m + 0.5 * math.cos(way)
    right = 0.5 * math.sin(way)
    level = USUAL.grade * along - USUAL.side_tilt_right * right
    assert arrow.spots[-1] == pytest.approx(np.array(pinhole(eyes, along, right, level)), abs=TENTH)
    assert eyes.scene.items_named("reading-place")[0].at == pytest.approx(arrow.spots[0], abs=TENTH)
    assert (arrow.dash, bool(doubtful.dash)) == ("", True)


def test_the_ball_is_followed_smaller_as_it_goes_and_not_where_it_is_hidden():
    solved = read(USUAL)
    rows = rolling_rows(solved.track, solved.aim.time_to_hole_s, seen().sight)
    radii = [radius for _, _, radius in rows]
    assert radii == sorted(radii, reverse=True)
    assert rows[0][:2] == pytest.approx(seen().scene.item("ball").at, abs=0.2)
    putt = replace(putt_over(crown), hole=replace(putt_over(crown).hole, x_m=6.5))
    low = through_eyes(putt, PuttFacts(read(putt)), Looking(crouching=True), USUAL_WORDING)
    solved = read(putt)
    rolled = rolling_rows(solved.track, solved.aim.time_to_hole_s, low.sight)
    assert None in rolled
    assert rolled[0] is not None


def test_of_what_is_partly_nowhere_the_rest_is_drawn():
    gap = np.array([(0.0, 0.0), (1.0, 1.0), (np.nan, np.nan), (3.0, 3.0), (4.0, 4.0), (np.nan, np.nan)])
    lines = list(seen_items([Line(gap, "ink", 1.0, name="one")]))
    assert [one.spots.tolist() for one in lines] == [[[0.0, 0.0], [1.0, 1.0]], [[3.0, 3.0], [4.0, 4.0]]]
    (strokes,) = seen_items([Strokes(gap, "ink", 1.0)])
    assert strokes.spots.tolist() == [[0.0, 0.0], [1.0, 1.0]]
    (area,) = seen_items([Area(gap, "ink")])
    assert len(area.spots) == 4
    assert list(seen_items([Area(gap[2:5], "ink")])) == []
