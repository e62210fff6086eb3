"""How large the rules of play let a page of a green book and its map be."""

from dataclasses import dataclass
from typing import Final

from orthocline.core.units import INCH_M, YARD_M

LARGEST_MAP: Final = 5.0 * YARD_M / (0.375 * INCH_M)
"""A map is at most three eighths of an inch to five yards, one to so many (as last known)."""
LARGEST_PAGE_M: Final = (4.25 * INCH_M, 7.0 * INCH_M)
"""And a page at most so wide and tall [m]."""
SLACK: Final = 1e-6


@dataclass(frozen=True)
class BookSize:
    """How large a book is made.

    Attributes
    ----------
    scale : float
        Its maps are one to so many.
    wide_m, tall_m : float
        Of a page [m].
    """

    scale: float = LARGEST_MAP
    wide_m: float = LARGEST_PAGE_M[0]
    tall_m: float = LARGEST_PAGE_M[1]

    @property
    def map_is_allowed(self) -> bool:
        """Whether its maps are no larger than what was last known to be allowed."""
        return self.scale >= LARGEST_MAP - SLACK

    @property
    def page_is_allowed(self) -> bool:
        """Whether its pages are no larger than that, upright or on their side."""
        least, most = sorted((self.wide_m, self.tall_m))
        return least <= LARGEST_PAGE_M[0] + SLACK and most <= LARGEST_PAGE_M[1] + SLACK
