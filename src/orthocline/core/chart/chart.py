"""A green as its golfer charted it: one value, of which every edit makes another."""

from dataclasses import dataclass, replace
from typing import Any, Final, Literal

from orthocline.core.chart.site import Site
from orthocline.core.instruments import INSTRUMENTS, Gives
from orthocline.core.relief import FEWEST_CORNERS, Outline
from orthocline.core.survey import GrainArea, Scan

Place = tuple[float, float]
Part = Literal["corners", "readings", "pins", "grain"]
MOST: Final[dict[Part, int]] = {"corners": 60, "readings": 300, "pins": 40, "grain": 12}
"""So much of each a chart holds."""
LEAST_AREA_M2: Final = 5.0
"""No green is smaller."""
FARTHEST_M: Final = 60.0
"""Nothing on a chart lies further from its origin."""


class ChartError(ValueError):
    """An edit that makes no chart; the message says why."""


@dataclass(frozen=True)
class ChartReading:
    """Something found out at a place of a green.

    Attributes
    ----------
    at_m : tuple of float
        Where [m].
    by : str
        The instrument's name in the registry.
    toward_rad : float
        The way along which the ground falls, counter-clockwise from +x; nought for a height.
    size : float or None
        Fall that way [ratio], or height [m]; None where only the way is known.
    within : float or None
        Within how much of it it is said to be (95 %); it goes before the instrument.
    """

    at_m: Place
    by: str
    toward_rad: float = 0.0
    size: float | None = None
    within: float | None = None

    @property
    def gives(self) -> Gives:
        """What it reads."""
        return INSTRUMENTS[self.by].gives


@dataclass(frozen=True)
class ChartPin:
    """A place where the hole is cut, or was."""

    at_m: Place
    name: str
    retired: bool = False


@dataclass(frozen=True)
class Chart:
    """What is charted of a green.

    Attributes
    ----------
    corners : tuple of tuple of float
        Places of its edge [m], in their order; none until it is drawn.
    readings, pins, grain : tuple
        In the order in which they came.
    scan : Scan or None
        Its ground as it was measured densely, if it was.
    site : Site or None
        Where it lies in the coordinates of those who measured it, if that is known.
    """

    corners: tuple[Place, ...] = ()
    readings: tuple[ChartReading, ...] = ()
    pins: tuple[ChartPin, ...] = ()
    grain: tuple[GrainArea, ...] = ()
    scan: Scan | None = None
    site: Site | None = None

    @property
    def outline(self) -> Outline | None:
        """Its edge; None until it has three corners."""
        return Outline(self.corners) if len(self.corners) >= FEWEST_CORNERS else None

    @property
    def has_ground(self) -> bool:
        """Whether anything is known of the ground within its edge."""
        return self.outline is not None and bool(self.readings or self.scan)

    def part(self, part: Part) -> tuple[Any, ...]:
        """Return one part of it."""
        return tuple(getattr(self, part))

    def added(self, part: Part, one: Any, before: int | None = None) -> "Chart":
        """Return it with one more, last or before another; raises ChartError where it is full."""
        held = self.part(part)
        if len(held) >= MOST[part]:
            raise ChartError(f"A chart holds {MOST[part]} {part} at most.")
        at = len(held) if before is None else before
        return self._of(part, (*held[:at], one, *held[at:]))

    def changed(self, part: Part, i: int, one: Any) -> "Chart":
        """Return it with one of a part as another; raises ChartError where there is none of that number."""
        held = self._holding(part, i)
        return self._of(part, (*held[:i], one, *held[i + 1 :]))

    def removed(self, part: Part, i: int) -> "Chart":
        """Return it without one; raises ChartError where there is none of that number, or it must stay."""
        held = self._holding(part, i)
        if part == "corners" and len(held) <= FEWEST_CORNERS:
            raise ChartError("An outline needs three corners: move this one instead.")
        return self._of(part, (*held[:i], *held[i + 1 :]))

    def moved(self, part: Part, i: int, at_m: Place) -> "Chart":
        """Return it with one of a part in another place."""
        one = self._holding(part, i)[i]
        return self.changed(part, i, at_m if part == "corners" else replace(one, at_m=at_m))

    def read(self, readings: tuple[ChartReading, ...]) -> "Chart":
        """Return it with more readings; raises ChartError where they are too many, or lie too far off."""
        if len(self.readings) + len(readings) > MOST["readings"]:
            raise ChartError(f"A chart holds {MOST['readings']} readings at most.")
        return self._of("readings", (*self.readings, *readings))

    def edged(self, corners: tuple[Place, ...]) -> "Chart":
        """Return it with another edge; raises ChartError for one that encloses no green."""
        if not FEWEST_CORNERS <= len(corners) <= MOST["corners"]:
            raise ChartError(f"An edge has {FEWEST_CORNERS} to {MOST['corners']} corners.")
        return self._of("corners", corners)

    def _holding(self, part: Part, i: int) -> tuple[Any, ...]:
        held = self.part(part)
        if not 0 <= i < len(held):
            raise ChartError("That is not on the chart any more.")
        return held

    def _of(self, part: Part, held: tuple[Any, ...]) -> "Chart":
        places = [one if part == "corners" else one.at_m for one in held]
        if any(max(abs(x), abs(y)) > FARTHEST_M for x, y in places):
            raise ChartError(f"A chart reaches {FARTHEST_M:g} metres from its front edge at most.")
        parts: dict[str, Any] = {part: held}
        edited = replace(self, **parts)
        if part == "corners" and edited.outline and edited.outline.area_m2 < LEAST_AREA_M2:
            raise ChartError("That edge encloses no green: it has no room within.")
        return edited
