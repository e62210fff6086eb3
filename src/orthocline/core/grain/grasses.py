"""Grasses by name, and how strongly each usually grows one way."""

from dataclasses import dataclass
from typing import Final

BENT, MIXED, STRONG = 0.03, 0.08, 0.15
"""Usual strengths of grain, each within half of itself."""


@dataclass(frozen=True)
class Grass:
    """A kind of grass, what it goes by, and the usual strength of its grain (gamma)."""

    name: str
    strength: float


GRASSES: Final[dict[str, Grass]] = {
    one.name: one
    for one in (
        Grass("bent", BENT),
        Grass("fescue", BENT),
        Grass("mixed", MIXED),
        Grass("meadow", MIXED),
        Grass("creeping", STRONG),
        Grass("strong", STRONG),
    )
}
"""By name, the weakest first."""
