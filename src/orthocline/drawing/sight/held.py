"""What is held up before the eye, at its true size: the fingers of a hand, and a shaft that hangs."""

import math
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from orthocline.core.calls import HandGauge, PlumbLine
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import LabelSide, Wanted
from orthocline.drawing.scene import Area, Fill, Item, Line, Sign, Spot, Spots, Strokes, spots_of
from orthocline.drawing.sight.sight import Sight
from orthocline.wording.calls.saying import fingers_words

FINGER_M, CLEAR_M = 0.075, 0.003
"""So much of a finger is seen, from so far above the hole's centre as the arm holds it."""
MOST = 20
"""More fingers are not drawn."""
TIP = np.linspace(math.pi, 0.0, 9)
SHAFT_M = 0.0095
"""Width of a putter's shaft at its foot."""
ABOVE_M, BELOW_M = 0.09, 0.02
"""A shaft is seen so far above the hole, and below the ball, as the arm holds it."""
TICK = 10.0


@dataclass(frozen=True)
class EyeSheet(PuttSheet):
    """A read as it is seen through an eye."""

    frame: Sight

    @property
    def outside(self) -> LabelSide:
        """The side to which the ball starts, as it is seen."""
        starts_right = self.read.launch_right_rad > 0.0
        return "right" if starts_right == (math.cos(self.frame.eye.heading_rad) > 0.0) else "left"

    @property
    def inside(self) -> LabelSide:
        """The side toward which the ball curves, as it is seen."""
        return "left" if self.outside == "right" else "right"

    @property
    def hole_down(self) -> float:
        """How steeply one looks down to the hole [ratio]."""
        return (self.frame.hole.y - self.frame.ahead.y) / self.frame.focal

    def held(self, toward_rad: float, arm_m: float, rights_m: Spots, ups_m: Spots) -> Spots:
        """Return where what is held upright at arm's length lies: right of a way of looking, and up [m]."""
        eye = self.frame.eye
        cos, sin = math.cos(toward_rad), math.sin(toward_rad)
        along = eye.along_m + arm_m * cos - rights_m * sin
        right = eye.right_m + arm_m * sin + rights_m * cos
        return self.frame.lay(eye.project(np.column_stack([along, right, ups_m])))


def fingers(sheet: EyeSheet, hand: HandGauge | None) -> Layer:
    """Return so many fingers, their edge on the hole's centre; a part of one is dashed."""
    aim = sheet.read.aim_right_m
    count = abs(hand.fingers) if hand else 0.0
    if hand is None or aim is None or count > MOST:
        return Layer()
    foot = sheet.frame.eye.up_m - hand.arm_m * sheet.hole_down + CLEAR_M
    side = math.copysign(1.0, aim)
    edges = [side * sheet.golfer.gauge.width_m(one) for one in range(math.ceil(count) + 1)]

    def laid(rights: Spots, ups: Spots) -> Spots:
        return sheet.held(0.0, hand.arm_m, rights, foot + ups)

    shapes = [laid(*_finger(*edge)) for edge in pairwise(edges)]
    whole = int(count)
    items: list[Item] = [
        Area(one, Sign.DO, Fill.OPEN, 1.4, shade=0.8, name="finger") for one in shapes[:whole]
    ]
    items += [
        Line(np.vstack([one, one[:1]]), Sign.DO, 1.2, "4 4", name="finger-part") for one in shapes[whole:]
    ]
    reach = side * sheet.golfer.gauge.width_m(count)
    upright = laid(np.array([reach, reach]), np.array([-CLEAR_M, FINGER_M]))
    items.append(Line(upright, Sign.DO, 1.4, name="fingers-end"))
    top = Spot(*upright[1].tolist())
    return Layer(tuple(items), (Wanted(fingers_words(hand.fingers), top, sheet.outside, Sign.DO),))


def _finger(edge_m: float, other_m: float) -> tuple[Spots, Spots]:
    """Return the outline of a finger held up: to the right and up from its foot [m]."""
    radius, middle = 0.5 * abs(other_m - edge_m), 0.5 * (edge_m + other_m)
    rights = np.concatenate([[middle - radius], middle + radius * np.cos(TIP), [middle + radius]])
    ups = np.concatenate([[0.0], FINGER_M - radius + radius * np.sin(TIP), [0.0]])
    return rights, ups


def shaft(sheet: EyeSheet, line: PlumbLine) -> Layer:
    """Return the shaft that hangs before the ball, by the edge that hangs truer, and where it leads."""
    eye, putter = sheet.frame.eye, sheet.golfer.putter
    arm = sheet.golfer.gauge.straight_m
    toward = math.atan2(-eye.right_m, -eye.along_m)
    ball = eye.up_m - arm * eye.up_m / math.hypot(eye.along_m, eye.right_m)
    ups = np.array([ball - BELOW_M, eye.up_m - arm * sheet.hole_down + ABOVE_M])

    def edge(hang: float, beside_m: float = 0.0) -> Spots:
        return sheet.held(toward, arm, beside_m - hang * (ups - ball), ups)

    items: list[Item] = []
    if putter.edge:
        other, wide = (putter.left, -SHAFT_M) if putter.edge == "right" else (putter.right, SHAFT_M)
        corners = np.vstack([edge(putter.hang), edge(other, wide)[::-1]])
        items.append(Area(corners, Sign.QUIET, shade=0.25, name="shaft"))
    items.append(Line(edge(putter.hang), Sign.INK, 2.2, "10 5", name="plumb-line"))
    at = sheet.frame.spot(0.0, line.right_m)
    items.append(Strokes(spots_of((at.x, at.y - TICK), (at.x, at.y + TICK)), Sign.INK, 4.0, name="plumb"))
    return Layer(tuple(items), (Wanted("plumb line", at, sheet.inside, Sign.INK),))
