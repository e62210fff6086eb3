"""What is left of things on a sheet of which a part is not seen: at nan."""

from collections.abc import Iterable, Iterator
from dataclasses import replace

import numpy as np

from orthocline.drawing.scene import Area, Disc, Group, Item, Line, Spots, Strokes, Words, fewest

CORNERS = 3
"""An area of fewer is nothing."""
CURVE = 5
"""A line of so many places is drawn through fewer where that looks the same."""


def seen_items(items: Iterable[Item]) -> Iterator[Item]:
    """Yield what is seen: lines in the parts that are, the rest where it is."""
    for item in items:
        match item:
            case Line():
                yield from (replace(item, spots=_fewer(run)) for run in runs(item.spots))
            case Strokes():
                seen = whole_strokes(item.spots)
                yield from (replace(item, spots=seen),) if len(seen) else ()
            case Area():
                seen = item.spots[~np.isnan(item.spots).any(axis=1)]
                yield from (replace(item, spots=_fewer(seen)),) if len(seen) >= CORNERS else ()
            case Group():
                yield replace(item, items=tuple(seen_items(item.items)))
            case Disc() | Words() if not np.isnan(item.at).any():
                yield item


def _fewer(spots: Spots) -> Spots:
    return fewest(spots) if len(spots) >= CURVE else spots


def whole_strokes(strokes: Spots) -> Spots:
    """Return the strokes of which both ends are seen, shape (2 n, 2)."""
    pairs = strokes.reshape(-1, 2, 2)
    return np.asarray(pairs[~np.isnan(pairs).any(axis=(1, 2))].reshape(-1, 2))


def runs(spots: Spots) -> Iterator[Spots]:
    """Yield the parts of a line that are seen, each of two places or more."""
    seen = np.flatnonzero(~np.isnan(spots).any(axis=1))
    for run in np.split(seen, np.flatnonzero(np.diff(seen) > 1) + 1):
        if len(run) > 1:
            yield spots[run]
