"""The schools together: each has a name, and what it adds to a document is JSON."""

import json

import pytest

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER
from orthocline.core.roll import read
from tests.putts import plane_putt


@pytest.mark.parametrize("name", SCHOOLS)
@pytest.mark.parametrize("side", [0.0, 0.02])
def test_every_school_answers_straight_and_breaking_putts(name, side):
    school = SCHOOLS[name]
    assert school.name == name
    solved = read(plane_putt(12, side_right=side))
    members = school.members(school.value(solved, USUAL_GOLFER))
    assert json.loads(json.dumps(members)) == members


def test_no_two_schools_say_the_same_member():
    solved = read(plane_putt(12, side_right=0.02))
    names = [
        name for school in SCHOOLS.values() for name in school.members(school.value(solved, USUAL_GOLFER))
    ]
    assert len(names) == len(set(names)) >= 6
