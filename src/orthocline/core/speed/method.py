"""What a way of measuring green speed is: the figures it asks for, and the speed that they give."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from enum import StrEnum

from orthocline.core.estimate import Estimate


class Quantity(StrEnum):
    """What kind of thing a figure is, and with that its unit."""

    FAR = "far"
    """A length along the green [m]."""
    NEAR = "near"
    """A length such as that of a stroke [m]."""
    SLOPE = "slope"
    """A slope [ratio]."""
    TIME = "time"
    """A time [s]."""
    GREEN_SPEED = "green_speed"
    """A green speed [ft]."""


@dataclass(frozen=True)
class Figure:
    """A figure that a method asks for.

    Attributes
    ----------
    name : str
        What it goes by.
    quantity : Quantity
        Its kind, and with that its unit.
    between : tuple of two float
        The least and the most that make sense, in that unit.
    many : bool
        Whether it is tried several times.
    optional : bool
        Whether the method does without it.
    """

    name: str
    quantity: Quantity
    between: tuple[float, float]
    many: bool = False
    optional: bool = False


@dataclass(frozen=True)
class Findings:
    """What a golfer measured.

    Attributes
    ----------
    figures : mapping of str to sequence of float
        By the figures' names, each in its unit; none of them empty.
    length_share_sd : float
        How far all lengths may be off together, as a share: paces that a tape has not proved.
    stroke_rate : Estimate or None
        The golfer's own launch speed per length of stroke [1/s].
    """

    figures: Mapping[str, Sequence[float]] = field(default_factory=dict)
    length_share_sd: float = 0.0
    stroke_rate: Estimate | None = None


class FindingError(ValueError):
    """Figures that cannot be true: `name` is the one to look at; the message says why."""

    def __init__(self, name: str, message: str) -> None:
        super().__init__(message)
        self.name = name


@dataclass(frozen=True)
class SpeedMethod:
    """A way of measuring green speed.

    Attributes
    ----------
    name : str
        What it goes by in the book, in addresses and in the other registries.
    figures : tuple of Figure
        What it asks for; empty for one that has a page of its own.
    speed : callable or None
        Returns the speed [ft] of what was found; raises `FindingError`.
    measured : bool
        Whether somebody measured it on the green, and not read it off a board.
    own_stroke : bool
        Whether it needs the golfer's stroke calibrated.
    """

    name: str
    figures: tuple[Figure, ...] = ()
    speed: Callable[[Findings], Estimate] | None = None
    measured: bool = True
    own_stroke: bool = False


ROLL_RANGE_M = (0.3048, 30.48)
"""How long a roll [m] is that is measured on a green: 1 to 100 ft."""
