"""How true a green rolls, in words."""

import math

from orthocline.core.speed import Trueness
from orthocline.wording.figures import tidy


def trueness_words(found: Trueness | None) -> str:
    """Return how far rolls scatter aside and the rating that this is, or how to find out."""
    if found is None:
        return "Three one way are enough: in the order of the rolls, as seen from the ramp; 0 is on its line."
    within = tidy(2.0 * math.degrees(found.scatter_rad), 1)
    return f"Rolls end within {within}° of their line: trueness {found.rating} of 5, kept with the speed."
