"""Strides and strokes are drawn to scale."""

import pytest

from orthocline.core.speed import StrokePutt, stroke_rate
from orthocline.core.units import INCH_M
from orthocline.drawing.account.measures import stride_drawing, strokes_drawing
from orthocline.wording.calibration import Calibration
from orthocline.wording.wording import USUAL_WORDING, Wording


def test_strides_are_drawn_beside_the_usual_yard():
    drawn = stride_drawing(Wording(calibration=Calibration(0.75, 0.30, own_pace=True)))
    paces, yards = (drawn.item(name).spots[::2, 0] for name in ("paces", "yards"))
    feet = [(foot.spots[:, 0].min(), foot.spots[:, 0].max()) for foot in drawn.items_named("foot")]
    assert [left for left, _ in feet] == pytest.approx(paces)
    step = paces[1] - paces[0]
    assert step / (yards[1] - yards[0]) == pytest.approx(0.75 / 0.9144, abs=0.01)
    assert (feet[0][1] - feet[0][0]) / step == pytest.approx(0.30 / 0.75, abs=0.01)
    assert drawn.item("pace").text == "your pace 2.5 ft"


def test_strokes_lie_on_the_line_that_they_calibrate():
    putts = [StrokePutt(s * INCH_M, (s / 10) ** 2 * 2.0, 10.0) for s in (8.0, 12.0, 16.0)]
    drawn = strokes_drawing(putts, stroke_rate(putts), USUAL_WORDING)
    (x0, y0), (x1, y1) = drawn.item("rate").spots
    for x, y in (dot.at for dot in drawn.items_named("putt")):
        assert (y0 - y) / (x - x0) == pytest.approx((y0 - y1) / (x1 - x0), rel=0.01)
    assert strokes_drawing([], None, USUAL_WORDING) is None
