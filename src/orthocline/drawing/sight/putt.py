"""What stands and lies on a putt's ground, as an eye has it: its line, the hole with its stick, the ball."""

import math
from collections.abc import Iterator

import numpy as np

from orthocline.core.constants import BALL_RADIUS_M, HOLE_RADIUS_M
from orthocline.core.units import FOOT_M
from orthocline.drawing.roll.hole_frame import line_from_ball
from orthocline.drawing.scene import Area, Disc, Fill, Item, Line, Sign, Spot, Spots
from orthocline.drawing.sight.sight import Sight

FLAG_M = 7.0 * FOOT_M
LEAST_HOLE, LEAST_BALL = 4.0, 4.0


def putt_items(sight: Sight, *, flag: bool = True) -> Iterator[Item]:
    """Yield the ball-hole line, and the hole with its flagstick."""
    yield Line(line_from_ball(sight.putt, (0.0, 0.0), sight), Sign.INK, 1.6, "0.1 6", name="ball-hole")
    yield Area(_hole(sight), Sign.INK, name="hole")
    if flag:
        ups = np.linspace(0.0, FLAG_M, 40)
        foot = sight.ground(np.zeros(1), np.zeros(1))
        yield Line(sight.of(foot + np.outer(ups, (0.0, 0.0, 1.0))), Sign.INK, 2.0, name="flagstick")


def ball_item(sight: Sight, name: str, sign: Sign = Sign.INK) -> Disc:
    """Return the ball where it lies, or one that rolls when that is asked."""
    ((x, y),) = sight.of(np.array([(0.0, 0.0, BALL_RADIUS_M)])).tolist()
    radius = max(sight.scale_at(-sight.putt.length_m, 0.0) * BALL_RADIUS_M, LEAST_BALL)
    at = Spot(round(x, 1), round(y, 1))
    return Disc(at, radius, sign, Fill.OPEN, 2.2, name=name, hidden=name != "ball")


def _hole(sight: Sight) -> Spots:
    """Return the hole as it is seen, drawn larger where it would be too small."""
    round_hole = sight.round(0.0, HOLE_RADIUS_M)
    wide = float(np.ptp(round_hole[:, 0])) if not np.isnan(round_hole).any() else math.inf
    middle = np.array(sight.hole)
    return np.asarray(middle + (round_hole - middle) * max(2.0 * LEAST_HOLE / max(wide, 1e-6), 1.0))
