"""How a drill is set up: from above, true to scale, with its distances as a field sheet has them."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from orthocline.core.constants import BALL_RADIUS_M, HOLE_RADIUS_M
from orthocline.core.drills import Ball, Drill, Mark, MarkKind
from orthocline.drawing.labels import Room, Wanted, ink_of, place_labels
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Spots,
    Strokes,
    Words,
    box,
    spots_of,
)
from orthocline.drawing.shoes import shoe
from orthocline.wording.train.drills import mark_words
from orthocline.wording.wording import Hand, Wording

WIDTH: Final = 520.0
TOP, TALL, UNDER = 46.0, 478.0, 36.0
"""Above the marks, how high they are drawn at most, and below them."""
MIDDLE: Final = {Hand.RIGHT: 262.0, Hand.LEFT: 218.0}
"""Where the middle of the marks stands: beside the golfer is room for what they are."""
WIDEST, ASIDE = 256.0, 142.0
"""Marks are drawn so wide together, and the golfer stands so far aside at most."""
RULE_X: Final = 100.0
"""Distances stand on a rule at this x."""
LEAST_BALL, LEAST_HOLE, LEAST_COIN, LEAST_TEE = 5.0, 6.0, 5.0, 3.5
COIN_M: Final = 0.012
TOES_M, FEET_M, SHOE_HALF_M = 0.22, 0.15, 0.05
"""From the line to the toes, from the ball to either foot along it, and half a shoe's width."""
APART: Final = 44.0
"""Distances that lie closer on the sheet are not both written."""


@dataclass(frozen=True)
class SetupFrame:
    """From metres of a set-up to units of the sheet: the ball at the foot, the line up.

    Attributes
    ----------
    scale : float
        Units of the sheet per metre, the same both ways.
    near_m, middle_m : float
        What lies at the foot of the drawing, and what in its middle across [m].
    middle, bottom : float
        Where that middle and that foot stand on the sheet.
    """

    scale: float
    near_m: float
    middle_m: float
    middle: float
    bottom: float

    def spot(self, along_m: float, right_m: float) -> Spot:
        """Return where a place lies on the sheet."""
        x = self.middle + self.scale * (right_m - self.middle_m)
        return Spot(x, self.bottom - self.scale * (along_m - self.near_m))


def setup_frame(drill: Drill, wording: Wording) -> SetupFrame:
    """Return the frame in which all of a drill's marks lie on the sheet, and the golfer stands on it."""
    corners, stance = np.vstack([_corners(one) for one in drill.marks]), _stance(wording)
    (near, left), (far, right) = corners.min(axis=0).tolist(), corners.max(axis=0).tolist()
    near = min(near, float(stance[:, 0].min()))
    aside = float(np.abs(stance[:, 1] - 0.5 * (left + right)).max())
    scale = min(
        *(TALL / max(far - near, 0.5), WIDEST / max(right - left, 0.1)),
        ASIDE / aside,
    )
    bottom = TOP + scale * (far - near)
    return SetupFrame(scale, near, 0.5 * (left + right), MIDDLE[wording.hand], bottom)


def _corners(mark: Mark) -> Spots:
    """Return the places that a mark takes, along and to the right [m]."""
    half, deep = 0.5 * mark.wide_m, mark.deep_m
    if mark.kind is MarkKind.RING:
        return spots_of(
            (mark.along_m - deep, mark.right_m - deep), (mark.along_m + deep, mark.right_m + deep)
        )
    return spots_of((mark.along_m, mark.right_m - half), (mark.along_m + deep, mark.right_m + half))


def _stance(wording: Wording) -> Spots:
    """Return the corners of where the golfer stands, along and to the right [m]."""
    toes, heels = (_side(wording) * aside for aside in (TOES_M, TOES_M + wording.calibration.shoe_m))
    along = FEET_M + SHOE_HALF_M
    return spots_of((-along, min(toes, heels)), (along, max(toes, heels)))


def _side(wording: Wording) -> float:
    """Return on which side of the line the golfer stands: 1 to the right, where left-handers do."""
    return 1.0 if wording.hand is Hand.LEFT else -1.0


def _feet(frame: SetupFrame, wording: Wording) -> Iterator[Item]:
    way, length = _side(wording), frame.scale * wording.calibration.shoe_m
    for along in (FEET_M, -FEET_M):
        heel = frame.spot(along, way * (TOES_M + wording.calibration.shoe_m))
        spots = shoe(heel, -way * length, frame.scale * SHOE_HALF_M)
        yield Area(spots, Sign.QUIET, Fill.OPEN, 1.4, name="foot")


def setup_drawing(drill: Drill, wording: Wording, ball: Ball | None = None) -> Scene:
    """Return the set-up of a drill, with the distances along it in the golfer's units and paces.

    The `ball` that is putted next has its line, where the drill has one line.
    """
    frame = setup_frame(drill, wording)
    height = frame.bottom + UNDER
    ground = Area(box(0.0, 0.0, WIDTH, height), fill=Fill.GROUND, name="sheet")
    items: list[Item] = [ground, *_feet(frame, wording)]
    if ball and not any(mark.kind is MarkKind.RING for mark in drill.marks):
        ends = spots_of(frame.spot(0.0, 0.0), frame.spot(ball.to_m, 0.0))
        items.append(Line(ends, Sign.DO, 3.0, name="next"))
    wanted: list[Wanted] = []
    for mark in drill.marks:
        items += _MARKS[mark.kind](mark, frame)
        text = mark_words(mark, wording)
        if text:
            wanted.append(Wanted(text, _named_at(mark, frame), "right", Sign.INK))
    rule = list(_rule(drill.marks, frame, wording))
    room = Room(left=RULE_X + 14.0, right=WIDTH - 6.0, top=22.0, bottom=height - 8.0)
    labels = [item for label in place_labels(wanted, ink_of(items[1:]), room) for item in label.items]
    data = {"scale": frame.scale}
    return Scene("setup", WIDTH, height, f"{drill.name}: {drill.how}", (*items, *rule, *labels), data)


def _named_at(mark: Mark, frame: SetupFrame) -> Spot:
    if mark.kind is MarkKind.RING:
        return frame.spot(mark.along_m + 0.7 * mark.deep_m, mark.right_m + 0.7 * mark.deep_m)
    share = {MarkKind.COIN: 0.0, MarkKind.STRING: 0.75}.get(mark.kind, 0.5)
    along = mark.along_m + share * mark.deep_m
    return frame.spot(along, mark.right_m + 0.5 * mark.wide_m)


def _ball(mark: Mark, frame: SetupFrame) -> Iterator[Item]:
    radius = max(frame.scale * BALL_RADIUS_M, LEAST_BALL)
    yield Disc(frame.spot(mark.along_m, mark.right_m), radius, Sign.INK, Fill.OPEN, 2.2, name="ball")


def _hole(mark: Mark, frame: SetupFrame) -> Iterator[Item]:
    radius = max(frame.scale * HOLE_RADIUS_M, LEAST_HOLE)
    yield Disc(frame.spot(mark.along_m, mark.right_m), radius, Sign.INK, name="hole")


def _coin(mark: Mark, frame: SetupFrame) -> Iterator[Item]:
    radius = max(frame.scale * COIN_M, LEAST_COIN)
    yield Disc(frame.spot(mark.along_m, mark.right_m), radius, Sign.DO, Fill.OPEN, 2.4, name="coin")


def _gate(mark: Mark, frame: SetupFrame) -> Iterator[Item]:
    """Yield two tees, and a line between them where they are too close to be told apart."""
    posts = [frame.spot(mark.along_m, mark.right_m + way * 0.5 * mark.wide_m) for way in (-1.0, 1.0)]
    yield Line(spots_of(*posts), Sign.DO, 1.4, "2 3", name="gate")
    for post in posts:
        yield Disc(post, LEAST_TEE, Sign.DO, name="post")


def _zone(mark: Mark, frame: SetupFrame) -> Iterator[Item]:
    (near, left), (far, right) = _corners(mark).tolist()
    corners = [frame.spot(*one) for one in ((near, left), (far, left), (far, right), (near, right))]
    yield Area(spots_of(*corners), Sign.REAL, Fill.SOLID, shade=0.15, name="zone")
    yield Line(spots_of(*corners, corners[0]), Sign.REAL, 1.6, "6 4", name="zone-edge")


def _string(mark: Mark, frame: SetupFrame) -> Iterator[Item]:
    ends = frame.spot(mark.along_m, mark.right_m), frame.spot(mark.along_m + mark.deep_m, mark.right_m)
    yield Line(spots_of(*ends), Sign.DO, 1.6, "10 4", name="string")


def _ring(mark: Mark, frame: SetupFrame) -> Iterator[Item]:
    middle, radius = frame.spot(mark.along_m, mark.right_m), frame.scale * mark.deep_m
    yield Disc(middle, radius, Sign.QUIET, None, 1.2, "3 4", name="ring")
    for number in range(mark.balls):
        turn = math.tau * number / mark.balls
        at = Spot(middle.x + radius * math.sin(turn), middle.y + radius * math.cos(turn))
        yield Disc(at, LEAST_BALL, Sign.INK, Fill.OPEN, 1.8, name="ringed")


_MARKS: Final = {
    MarkKind.BALL: _ball,
    MarkKind.HOLE: _hole,
    MarkKind.COIN: _coin,
    MarkKind.GATE: _gate,
    MarkKind.ZONE: _zone,
    MarkKind.STRING: _string,
    MarkKind.RING: _ring,
}


def _rule(marks: Sequence[Mark], frame: SetupFrame, wording: Wording) -> Iterator[Item]:
    """Yield the rule of distances from the ball, each mark's with its paces."""
    far = sorted({one.along_m for one in marks if one.along_m > 0.0 and one.kind is not MarkKind.RING})
    start = frame.spot(0.0, 0.0).y
    ends, said = [], math.inf
    for along in far:
        y = frame.spot(along, 0.0).y
        ends += [(RULE_X - 7.0, y), (RULE_X + 7.0, y)]
        if abs(said - y) >= APART and start - y >= APART:
            yield Words(wording.far(along), Spot(RULE_X - 14.0, y), Sign.INK, "end")
            yield Words(wording.paces(along), Spot(RULE_X - 14.0, y + 18.0), Sign.QUIET, "end")
            said = y
    if far:
        top = frame.spot(far[-1], 0.0).y
        yield Line(spots_of((RULE_X, start), (RULE_X, top)), Sign.QUIET, 1.2, name="rule")
        yield Strokes(spots_of((RULE_X - 7.0, start), (RULE_X + 7.0, start), *ends), Sign.QUIET, 1.2)
