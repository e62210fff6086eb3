"""What a golfer feels against the level, as it is drawn."""

import pytest

from orthocline.core.ground import SlopePair, sense
from orthocline.drawing.account.senses import senses_drawing
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording

PAIRS = [SlopePair(0.01 * i, 0.007 * i) for i in range(1, 6)]


def test_pairs_lie_on_their_line_and_below_that_where_both_are_the_same():
    scene = senses_drawing(PAIRS, sense(PAIRS), "feel", USUAL_WORDING)
    line, same = scene.item("own-line").spots, scene.item("same").spots
    found = scene.items_named("pair")
    assert len(found) == 5
    for disc in found:
        share = (disc.at.x - line[0, 0]) / (line[1, 0] - line[0, 0])
        assert disc.at.y == pytest.approx(line[0, 1] + share * (line[1, 1] - line[0, 1]), abs=0.01)
        assert disc.at.y > same[0, 1] + share * (same[1, 1] - same[0, 1]), "the level says less"


def test_without_enough_pairs_there_is_no_line_and_what_lies_outside_stands_at_the_edge():
    scene = senses_drawing([SlopePair(0.09, 0.12)], None, "see", Wording(Units(degrees=True)))
    assert scene.items_named("own-line") == []
    (disc,) = scene.items_named("pair")
    same = scene.item("same").spots
    assert (disc.at.x, disc.at.y) == pytest.approx(same[1].tolist())
    assert all("%" not in getattr(one, "text", "") for one in scene.items)
