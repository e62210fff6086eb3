"""A card's face: nothing touches anything else, whatever it says."""

import pytest

from orthocline.core.calls import USUAL_GOLFER
from orthocline.core.cards import Conditions, Grid, cards_of
from orthocline.drawing.carry.card import HEIGHT, WIDTH, card_face
from orthocline.drawing.scene import Line
from orthocline.wording.carry.cards import KINDS, faces_of
from orthocline.wording.units import Units
from orthocline.wording.wording import Bend, Wording
from tests.labels import boxes_of

FOOT = 0.3048
EXTREMES = {
    "long and fast": (13.0, 0.15, (0.3, 6.0, 9.0, 12.5, 20.0, 30.0), (0.005, 0.025, 0.055, 0.075), 0.045),
    "short and slow": (6.0, 1.5, (0.3, 0.45, 0.75), (0.001, 0.08), 0.08),
    "the usual": (10.2, FOOT, (1.0, 1.5, 2.5, 4.0, 6.0, 9.0), (0.01, 0.02, 0.03, 0.04), 0.02),
}
WORDINGS = {
    "feet": Wording(),
    "metric": Wording(Units(metric=True, degrees=True), bend=Bend.BORROW),
}


@pytest.mark.parametrize("said", WORDINGS)
@pytest.mark.parametrize("extreme", EXTREMES)
def test_words_touch_neither_each_other_nor_the_edge_nor_a_rule(extreme, said):
    speed, past, lengths, tilts, rise = EXTREMES[extreme]
    grid = Grid(lengths, tilts, (0.0, rise, -rise), 3.0)
    cards = cards_of(Conditions(speed, past), grid, USUAL_GOLFER)
    for face in faces_of(cards, list(KINDS), WORDINGS[said], "27 Nov"):
        scene = card_face(face)
        boxes = [where for _, where in boxes_of(scene.items)]
        rules = [one.spots[0, 1] for one in scene.items if isinstance(one, Line)]
        for i, (left, top, right, foot) in enumerate(boxes):
            assert left >= 2.0, face
            assert right <= WIDTH - 2.0, face
            assert foot <= HEIGHT - 4.0, face
            assert not any(top < rule < foot for rule in rules), face
            for other in boxes[:i]:
                apart = right < other[0] or other[2] < left or foot < other[1] or other[3] < top
                assert apart, (face.title, boxes[i], other)
