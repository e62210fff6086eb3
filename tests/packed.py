"""A table of the pack read back, as a phone does."""

import numpy as np

from orthocline.core.pack import Axis, Table


def table_of(document):
    """Return a table from its document."""
    axes = tuple(Axis(one["least"], one["most"], one["count"], one["round"]) for one in document["axes"])
    shape = tuple(one.count for one in axes)
    figures = [
        np.array(values, dtype=float).reshape(shape) * step
        for values, step in zip(document["values"], document["steps"], strict=True)
    ]
    return Table(axes, np.stack(figures, axis=-1))
