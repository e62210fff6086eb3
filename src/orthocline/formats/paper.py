"""Sizes of pages and papers, and how pages are laid on a sheet."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final, NamedTuple

MARGIN_MM: Final = 5.0
"""Nearer to the edge a printer leaves out what is printed."""


class Size(NamedTuple):
    """How large a page or a sheet is."""

    wide_mm: float
    tall_mm: float

    @property
    def turned(self) -> "Size":
        """The same on its side."""
        return Size(self.tall_mm, self.wide_mm)


@dataclass(frozen=True)
class Sheet:
    """A sheet of paper, and where the upper left corners of pages lie on it [mm]."""

    size: Size
    places: tuple[tuple[float, float], ...]


PAPERS: Final[Mapping[str, Size | None]] = {
    "a4": Size(210.0, 297.0),
    "letter": Size(215.9, 279.4),
    "each": None,
}
"""Papers by name; each page for itself has none."""


def laid(page: Size, paper: str) -> Sheet:
    """Return a sheet with as many pages as it takes, upright or on its side; of a page too large one alone.

    Parameters
    ----------
    page : Size
        How large each page is.
    paper : str
        One of `PAPERS`.
    """
    sheet = PAPERS[paper]
    if sheet is None:
        return Sheet(page, ((0.0, 0.0),))
    most = max((_filled(page, one) for one in (sheet, sheet.turned)), key=lambda one: len(one.places))
    return most if most.places else Sheet(page, ((0.0, 0.0),))


def _filled(page: Size, sheet: Size) -> Sheet:
    across = int((sheet.wide_mm - 2.0 * MARGIN_MM) // page.wide_mm)
    down = int((sheet.tall_mm - 2.0 * MARGIN_MM) // page.tall_mm)
    left = 0.5 * (sheet.wide_mm - across * page.wide_mm)
    top = 0.5 * (sheet.tall_mm - down * page.tall_mm)
    places = [
        (left + column * page.wide_mm, top + row * page.tall_mm)
        for row in range(down)
        for column in range(across)
    ]
    return Sheet(sheet, tuple(places))
