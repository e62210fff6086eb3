"""A pack's tables as open data: small, and the same reads come out again."""

import gzip
import json
import math

import pytest

from orthocline.core.cards import Conditions
from orthocline.core.pack import pin_table, plane_table
from orthocline.formats.pack_document import table_document
from tests.core.pack.test_pack import known_of
from tests.packed import table_of

FOOT = 0.3048
TODAY = Conditions(10.2, FOOT)


@pytest.fixture(scope="module")
def tables():
    chart, known = known_of(0)
    return plane_table(TODAY), pin_table(known.survey, known.outline, chart.pins[0].at_m, TODAY)


def test_what_is_kept_says_the_same_as_what_was_solved(tables):
    planes, pin = tables
    for table, places in (
        (planes, [(math.sqrt(4.0), 0.013, -0.006), (math.sqrt(9.0), 0.031, 0.018)]),
        (pin, [(math.sqrt(3.0), 1.0), (math.sqrt(6.0), 2.2), (math.sqrt(40.0), 0.3)]),
    ):
        again = table_of(json.loads(json.dumps(table_document(table))))
        for place in places:
            said, kept = table.at(*place), again.at(*place)
            if said is None:
                assert kept is None
                continue
            assert kept[0] == pytest.approx(said[0], abs=1e-4)
            assert kept[1] == pytest.approx(said[1], abs=0.011)


def test_nine_greens_of_four_pins_are_small(tables):
    planes, pin = tables
    small = [len(gzip.compress(json.dumps(table_document(one)).encode())) for one in (planes, pin)]
    assert small[0] + 36 * small[1] < 1_500_000
