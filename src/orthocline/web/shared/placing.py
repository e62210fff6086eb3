"""What is dragged or nudged on a drawing whose hole stays where it is: which handle, and where to."""

import math
from collections.abc import Mapping
from typing import NamedTuple

from orthocline.drawing.scene import Spot

FARTHEST_M = 100.0


class Moved(NamedTuple):
    """A handle that was moved to a place, right of the hole and beyond it [m]; `held` while it still is."""

    handle: str
    right_m: float
    beyond_m: float
    held: bool

    @property
    def round_deg(self) -> float:
        """How far clockwise round the hole it lies from straight below."""
        return math.degrees(math.atan2(-self.right_m, -self.beyond_m))

    @property
    def toward_deg(self) -> float:
        """Its direction from the hole, clockwise from straight beyond."""
        return math.degrees(math.atan2(self.right_m, self.beyond_m))


class Nudged(NamedTuple):
    """A handle that was nudged by keys: so many steps to the right and up."""

    handle: str
    right: int
    up: int


class Pin(NamedTuple):
    """A handle to be dragged: its name, what it says, and where it lies in percent of the drawing."""

    name: str
    label: str
    says: str
    left: float
    top: float


def pin_at(name: str, words: tuple[str, str], at: Spot, size: float) -> Pin:
    """Return a handle, with its label and what to do, at a place of a square sheet so large."""
    return pin_in(name, words, at, (size, size))


def pin_in(name: str, words: tuple[str, str], at: Spot, size: tuple[float, float]) -> Pin:
    """Return a handle, with its label and what to do, at a place of a sheet so wide and high."""
    return Pin(name, *words, round(100.0 * at.x / size[0], 2), round(100.0 * at.y / size[1], 2))


def moved_of(arguments: Mapping[str, str]) -> Moved | None:
    """Return what was dragged, as the script says it: ``moved=ball:1.2:-3``; None for nothing."""
    name, right, beyond = _three(arguments.get("moved", ""))
    try:
        place = float(right), float(beyond)
    except ValueError:
        return None
    if not all(math.isfinite(one) and abs(one) <= FARTHEST_M for one in place):
        return None
    return Moved(name, *place, held=arguments.get("held") == "1")


def nudged_of(arguments: Mapping[str, str]) -> Nudged | None:
    """Return what was nudged: ``nudged=ball:1:0``; None for nothing."""
    name, right, up = _three(arguments.get("nudged", ""))
    if {right, up} <= {"-1", "0", "1"}:
        return Nudged(name, int(right), int(up))
    return None


def _three(text: str) -> tuple[str, str, str]:
    name, _, rest = text.partition(":")
    one, _, other = rest.partition(":")
    return name, one, other
