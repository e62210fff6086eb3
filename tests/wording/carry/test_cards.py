"""What cards say: every figure of six cards, as it is printed, against the solver."""

import math

import pytest

from orthocline.core.calls import USUAL_GOLFER, Gauge, GolferFigures
from orthocline.core.cards import Conditions, Grid, cards_of
from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import Point, Putt, PuttError, RollPast, read
from orthocline.wording.carry.cards import KINDS, MOST_ROWS, NONE, faces_of
from orthocline.wording.units import Units
from orthocline.wording.wording import Bend, Wording

FOOT, INCH = 0.3048, 0.0254
GRID = Grid(
    tuple(FOOT * feet for feet in (3, 5, 8, 12, 20, 40)), (0.01, 0.02, 0.03, 0.04), (0.0, 0.02, -0.02), 3.0
)
WORDINGS = {"inches": Wording(), "centimetres": Wording(Units(metric=True))}
SIX = [Conditions(speed, past * FOOT) for speed in (8.0, 10.0, 12.0) for past in (0.5, 1.5)]
PARTS = {"¼": 0.25, "½": 0.5, "¾": 0.75}


def figure(said):
    """Return what a figure on a card means."""
    plain = said.replace("−", "-").lstrip("+-")
    part = PARTS.get(plain[-1:], 0.0)
    whole = plain[:-1] if part else plain
    return (-1.0 if said.startswith("−") else 1.0) * (float(whole or 0) + part)


def mirrored(conditions, length, side, rise):
    """Return the same putt with its fall to the left, solved, with its aim and what drops."""
    ground = plane_from_grade(rise, -side, 0.0)
    putt = Putt(Point(0, 0), Point(length, 0), ground, conditions.green_speed_ft, RollPast(conditions.past_m))
    solved = read(putt)
    window = solved.make_window.right_rad
    return solved.aim_right_m, length * (math.tan(window.most) - math.tan(window.least))


def said_cells(faces, kind):
    """Yield rise, row, column and figure of all that the cards of a kind say."""
    for face in (one for one in faces if one.kind == kind):
        rise = -0.02 if "down" in face.title else 0.02 if "up" in face.title else 0.0
        for i, row in enumerate(face.rows):
            for j, one in enumerate(row.cells):
                if one.figure != NONE:
                    yield rise, i, j, figure(one.figure)


@pytest.mark.parametrize("said", WORDINGS)
@pytest.mark.parametrize("conditions", SIX, ids=str)
def test_every_aim_as_it_is_printed_lies_within_a_quarter_of_what_drops(conditions, said):
    unit, told = WORDINGS[said].units.near_m, 0
    faces = faces_of(cards_of(conditions, GRID, USUAL_GOLFER), ["aim"], WORDINGS[said], "27 Nov")
    for rise, i, j, value in said_cells(faces, "aim"):
        aim, drops = mirrored(conditions, GRID.lengths_m[i], GRID.tilts[j], rise)
        assert abs(unit * value - aim) <= 0.25 * drops + 1e-6
        told += 1
    assert told >= 60


@pytest.mark.parametrize("conditions", SIX, ids=str)
def test_every_finger_as_it_is_printed_reaches_an_aim_within_a_quarter_of_what_drops(conditions):
    gauge, told = Gauge((0.017, 0.018, 0.018, 0.014, 0.021)), 0
    cards = cards_of(conditions, GRID, GolferFigures(gauge=gauge))
    faces = faces_of(cards, ["fingers"], Wording(), "27 Nov")
    arm_m = min(0.65, 0.45 * 9.0 / conditions.green_speed_ft)
    for rise, i, j, value in said_cells(faces, "fingers"):
        length = GRID.lengths_m[i]
        aim, drops = mirrored(conditions, length, GRID.tilts[j], rise)
        assert abs(gauge.width_m(value) * (length + 0.6) / arm_m - aim) <= 0.25 * drops + 1e-6
        told += 1
    assert told >= 12


@pytest.mark.parametrize("conditions", SIX, ids=str)
def test_every_hour_as_it_is_printed_lies_within_a_quarter_of_what_drops(conditions):
    told = 0
    (face,) = faces_of(cards_of(conditions, GRID, USUAL_GOLFER), ["dial"], Wording(), "27 Nov")
    for j, tilt in enumerate(GRID.tilts):
        putts = [(tilt * math.sin(turn), -tilt * math.cos(turn)) for turn in hours()]
        try:
            aims = [mirrored(conditions, GRID.dial_m, *putt) for putt in putts]
        except (PuttError, AttributeError):
            continue
        most = max(aim for aim, _ in aims)
        for i, (aim, drops) in enumerate(aims):
            if face.rows[i].cells[j].figure == NONE:
                continue
            share = figure(face.rows[i].cells[j].figure) / 100.0
            assert abs(share * most - aim) <= 0.25 * drops + 1e-6
            told += 1
        assert figure(face.rows[-1].cells[j].figure) == pytest.approx(most / INCH, abs=0.51)
    assert told >= 15


def hours():
    return [math.pi * hour / 6.0 for hour in (1, 2, 3, 4, 5)]


def test_paces_are_the_golfers_own_and_say_how_far_past_the_target_lies():
    faces = faces_of(cards_of(Conditions(10.0, FOOT), GRID, USUAL_GOLFER), ["pace"], Wording(), "27 Nov")
    level, up, down = faces
    assert [one.title for one in faces] == ["Pace, level", "Pace, up 2 %", "Pace, down 2 %"]
    assert level.heads == ("plays", "past", "mark", "stroke")
    for length, row in zip((3, 5, 8, 12, 20, 40), level.rows, strict=True):
        assert figure(row.cells[0].figure) == length
        assert row.cells[1].figure == "0"
    for face, sign in ((up, 1.0), (down, -1.0)):
        for row in face.rows:
            plays, past = (figure(one.figure) for one in row.cells[:2])
            assert sign * past > 0.0
            assert plays - float(row.head) == pytest.approx(past, abs=0.5)
    metric = faces_of(
        cards_of(Conditions(10.0, 0.3), GRID, USUAL_GOLFER), ["pace"], WORDINGS["centimetres"], ""
    )
    assert metric[0].unit == "Metres; stroke in cm"


def test_cards_are_in_the_golfers_words_and_long_ones_go_on():
    grid = Grid(tuple(0.5 * (i + 2) for i in range(8)), (0.02,), (0.0,), 3.0)
    wording = Wording(Units(metric=True, degrees=True), bend=Bend.BORROW)
    faces = faces_of(cards_of(Conditions(10.0, 0.3), grid, USUAL_GOLFER), list(KINDS), wording, "27 Nov")
    aims = [one for one in faces if one.kind == "aim"]
    assert [len(one.rows) for one in aims] == [MOST_ROWS, 2]
    assert (aims[0].unit, aims[0].heads, aims[0].corner) == ("Borrow in cm", ("1.1°",), "m")
    assert aims[0].below == "below: with 0.3° more tilt"
    assert aims[0].past == "30 cm past"
    assert aims[1].rows[-1].head == "4.5"
    assert "Aim, level, green speed 10.0, Borrow in cm, 30 cm past. 1 m: 1.1°:" in aims[0].says


def test_where_nothing_drops_a_dash_stands_and_says_so():
    grid = Grid((3.0,), (0.02, 0.08), (-0.06,), 3.0)
    faces = faces_of(cards_of(Conditions(13.0, FOOT), grid, USUAL_GOLFER), ["aim", "fingers"], Wording(), "")
    assert faces[0].rows[0].cells[1].figure == NONE
    assert [one.dashes for one in faces] == ["– none drops", "– see Aim"]
