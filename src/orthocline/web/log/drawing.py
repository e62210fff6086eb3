"""The place to tap: rings round the cup, to scale, the golfer's eye up."""

from dataclasses import dataclass

from orthocline.core.api import FOOT_M, HOLE_RADIUS_M
from orthocline.db.models import LoggedPutt

SIZE = 600.0
MIDDLE = SIZE / 2
SPANS_FT = (3, 6, 15, 40)
"""How far from the hole the edge of the drawing may be."""
RINGS_FT = {3: (1, 2, 3), 6: (2, 4, 6), 15: (5, 10, 15), 40: (10, 20, 30, 40)}


@dataclass(frozen=True)
class Ring:
    """A circle round the hole, with its distance."""

    radius: float
    words: str


@dataclass(frozen=True)
class Target:
    """The drawing to tap on.

    Attributes
    ----------
    units_per_inch : float
        Scale of the drawing.
    dot : tuple of float, or None
        The finish as recorded so far.
    """

    span_ft: int
    units_per_inch: float
    hole_radius: float
    rings: tuple[Ring, ...]
    dot: tuple[float, float] | None


def target(putt: LoggedPutt, span: str) -> Target:
    """Return the drawing round the cup; without a wish, wide enough for the finish, else three feet."""
    span_ft = int(span) if span in map(str, SPANS_FT) else _span_for(putt)
    per_foot = (MIDDLE - 26.0) / span_ft
    rings = tuple(Ring(ft * per_foot, f"{ft} ft") for ft in RINGS_FT[span_ft])
    dot = None
    if putt.finish_along_m is not None and putt.finish_across_m is not None:
        scale = per_foot / FOOT_M
        dot = (MIDDLE + putt.finish_across_m * scale, MIDDLE - putt.finish_along_m * scale)
    return Target(span_ft, per_foot / 12, max(HOLE_RADIUS_M / FOOT_M * per_foot, 4.0), rings, dot)


def _span_for(putt: LoggedPutt) -> int:
    away = max(abs(putt.finish_along_m or 0.0), abs(putt.finish_across_m or 0.0)) / FOOT_M
    return next((span for span in SPANS_FT if away <= span), SPANS_FT[-1])
