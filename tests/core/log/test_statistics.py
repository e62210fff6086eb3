"""The figures of a small log, counted by hand."""

import numpy as np
import pytest

from orthocline.core.log import (
    CONDITIONS,
    STATISTICS,
    breaks_right,
    by_distance,
    by_month,
    chosen,
    putts_of,
    usual_putts,
)
from orthocline.core.units import FOOT_M
from tests.logs import COLUMNS, columns_of

FT = FOOT_M


def log(*rows):
    """Return putts from rows of visit, number, feet and what is known else."""
    visit = np.array([row[0] for row in rows])
    told = [dict(number=row[1], length_m=row[2] * FT, **row[3]) for row in rows]
    return putts_of(columns_of(told), visit, "middle")


IN, ROUND = {"holed": 1}, {"outing": 7, "round_holes": 0}
LOG = log(
    (1, 1, 20, {"holed": 0, "along_m": 1.5 * FT, "right_m": 2 * FT, "breaks": -1, "past_m": FT, **ROUND}),
    (1, 2, 2.5, {**IN, "committed": 1, **ROUND}),
    (2, 1, 40, {"holed": 0, "along_m": -5 * FT, "right_m": 0, "breaks": 1, "started": -1, **ROUND}),
    (2, 2, 5, {"holed": 0, "along_m": 0.5 * FT, "right_m": 0, "breaks": 1, "passed": -1, **ROUND}),
    (2, 3, 0.5, {**IN, **ROUND}),
    (3, 1, 6, {**IN, "read_m": 0.2, "own_m": 0.1, "breaks": -1}),
    (4, 1, 9, {"holed": 0, "along_m": 4 * FT, "right_m": -1 * FT, "breaks": -1, "pace_right": 0}),
)
ALL = np.ones(len(LOG), bool)
FOUND = {one.name: one.figure(LOG, ALL) for one in STATISTICS}


@pytest.mark.parametrize(
    ("name", "value", "count"),
    [
        ("holed", 3 / 7, 7),
        ("putts_a_green", 2.0, 3),
        ("three_near", 0.0, 2),
        ("three_far", 1.0, 1),
        ("first_length", 14.5 * FT, 4),
        ("second_length", 3.75 * FT, 2),
        ("short", 0.25, 4),
        ("good", 0.5, 4),
        ("long", 0.25, 4),
        ("pace_off", 0.5 * FT, 1),
        ("high", 2 / 3, 3),
        ("high_short", 1.0, 1),
        ("started_left", 1.0, 1),
        ("own_aimed", 0.5, 1),
        ("pace_right", 0.0, 1),
        ("holed_committed", 1.0, 1),
        ("putts_a_round", None, 0),
    ],
)
def test_figures_of_a_small_log(name, value, count):
    assert (FOUND[name].value, FOUND[name].count) == (pytest.approx(value), count)


def test_what_putts_gained_adds_up_to_what_their_greens_gained():
    gained = LOG.gained
    assert gained[:2].sum() == pytest.approx(usual_putts("middle", np.array([20 * FT]))[0] - 2)
    assert gained[2:5].sum() == pytest.approx(usual_putts("middle", np.array([40 * FT]))[0] - 3)
    # The last stopped √17 ft off and nobody noted the next.
    left = usual_putts("middle", np.array([9 * FT, np.sqrt(17.0) * FT]))
    assert gained[6] == pytest.approx(left[0] - 1 - left[1])
    assert FOUND["gained_a_round"].value == pytest.approx(
        18 * np.mean([gained[:2].sum(), gained[2:5].sum(), gained[5]])
    )


def test_putts_a_round_count_holes_without_a_putt_where_a_card_says_them():
    card = {**IN, "outing": 3, "round_holes": 10}
    nine = log(*((green, 1, 4, card) for green in range(9)))
    putts = next(one for one in STATISTICS if one.name == "putts_a_round")
    assert putts.figure(nine, np.ones(9, bool)).value == pytest.approx(18 * 9 / 10)
    few = log(*((green, 1, 4, {**IN, **ROUND}) for green in range(8)))
    assert putts.figure(few, np.ones(8, bool)).count == 0


def test_some_of_a_log_keep_what_their_greens_took():
    firsts = chosen(LOG, ("first", "known"))
    near = next(one for one in STATISTICS if one.name == "three_far")
    assert near.figure(LOG, firsts).value == 1.0


def test_bands_and_months_hold_every_known_putt_once():
    bands = by_distance(LOG, ALL, [0, 3 * FT, 10 * FT, 100 * FT])
    assert [band.holed.count for band in bands] == [2, 3, 2]
    assert [band.holed.value for band in bands] == pytest.approx([1.0, 1 / 3, 0.0])
    assert bands[1].length_m == pytest.approx(20 / 3 * FT)
    assert by_distance(LOG, ~ALL, [0, 1])[0].usual is None
    # A putt at an edge lies in the band that ends there.
    assert [one.holed.count for one in by_distance(LOG, ALL, [0, 5 * FT, 9 * FT, 100 * FT])] == [3, 2, 2]
    (month,) = by_month(LOG, ALL)
    assert month.holed.count == 7
    assert month.gained.value == pytest.approx(np.mean(LOG.gained))


def test_each_month_has_its_own_putts_in_their_order():
    later, earlier = ({"month": 24322.0 + more} for more in (2.0, 0.0))
    two = log((1, 1, 4, {"holed": 0, **later}), (2, 1, 5, {**IN, **later}), (3, 1, 6, {**IN, **earlier}))
    months = by_month(two, np.ones(3, bool))
    assert [(one.number, one.holed.count) for one in months] == [(24322, 1), (24324, 2)]
    assert months[1].holed.value == pytest.approx(0.5 - np.mean(two.usual_holed[:2]))


def test_three_putts_from_thirty_feet_are_those_from_near():
    edge = log(
        *(
            (1, number, feet, ROUND | holed)
            for number, feet, holed in ((1, 30, {"holed": 0}), (2, 4, {"holed": 0}), (3, 1, IN))
        )
    )
    found = {one.name: one.figure(edge, np.ones(3, bool)) for one in STATISTICS}
    assert (found["three_near"].value, found["three_near"].count, found["three_far"].count) == (1.0, 1, 0)


def test_breaks_by_the_aim_and_every_column_is_some_conditions():
    assert [breaks_right(m) for m in (0.3, 0.05, -0.05, -0.2)] == [-1, 0, 0, 1]
    assert set(COLUMNS) <= set(vars(LOG))
    assert chosen(LOG, CONDITIONS).sum() == 0
