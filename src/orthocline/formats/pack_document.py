"""The pack of a day as open data: its tables in whole numbers, and the greens and pins that they are of."""

from collections.abc import Mapping, Sequence
from typing import Any, Final

import numpy as np

from orthocline.core.pack import Axis, Table

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


def table_of(document: Mapping[str, Any]) -> Table:
    """Return a table from `table_document`."""
    axes = tuple(Axis(one["least"], one["most"], one["count"], one["round"]) for one in document["axes"])
    shape = tuple(one.count for one in axes)
    figures = [
        np.array(values, dtype=float).reshape(shape) * step
        for values, step in zip(document["values"], document["steps"], strict=True)
    ]
    return Table(axes, np.stack(figures, axis=-1))


def _whole(values: np.ndarray[Any, np.dtype[np.float64]]) -> Sequence[int | None]:
    return [None if one != one else round(one) for one in values.ravel().tolist()]
