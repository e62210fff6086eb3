"""Shoes from above."""

import math

from orthocline.drawing.scene import Spot, Spots, spots_of


def shoe(heel: Spot, length: float, half: float) -> Spots:
    """Return a shoe from above, round at heel and toe: it points right, or left by a length below 0."""
    way, far = math.copysign(1.0, length), abs(length)
    half = min(half, 0.5 * far)
    round_toe = [math.radians(30.0 * i - 90.0) for i in range(7)]
    toe = [(far - half + half * math.cos(turn), half * math.sin(turn)) for turn in round_toe]
    back = [(half - half * math.cos(turn), -half * math.sin(turn)) for turn in round_toe]
    return spots_of(*((heel.x + way * x, heel.y + y) for x, y in (*toe, *back)))
