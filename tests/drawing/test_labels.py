"""Where labels go: the sides of a line, stacks, places about a point, leaders, and what counts as ink."""

import numpy as np
import pytest

from orthocline.drawing.labels import Box, Room, Wanted, dots_along, ink_of, label_box, place_labels
from orthocline.drawing.lettering import USUAL, text_width
from orthocline.drawing.scene import Area, Disc, Line, Sign, Spot, Strokes, Words, spots_of

ROOM = Room(left=0.0, right=640.0, top=10.0, bottom=600.0, size=20.0)
UPRIGHT = dots_along([spots_of((300.0, 0.0), (300.0, 600.0))], spots_of((300.0, 0.0)))
NOTHING = spots_of((-1e5, -1e5))
TEXT = "apex 6 in"
WIDE = text_width(TEXT, 20.0)


def placed(*wanted, drawn=UPRIGHT, room=ROOM):
    return place_labels(wanted, drawn, room)


@pytest.mark.parametrize(("side", "x", "anchor"), [("left", 286.0, "end"), ("right", 314.0, "start")])
def test_a_label_stands_fourteen_beside_the_line_its_letters_round_the_points_height(side, x, anchor):
    (label,) = placed(Wanted(TEXT, Spot(300.0, 200.0), side, Sign.DO))
    assert (label.at, label.anchor, label.leader) == (Spot(x, 206.0), anchor, None)
    assert list(label.items) == [Words(TEXT, label.at, Sign.DO, anchor)]


@pytest.mark.parametrize(("line_x", "side", "anchor"), [(60.0, "left", "start"), (580.0, "right", "end")])
def test_where_a_label_would_leave_the_sheet_it_goes_to_the_other_side(line_x, side, anchor):
    drawn = dots_along([spots_of((line_x, 0.0), (line_x, 600.0))], NOTHING)
    (label,) = placed(Wanted(TEXT, Spot(line_x, 200.0), side), drawn=drawn)
    assert label.anchor == anchor


@pytest.mark.parametrize(("spare", "anchor"), [(0.5, "end"), (-0.5, "start")])
def test_a_label_that_just_fits_stays_on_its_side(spare, anchor):
    line_x = 14.0 + WIDE + spare
    drawn = dots_along([spots_of((line_x, 0.0), (line_x, 600.0))], NOTHING)
    (label,) = placed(Wanted(TEXT, Spot(line_x, 200.0), "left"), drawn=drawn)
    assert label.anchor == anchor


def test_labels_of_one_height_stand_a_line_and_a_quarter_apart_and_keep_their_order():
    labels = placed(*(Wanted(text, Spot(300.0, 200.0 + i), "left") for i, text in enumerate("abc")))
    assert [label.text for label in labels] == ["a", "b", "c"]
    assert [label.at.y for label in labels] == pytest.approx([206.0, 231.0, 256.0])
    assert [label.leader is None for label in labels] == [True, False, False]
    x, y = labels[1].leader[0]
    assert (x, y) == pytest.approx((290.0, 225.0))
    assert labels[1].leader[1] == pytest.approx((300.0, 201.0))
    assert [type(item) for item in labels[1].items] == [Line, Words]
    (right,) = placed(Wanted("a", Spot(200.0, 200.0), "right"))
    assert right.leader[0] == pytest.approx((310.0, 200.0))


@pytest.mark.parametrize(
    ("heights", "seen"),
    [([-40.0, -30.0], [16.0, 41.0]), ([590.0, 598.0], [581.0, 606.0]), ([700.0], [606.0])],
)
def test_stacks_stay_between_the_top_and_the_bottom_of_the_sheet(heights, seen):
    labels = placed(*(Wanted("1 s", Spot(300.0, y), "left") for y in heights))
    assert [label.at.y for label in labels] == pytest.approx(seen)


def test_a_label_goes_beside_all_that_is_drawn_at_its_height():
    bar = dots_along([spots_of((250.0, 209.0), (420.0, 209.0))], UPRIGHT)
    left, right = placed(*(Wanted(TEXT, Spot(300.0, 200.0), side) for side in ("left", "right")), drawn=bar)
    assert (left.at.x, right.at.x) == pytest.approx((236.0, 434.0), abs=5.0)
    (clear,) = placed(Wanted(TEXT, Spot(300.0, 188.0), "left"), drawn=bar)
    assert clear.at.x == 286.0, "a line's height off it is free"


@pytest.mark.parametrize(("further", "led"), [(0.0, False), (30.0, True)])
def test_a_label_further_than_forty_from_its_point_has_a_leader(further, led):
    (label,) = placed(Wanted("3 s", Spot(300.0 + 20.0 + further, 200.0), "left"))
    assert (label.leader is not None) is led


def test_a_label_takes_the_first_free_place_about_its_point():
    tried = [
        (aside * gap, -up, anchor)
        for gap in (10.0, 25.0)
        for up, sides in (
            (0.0, ((1, "start"), (-1, "end"))),
            (10.0 + gap, ((1, "start"), (-1, "end"))),
            (-10.0 - gap, ((1, "start"), (-1, "end"))),
            (10.0 + gap, ((0, "middle"),)),
            (-10.0 - gap, ((0, "middle"),)),
        )
        for aside, anchor in sides
    ]
    drawn, seen = NOTHING, []
    for place in tried:
        (label,) = placed(Wanted(TEXT, Spot(300.0, 300.0), "near"), drawn=drawn)
        seen.append((label.at.x - 300.0, label.at.y - 306.0))
        assert label.anchor == place[2]
        drawn = np.vstack([drawn, blocker(label, tried[len(seen) :])])
    assert np.allclose(seen, [place[:2] for place in tried])


def blocker(label, later):
    """Return a point in a label's box that lies in no box of the places tried later."""
    box = label_box(label, 20.0)
    boxes = [
        label_box(type(label)(TEXT, Spot(300.0 + x, 306.0 + y), anchor, Sign.QUIET), 20.0)
        for x, y, anchor in later
    ]
    for x in np.linspace(box.left + 0.2, box.right - 0.2, 60):
        for y in np.linspace(box.top + 0.2, box.bottom - 0.2, 12):
            if not any(b.left <= x <= b.right and b.top <= y <= b.bottom for b in boxes):
                return [(x, y)]
    raise AssertionError("no such point")


@pytest.mark.parametrize(
    ("at", "room", "x"),
    [
        (Spot(640.0 - 10.0 - WIDE + 1.0, 300.0), ROOM, -10.0),
        (Spot(640.0 - 10.0 - WIDE - 1.0, 300.0), ROOM, 10.0),
    ],
)
def test_a_label_near_its_point_stays_on_the_sheet(at, room, x):
    (label,) = placed(Wanted(TEXT, at, "near"), drawn=NOTHING, room=room)
    assert label.at.x - at.x == x


def test_labels_near_the_same_point_do_not_cover_each_other_and_one_too_many_is_left_out():
    wanted = [Wanted(TEXT, Spot(300.0, 300.0), "near", needed=False) for _ in range(40)]
    boxes = [label_box(label, 20.0) for label in placed(*wanted, drawn=NOTHING)]
    assert 6 <= len(boxes) < 40
    assert not any(box.meets(other) for i, box in enumerate(boxes) for other in boxes[:i])
    beside = Wanted("b", Spot(300.0, 300.0), "right")
    first, second = placed(beside, Wanted("b", Spot(304.0, 300.0), "near"), drawn=NOTHING)
    assert not label_box(first, 20.0).meets(label_box(second, 20.0))


def test_boxes_meet_where_they_share_a_place_and_not_where_they_touch():
    box = Box(0.0, 0.0, 10.0, 10.0)
    assert box.meets(Box(9.0, 9.0, 20.0, 20.0))
    assert box.meets(Box(-5.0, 2.0, 1.0, 3.0))
    for other in (
        Box(10.0, 0.0, 12.0, 10.0),
        Box(0.0, 10.0, 5.0, 12.0),
        Box(-3.0, 0.0, 0.0, 5.0),
        Box(0.0, -3.0, 5.0, 0.0),
    ):
        assert not box.meets(other)
        assert not other.meets(box)


def test_lines_are_ink_all_along_and_other_things_with_room_round_them():
    line = dots_along([spots_of((0.0, 0.0), (12.0, 0.0), (12.0, 16.0))], np.empty((0, 2)))
    steps = np.hypot(*np.diff(line, axis=0).T)
    assert steps.max() <= 5.0
    assert (len(line), line[3].tolist()) == (8, [12.0, 0.0]), "its corner, and no more than it needs"
    assert line[-1] == pytest.approx((12.0, 16.0))
    strokes = Strokes(spots_of((1.0, 2.0), (3.0, 4.0)), Sign.INK, 1.0)
    assert ink_of([strokes]).tolist() == [[1.0, 2.0], [3.0, 4.0], [2.0, 3.0]], "ends and middle"
    disc = ink_of([Disc(Spot(50.0, 60.0), 8.0, Sign.INK)])
    assert sorted(set(disc[:, 0])) == [33.0, 67.0]
    assert sorted(set(disc[:, 1])) == [48.0, 60.0, 72.0]
    area = ink_of([Area(spots_of((10.0, 20.0), (30.0, 20.0), (30.0, 60.0)))])
    assert sorted(set(area[:, 0])) == [1.0, 39.0]
    assert sorted(set(area[:, 1])) == [20.0, 40.0, 60.0]
    words = ink_of([Words("three", Spot(40.0, 20.0), anchor="end")])
    assert words[-1].tolist() == [40.0, 20.0 - 0.5 * USUAL]
    assert words[0, 0] == pytest.approx(40.0 - text_width("three"))
    assert len(ink_of([Line(spots_of((0.0, 0.0), (0.0, 50.0)), Sign.INK, 1.0)])) >= 11
