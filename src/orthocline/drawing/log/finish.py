"""The place to tap: rings round the cup, to scale, the golfer's eye up."""

from collections.abc import Mapping
from dataclasses import dataclass

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.log import Finish
from orthocline.wording.figures import Wording

SIZE = 600.0
MIDDLE = SIZE / 2
RINGS: Mapping[str, Mapping[int, tuple[float, ...]]] = {
    "ft": {3: (1, 2, 3), 6: (2, 4, 6), 15: (5, 10, 15), 40: (10, 20, 30, 40)},
    "m": {1: (0.25, 0.5, 1), 2: (0.5, 1, 2), 5: (1, 3, 5), 12: (4, 8, 12)},
}
"""How far from the hole the edge of the drawing may be, with the rings drawn, by the golfer's unit."""


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
    span : int
        How far the edge is from the hole, in the golfer's unit.
    spans : tuple of int
        How far it may be.
    per_near : float
        Units of the drawing per inch or centimetre.
    dot : tuple of float, or None
        The finish as recorded so far.
    """

    span: int
    spans: tuple[int, ...]
    per_near: float
    hole_radius: float
    rings: tuple[Ring, ...]
    dot: tuple[float, float] | None


def target(finish: Finish | None, asked_span: str, wording: Wording) -> Target:
    """Return the drawing round the cup; without a wish, wide enough for the finish, else the nearest."""
    rings = RINGS[wording.far_unit]
    spans = tuple(rings)
    span = int(asked_span) if asked_span in map(str, spans) else _span_for(finish, spans, wording)
    scale = (MIDDLE - 26.0) / (span * wording.far_m)
    circles = tuple(
        Ring(ring * wording.far_m * scale, f"{ring:g} {wording.far_unit}") for ring in rings[span]
    )
    dot = None
    if finish:
        dot = (MIDDLE + finish.across_m * scale, MIDDLE - finish.along_m * scale)
    return Target(span, spans, wording.near_m * scale, max(HOLE_RADIUS_M * scale, 4.0), circles, dot)


def _span_for(finish: Finish | None, spans: tuple[int, ...], wording: Wording) -> int:
    away = max(abs(finish.along_m), abs(finish.across_m)) / wording.far_m if finish else 0.0
    return next((span for span in spans if away <= span), spans[-1])
