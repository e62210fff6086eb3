"""Practice sessions: within the minutes at hand, what is weakest first, nothing twice."""

import tomllib
from itertools import pairwise
from pathlib import Path

import pytest

from orthocline.core import drills
from orthocline.core.drills import LONGEST, QUESTIONS, SHORTEST, drill_of, session_of

FOLDER = Path(drills.__file__).parent / "files"
SHELF = [drill_of(one.stem, tomllib.loads(one.read_text())) for one in sorted(FOLDER.glob("*.toml"))]


@pytest.mark.parametrize("minutes", [SHORTEST, 10.0, 12.0, 25.0, 40.0, LONGEST])
def test_it_fits_and_nothing_comes_twice(minutes):
    slots = session_of(minutes, SHELF, {}, {})
    assert slots[-1].begins + slots[-1].minutes <= minutes
    assert len({one.what for one in slots}) == len(slots)
    assert minutes - (slots[-1].begins + slots[-1].minutes) < 4.0, "no drill is left that would fit"
    for one, other in pairwise(slots):
        assert other.begins == one.begins + one.minutes


@pytest.mark.parametrize("weak", ["pace", "line", "read", "aim", "strike", "tempo"])
def test_what_is_weakest_comes_first(weak):
    slots = session_of(10.0, SHELF, {weak: 3.0}, {})
    assert slots[0].trains == weak
    long = session_of(40.0, SHELF, {weak: 3.0}, {})
    assert weak in {one.trains for one in long[:2]}, "after a gentle start"
    assert long[0].what == "tuning_putts"


def test_what_was_not_done_of_late_comes_sooner():
    days = {one.key: 0.0 for one in SHELF if one.key != "face_centre"} | {QUESTIONS: 0.0}
    assert session_of(6.0, SHELF, {}, days)[0].what == "face_centre"


def test_an_empty_shelf_leaves_the_questions():
    assert [one.what for one in session_of(30.0, [], {}, {})] == [QUESTIONS]
