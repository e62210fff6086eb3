"""The scan of a green as open data: heights on a grid, where nothing was measured, and how sure they are."""

from typing import Annotated, Any

import numpy as np
from pydantic import Field, field_validator

from orthocline.core.ground import LEAST_NODES, Grid
from orthocline.core.survey import Scan
from orthocline.core.units import PERCENT
from orthocline.formats.part import WHOLE, Coordinate, Height, Part, even_rows

MOST_NODES = 60_000
DECIMALS = 5
"""Of heights [m]: a quarter of a metre apart, a rounded tenth of a millimetre would show in slopes."""
Run = Annotated[list[Annotated[int, Field(ge=0, le=MOST_NODES), WHOLE]], Field(min_length=3, max_length=3)]


class ScanPart(Part):
    """Heights on a square grid; the first row lies at the smallest y."""

    origin_m: Annotated[list[Coordinate], Field(min_length=2, max_length=2)]
    spacing_m: Annotated[float, Field(ge=0.05, le=2.0)]
    heights_m: Annotated[list[list[Height]], Field(min_length=LEAST_NODES)]
    unseen: Annotated[list[Run], Field(max_length=MOST_NODES, description="row, first column, how many")]
    within_percent: Annotated[float, Field(ge=0.0, le=25.0, description="95 %, of a slope")]
    within_m: Annotated[float, Field(ge=0.0, le=10.0, description="95 %, of a height")]

    @field_validator("heights_m")
    @classmethod
    def _even(cls, heights: list[list[float]]) -> list[list[float]]:
        return even_rows(heights, MOST_NODES)

    @property
    def scan(self) -> Scan:
        """The scan as the core has it; raises ValueError where nothing of it was seen."""
        heights = np.array(self.heights_m)
        seen = np.ones(heights.shape, dtype=np.bool_)
        for row, first, count in self.unseen:
            seen[row : row + 1, first : first + count] = False
        if not seen.any():
            raise ValueError("nothing of it was seen")
        grid = Grid((self.origin_m[0], self.origin_m[1]), self.spacing_m, heights)
        return Scan(grid, seen, 0.5 * self.within_m, 0.5 * PERCENT * self.within_percent)


def scan_members(scan: Scan) -> dict[str, Any]:
    """Return a scan as a document has it, heights to a hundredth of a millimetre."""
    return {
        "origin_m": list(scan.grid.origin_m),
        "spacing_m": scan.grid.spacing_m,
        "heights_m": np.round(scan.grid.heights_m, DECIMALS).tolist(),
        "unseen": _unseen(scan),
        "within_percent": 2.0 * scan.slope_sd / PERCENT,
        "within_m": 2.0 * scan.height_sd_m,
    }


def _unseen(scan: Scan) -> list[list[int]]:
    """Return the runs of each row that were not seen."""
    hidden = np.pad(~scan.seen, ((0, 0), (1, 1))).astype(np.int8)
    rows, turns = np.nonzero(np.diff(hidden, axis=1))
    return [
        [int(row), int(first), int(end - first)]
        for row, first, end in zip(rows[::2], turns[::2], turns[1::2], strict=True)
    ]
