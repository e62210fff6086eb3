"""A chart goes into a document and comes back as it was."""

import math

import pytest
from pydantic import ValidationError

from orthocline.core.chart import Chart, ChartPin, ChartReading
from orthocline.core.survey import GrainArea
from orthocline.formats.chart_document import chart_document, chart_of

CHART = Chart(
    corners=((0.0, 0.0), (5.0, 0.5), (2.0, 6.25)),
    readings=(
        ChartReading((1.0, 2.0), "level", -0.5 * math.pi, 0.0213),
        ChartReading((2.0, 2.0), "plate", math.radians(30.0)),
        ChartReading((3.0, 2.0), "staff", 0.0, 0.125, 0.02),
        ChartReading((3.0, 1.0), "feet", 0.0, 0.02, 0.01),
    ),
    pins=(ChartPin((2.0, 3.0), "back left"), ChartPin((2.5, 3.0), "old", retired=True)),
    grain=(GrainArea((2.0, 3.0), 4.0, math.radians(-45.0), 0.08, math.radians(22.5), 0.25),),
)


def test_a_chart_comes_back_as_it_was():
    again = chart_of(chart_document(CHART))
    assert chart_document(again) == chart_document(CHART)
    assert again.readings[0].size == pytest.approx(0.0213)
    assert again.readings[2] == CHART.readings[2]
    assert again.pins == CHART.pins
    assert again.grain[0].toward_rad == pytest.approx(CHART.grain[0].toward_rad)


@pytest.mark.parametrize(
    "wrong",
    [
        {"readings": [{"at_m": [0, 0], "by": "crystal ball"}]},
        {"readings": [{"at_m": [0, 0], "by": "tape", "percent": 2.0}]},
        {"readings": [{"at_m": [0, float("nan")], "by": "level"}]},
        {"outline_m": [[0, 99]]},
        {"pins": [{"at_m": [0, 0], "name": ""}]},
        {"heights": []},
    ],
)
def test_what_is_no_chart_is_refused(wrong):
    with pytest.raises(ValidationError):
        chart_of(wrong)
