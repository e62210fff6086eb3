"""Between the places of a table a phone finds what the core finds."""

import math

import numpy as np
import pytest

from orthocline.core.cards import Conditions
from orthocline.core.pack import Axis, Table, plane_table
from orthocline.formats.pack_document import table_document

TABLE_AT = """
const [table, points, done] = arguments;
import('/static/js/tables.js').then(({ tableAt }) => done(points.map((point) => tableAt(table, point))));
"""


def gappy_table():
    rng = np.random.default_rng(5)
    values = rng.normal(size=(7, 9, 3))
    values[2, 3] = values[5, 8] = values[0, 0] = np.nan
    return Table((Axis(0.5, 4.0, 7), Axis(0.0, 2.0 * math.pi, 9, is_round=True)), values)


@pytest.mark.parametrize(
    ("table", "least", "most"),
    [
        (gappy_table(), (0.3, -7.0), (4.2, 7.0)),
        (plane_table(Conditions(10.0, 0.3)), (0.6, 0.0, -0.065), (5.2, 0.062, 0.065)),
    ],
    ids=["round-with-gaps", "planes"],
)
def test_the_phone_finds_between_the_places_what_the_core_finds(page, table, least, most):
    page.go("/course")
    document = table_document(table)
    steps = np.array(document["steps"])
    rounded = Table(table.axes, np.round(table.values / steps) * steps)
    points = np.random.default_rng(3).uniform(least, most, size=(300, len(least))).tolist()
    found = page.driver.execute_async_script(TABLE_AT, document, points)
    missing = 0
    for point, told in zip(points, found, strict=True):
        true = rounded.at(*point)
        missing += true is None
        assert (told is None) == (true is None), point
        if told is not None:
            assert told == pytest.approx(true.tolist(), rel=1e-9, abs=1e-12), point
    assert 10 < missing < 250
