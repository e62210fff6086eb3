"""What a school is: a value of its own from one solved putt."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from typing import Any

from orthocline.core.estimate import Estimate
from orthocline.core.roll import Read
from orthocline.core.speed import Tempo


@dataclass(frozen=True)
class GolferFigures:
    """What schools need to know of the golfer.

    Attributes
    ----------
    stroke_rate : Estimate or None
        The golfer's own launch speed per length of stroke [1/s], if a few putts calibrated it.
    tempo : Tempo
        The golfer's tempo and beat.
    stance_m : float or None
        Width of the stance [m] from the outside of one foot to that of the other, if it was measured.
    """

    stroke_rate: Estimate | None = None
    tempo: Tempo = field(default_factory=Tempo)
    stance_m: float | None = None


USUAL_GOLFER = GolferFigures()
"""A golfer of whom nothing is known."""


def _no_members(_value: Any) -> Mapping[str, Any]:
    return {}


@dataclass(frozen=True)
class School:
    """One school's call.

    Attributes
    ----------
    name : str
        What its value, its words, its layer and its members of the document go by.
    value : callable
        Returns the school's value for a read and a golfer, of the school's own type; None where it has none.
    members : callable
        Returns what the read's document says of a value: names and JSON data, lengths in metres.
    """

    name: str
    value: Callable[[Read, GolferFigures], Any]
    members: Callable[[Any], Mapping[str, Any]] = _no_members
