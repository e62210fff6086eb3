"""How far an own read was off, in its own unit."""

import pytest

from orthocline.core.calls import Answer
from orthocline.core.units import INCH_M
from orthocline.wording.calls.off import off_words
from orthocline.wording.wording import USUAL_WORDING

INCH = INCH_M


@pytest.mark.parametrize(
    ("name", "given", "right", "words"),
    [
        ("aim_spot", (9 * INCH,), (12 * INCH,), "3 in left of the read"),
        ("aim_spot", (9 * INCH,), (9 * INCH,), "just as the read"),
        ("cup_entry", (4.5,), (5.0,), "half an hour earlier than the read"),
        ("cup_entry", (11.75,), (0.25,), "half an hour earlier than the read"),
        ("cup_entry", (6.0,), (3.5,), "2½ hours later than the read"),
        ("hand_gauge", (-2.0,), (1.5,), "3½ fingers left of the read"),
        ("level_twin", (12 * INCH, 0.0), (6 * INCH, -4 * INCH), "6 in further, 4 in right of the read"),
        ("pace_target", (-12 * INCH,), (6 * INCH,), "18 in shorter than the read"),
        ("beat_mark", (2.0,), (1.9,), "4 in further than the read"),
        ("stroke", (10 * INCH,), (12 * INCH,), "2 in less than the read"),
        ("instinct", (-6.0, 0.0), (6.0, 2.0), "12 steps left, two steps softer than the read"),
        ("instinct", (1.0, 1.0), (2.0, 1.0), "one step left of the read"),
    ],
)
def test_off_is_said_in_the_answers_own_unit(name, given, right, words):
    assert off_words(Answer(name, given), right, USUAL_WORDING) == words
