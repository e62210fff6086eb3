"""Clues of grain: what is seen on the cup's rim and on the grass, and what it says together."""

import itertools
import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from orthocline.core.instruments import GRAIN_WAY_SD_RAD

CONFLICT_RAD: Final = 0.5 * math.pi
"""Clues whose ways are further apart contradict each other."""
SAME_RAD: Final = 1e-9


@dataclass(frozen=True)
class ClueKind:
    """A kind of clue.

    Attributes
    ----------
    name : str
        What it goes by.
    away : bool
        Whether grass grows away from where it is seen, not toward it.
    weight : float
        How much it counts against others.
    doubted : float
        What is left of that where something else may be the cause of what is seen.
    """

    name: str
    away: bool
    weight: float
    doubted: float


CLUES: Final[dict[str, ClueKind]] = {
    one.name: one
    for one in (
        ClueKind("worn", away=False, weight=1.0, doubted=0.0),
        ClueKind("sharp", away=True, weight=1.0, doubted=0.0),
        ClueKind("clippings", away=False, weight=0.5, doubted=0.25),
        ClueKind("shiny", away=False, weight=1.0, doubted=0.5),
        ClueKind("dark", away=True, weight=1.0, doubted=0.5),
    )
}
"""By name. A cup's edge wears on the low side too, and then says nothing; clippings blow about; of a sheen
seen under cloud half is left. A sheen is seen along a way of looking, the others on a side of the cup."""


@dataclass(frozen=True)
class Clue:
    """One thing seen.

    Attributes
    ----------
    kind : str
        What it is, by its name in `CLUES`.
    seen_rad : float
        The side of the cup on which it is, or the way in which one looks; clockwise from the way to the hole.
    doubtful : bool
        Whether something else may be its cause.
    """

    kind: str
    seen_rad: float
    doubtful: bool = False

    @property
    def toward_rad(self) -> float:
        """The way in which the grass grows by it, clockwise from the way to the hole."""
        return self.seen_rad + (math.pi if CLUES[self.kind].away else 0.0)

    @property
    def weight(self) -> float:
        """How much it counts."""
        kind = CLUES[self.kind]
        return kind.doubted if self.doubtful else kind.weight


@dataclass(frozen=True)
class GrainWay:
    """The way that grass grows, by its clues.

    Attributes
    ----------
    toward_rad : float
        Clockwise from the way to the hole.
    sd_rad : float
        How sure that is, as a standard deviation.
    """

    toward_rad: float
    sd_rad: float


def at_odds(clues: Sequence[Clue]) -> tuple[tuple[int, int], ...]:
    """Return which clues contradict each other.

    Parameters
    ----------
    clues : sequence of Clue
        Any.

    Returns
    -------
    tuple of tuple of two int
        Their places in the list, the pairs furthest apart first. What counts for nothing is no part of any.
    """
    counting = [(i, one.toward_rad) for i, one in enumerate(clues) if one.weight > 0.0]
    pairs = [
        (abs(math.remainder(one - other, 2.0 * math.pi)), i, j)
        for (i, one), (j, other) in itertools.combinations(counting, 2)
    ]
    found = sorted((-apart, i, j) for apart, i, j in pairs if apart > CONFLICT_RAD + SAME_RAD)
    return tuple((i, j) for _, i, j in found)


def combined(clues: Sequence[Clue]) -> GrainWay | None:
    """Return the way that clues give together.

    Parameters
    ----------
    clues : sequence of Clue
        Any.

    Returns
    -------
    GrainWay or None
        The way of the sum of their unit vectors, each as long as its clue counts; as sure as that sum is
        long. None where no clue counts, or where any contradict each other.
    """
    if at_odds(clues):
        return None
    ahead, right = (sum(one.weight * part(one.toward_rad) for one in clues) for part in (math.cos, math.sin))
    length = math.hypot(ahead, right)
    if length <= SAME_RAD:
        return None
    return GrainWay(math.atan2(right, ahead), GRAIN_WAY_SD_RAD / math.sqrt(length))
