"""The pack of a day as open data: its tables in whole numbers, and the greens and pins that they are of."""

from collections.abc import Sequence
from typing import Any, Final

import numpy as np

from orthocline.core.pack import Table

VERSION: Final = 1
STEPS: Final = (1e-4, 0.01, 1.0)
"""To which launch angles [rad], lengths [m] and what is yes or no are rounded."""


def table_document(table: Table) -> dict[str, Any]:
    """Return a table as open data: axes, and for each figure its whole numbers, null for none.

    Parameters
    ----------
    table : Table
        Its figures are launch angle [rad], length [m] and, perhaps, whether the pace is met.
    """
    steps = STEPS[: table.values.shape[-1]]
    return {
        "axes": [
            {"least": one.least, "most": one.most, "count": one.count, "round": one.is_round}
            for one in table.axes
        ],
        "steps": list(steps),
        "values": [_whole(table.values[..., i] / step) for i, step in enumerate(steps)],
    }


def _whole(values: np.ndarray[Any, np.dtype[np.float64]]) -> Sequence[int | None]:
    return [None if one != one else round(one) for one in values.ravel().tolist()]
