"""What a school is: a value of its own from one solved putt, and the way back from its own words."""

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from enum import StrEnum
from typing import Any

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.roll import Aim, Launch, Putt, Read, aims

Figures = tuple[float, ...]
"""A school's answer in SI units, a figure for each of its terms."""


class Term(StrEnum):
    """What a figure of an answer says."""

    ASIDE = "aside"
    """Beside the ball-hole line [m], positive to the right."""
    AHEAD = "ahead"
    """From the ball [m]."""
    BEYOND = "beyond"
    """Beyond the hole [m], negative short of it."""
    SIZE = "size"
    """A length that has no side [m]."""
    HOUR = "hour"
    """An hour on a dial, 0 to 12."""
    FINGERS = "fingers"
    """Fingers held up, positive to the right."""
    PLACE = "place"
    """The step of an aim without numbers, positive to the right."""
    MOOD = "mood"
    """The step of a pace without numbers."""


class Blind(StrEnum):
    """What a school does not know."""

    SPEED = "speed"
    """Green speed."""
    PACE = "pace"
    """How far past the ball is to roll."""
    GRADE = "grade"
    """Up or down to the hole."""
    BETWEEN = "between"
    """Ground elsewhere than where one stands, or than its mean."""
    AIM = "aim"
    """Where to start it: it is about pace only."""
    TARGET = "target"
    """That what it marks is a place on the way, and nothing to start at."""
    FIGURES = "figures"
    """How much exactly."""


class Goes(StrEnum):
    """With what a figure of a call goes, where the read is not sure."""

    STAYS = "stays"
    """With nothing that the read is unsure of."""
    AIM = "aim"
    """With the aim: twice as far out, twice as much."""
    SPEED = "speed"
    """With the launch speed."""
    TIME = "time"
    """With the launch speed, as what is rolled in a beat."""
    ROLL = "roll"
    """With how far the strike rolls on the level."""


@dataclass(frozen=True)
class Stance:
    """Where one stands to see what a school shows: so far behind the ball, on the ball-hole line [m].

    `leans` where the eyes are carried downhill, by as much as the golfer leans with the ground.
    """

    behind_m: float
    leans: bool = False


def _no_members(_value: Any) -> Mapping[str, Any]:
    return {}


def _as_read(read: Read, _golfer: GolferFigures, _value: Any) -> Launch:
    return read.aim.launch


def _no_figures(_read: Read, _value: Any) -> Figures | None:
    return None


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
    blind_to : tuple of Blind
    played : callable
        Returns the launch of whoever plays by a value: the read's own, but for schools that know less.
    terms : tuple of Term
        What an answer in its words says; none where it cannot be answered.
    goes : tuple of Goes
        With what each of its figures goes where the read is not sure; none for a school without figures.
    figures : callable
        Returns the value of a read as such an answer; None where it has none.
    launch : callable or None
        Returns the launch that an answer means for a putt as it is asked and a golfer; None where it means
        none there. What the answer leaves open, aim or pace, is the putt's own.
    right : callable or None
        Returns the answer that would be right for a read, where that is another than its own value.
    stance : Stance or None
        Where one stands to see it; None for the golfer's own place.
    """

    name: str
    value: Callable[[Read, GolferFigures], Any]
    members: Callable[[Any], Mapping[str, Any]] = _no_members
    blind_to: tuple[Blind, ...] = ()
    played: Callable[[Read, GolferFigures, Any], Launch | None] = _as_read
    terms: tuple[Term, ...] = ()
    goes: tuple[Goes, ...] = ()
    figures: Callable[[Read, Any], Figures | None] = _no_figures
    launch: Callable[[Putt, Figures, GolferFigures], Launch | None] | None = None
    right: Callable[[Read, Any], Figures | None] | None = None
    stance: Stance | None = None

    def sought(self, read: Read, value: Any) -> Figures | None:
        """Return the answer that would be right for a read and the school's value of it.

        Parameters
        ----------
        read : Read
            The solved putt.
        value : object
            The school's value.

        Returns
        -------
        tuple of float or None
            A figure for each term, in its unit; None where there is none.
        """
        return (self.right or self.figures)(read, value)

    @property
    def of_aim(self) -> bool:
        """Whether it says where to start the ball."""
        return Blind.AIM not in self.blind_to


def solved_aim(putt: Putt) -> Aim:
    """Return the line of a putt that is asked for.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    Aim
        Its launch [rad, m/s], arrival and pace.
    """
    return aims(putt)[: putt.line][-1]


def toward(read: Read, right_m: float) -> Launch:
    """Return the launch toward a spot beside the hole, at the speed of a read.

    Parameters
    ----------
    read : Read
        The solved putt.
    right_m : float
        The spot to the right of the hole's centre, at its distance [m].

    Returns
    -------
    Launch
        Angle [rad] and speed [m/s].
    """
    return Launch(math.atan2(right_m, read.putt.length_m), read.launch_speed_mps)


def aimed(putt: Putt, right_m: float) -> Launch:
    """Return the launch toward a spot beside the hole, at the putt's own pace.

    Parameters
    ----------
    putt : Putt
        The putt.
    right_m : float
        The spot to the right of the hole's centre, at its distance [m].

    Returns
    -------
    Launch
        At the speed of the solved putt.
    """
    return Launch(math.atan2(right_m, putt.length_m), solved_aim(putt).launch.speed_mps)
