"""The range of a call in its own unit, in words."""

import pytest

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER
from orthocline.core.estimate import Span
from orthocline.core.roll import read
from orthocline.core.sure import Sureness, Uncertainty
from orthocline.core.units import INCH_M
from orthocline.wording.calls import call_lines
from orthocline.wording.calls.spans import spans_text
from orthocline.wording.read.call import call
from orthocline.wording.wording import USUAL_WORDING
from tests.putts import plane_putt


def inches(least, most):
    return Span(least * INCH_M, most * INCH_M)


@pytest.mark.parametrize(
    ("name", "spans", "words"),
    [
        ("curve_gate", [inches(5, 8)], "5 to 8 in"),
        ("curve_gate", [inches(-2, 3)], "2 in left to 3 in right"),
        ("curve_gate", [inches(5, 5.1)], ""),
        ("cup_entry", [Span(4.5, 5.2)], "half past four to quarter past five"),
        ("cup_entry", [Span(4.5, 4.52)], ""),
        ("hand_gauge", [Span(-2.5, -1.75)], "1¾ to 2½"),
        ("hand_gauge", [Span(-0.5, 1.0)], "½ left to 1 right"),
        ("pace_target", [inches(10, 22)], "9 to 21 in"),
        ("pace_target", [inches(-12, 9)], "12 in short to 9 in past"),
        ("level_twin", [inches(-30, -18), inches(12, 18)], "18 to 30 in, 12 to 18 in"),
        ("beat_mark", [Span(1.7, 2.0)], "5.6 to 6.6 ft"),
        ("stroke", [inches(14, 17)], "14 to 17 in"),
        ("fall_line_dial", [None, inches(10, 14)], "10 to 14 in"),
        ("aim_spot", [None], ""),
        ("instinct", [], ""),
    ],
)
def test_each_range_is_said_in_the_calls_own_unit(name, spans, words):
    assert spans_text(SCHOOLS[name], spans, USUAL_WORDING) == words


def test_a_read_that_is_not_sure_gives_every_call_its_range():
    sure = Sureness(read(plane_putt(14, side_right=-0.021)), Uncertainty(side=0.004, grade=0.004))
    lines = {line.school: line.range for line in call(sure.read, sure=sure.range).lines}
    assert {name for name, said in lines.items() if not said} == {"plumb_line", "instinct"}
    assert lines["curve_gate"].endswith(" in")
    exact = call_lines(sure.read, USUAL_WORDING, USUAL_GOLFER)
    assert not [line for line in exact if line.range]
