"""Ways that grass grows and wind blows, as the golfer behind the ball sees them."""

import math
from collections.abc import Mapping

WAYS_DEG: Mapping[str, float] = {
    "hole": 0.0,
    "hole and left": 45.0,
    "left": 90.0,
    "ball and left": 135.0,
    "ball": 180.0,
    "ball and right": -135.0,
    "right": -90.0,
    "hole and right": -45.0,
}
"""The ways that have a name, in degrees to the left of the hole."""
SAME_DEG = 1e-4
"""A way so near one that has a name goes by it."""


def way_text(toward_rad: float) -> str:
    """Return the name of a way to the left of the hole, or its degrees to the left."""
    degrees = math.degrees(toward_rad)
    for name, named in WAYS_DEG.items():
        if abs(math.remainder(degrees - named, 360.0)) < SAME_DEG:
            return name
    return f"{math.remainder(degrees, 360.0):.7g}"


def way_rad(text: str) -> float | None:
    """Return a way by its name or its degrees to the left of the hole; None where it is neither."""
    if text in WAYS_DEG:
        return math.radians(WAYS_DEG[text])
    try:
        degrees = float(text)
    except ValueError:
        return None
    return math.radians(degrees) if abs(degrees) <= 180.0 else None


def way_words(text: str) -> str:
    """Return a way as a sentence has it: ``toward the hole``, ``48° left of the hole``."""
    if text in WAYS_DEG:
        return f"toward the {text}"
    degrees = float(text)
    return f"{abs(degrees):.0f}° {'left' if degrees > 0.0 else 'right'} of the hole"
