"""A whole green for one day: at every place, how a hole cut there would play."""

from orthocline.core.study.place import (
    AWAY_FT,
    LONG_FT,
    TRIES,
    WAYS,
    Played,
    Study,
    places_of,
    played_at,
    study_of,
)
from orthocline.core.study.ranked import (
    APART_M,
    FROM_EDGE_M,
    HOLDS,
    HOLED_3FT,
    HOLED_6FT,
    MOST_RANKED,
    THREE_PUTTS,
    Holes,
    Ranked,
)

__all__ = [
    "APART_M",
    "AWAY_FT",
    "FROM_EDGE_M",
    "HOLDS",
    "HOLED_3FT",
    "HOLED_6FT",
    "LONG_FT",
    "MOST_RANKED",
    "THREE_PUTTS",
    "TRIES",
    "WAYS",
    "Holes",
    "Played",
    "Ranked",
    "Study",
    "places_of",
    "played_at",
    "study_of",
]
