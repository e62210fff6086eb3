"""What a drill is: how it is set up, which balls it has, what is noted of each, and what counts."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum
from typing import Any, Final

from orthocline.core.drills.members import DrillError, Members
from orthocline.core.holing import gate_at
from orthocline.core.units import FOOT_M, INCH_M

NEAREST_M, FAR_M = 0.3, 30.0
"""No ball is putted nearer, and nothing of a drill lies further off."""
STEEPEST: Final = 4.0
"""Percents, each way: a ball stops on both together."""
MOST_BALLS, MOST_LETTERS = 60, 40
"""Of a plan, and of the name of an outcome."""
MOST_RINGED: Final = 12
"""So many balls lie on a ring at most."""
MOST_MINUTES: Final = 60.0
MOST_ASIDE_M, LATEST_S = 1.0, 1.0
"""No aim that is checked is further off, and no count."""
TRAINS: Final = ("pace", "line", "read", "aim", "strike", "tempo")
"""What a drill is good for."""


class MarkKind(StrEnum):
    """What lies or stands on the ground."""

    BALL = "ball"
    HOLE = "hole"
    COIN = "coin"
    GATE = "gate"
    ZONE = "zone"
    STRING = "string"
    RING = "ring"


class Event(StrEnum):
    """What counts, as the model can tell it."""

    RESTS = "rests"
    """It rests no shorter of the mark and no further past it than so much."""
    WITHIN = "within"
    """It rests no further from the mark than so much."""
    DROPS = "drops"
    """It drops."""
    STARTS = "starts"
    """It starts no further aside than so much."""
    NOTHING = "nothing"
    """The model has nothing to say of it."""


class Measured(StrEnum):
    """A habit of the golfer's own that a drill measures, with its bias and spread."""

    AIM = "aim"
    """Where face and line point, to the right of what was meant [rad]."""
    BEAT = "beat"
    """How late a beat is thought over [s]."""


@dataclass(frozen=True)
class Mark:
    """Something on the ground, seen from the ball that is putted first.

    Attributes
    ----------
    kind : MarkKind
    along_m, right_m : float
        Its middle along the line and to its right [m].
    wide_m, deep_m : float
        Across the line, and along it; of a string how far it goes on, of a ring its radius [m].
    balls : int
        How many balls lie on a ring.
    says : str
        What it is; empty where its kind says so.
    """

    kind: MarkKind
    along_m: float
    right_m: float = 0.0
    wide_m: float = 0.0
    deep_m: float = 0.0
    balls: int = 0
    says: str = ""


@dataclass(frozen=True)
class Ball:
    """One ball of a plan: how far its target is, how far past, on what slope, and what is special of it.

    Attributes
    ----------
    to_m, past_m : float
        To the mark or the hole, and past it [m].
    rise, fall_right : float
        How the ground rises to it, and falls to the right [ratio].
    says : str
        What is to be done; empty where the length says all.
    """

    to_m: float
    past_m: float
    rise: float = 0.0
    fall_right: float = 0.0
    says: str = ""


@dataclass(frozen=True)
class Outcome:
    """What is noted of a ball by one tap: its name, what the button says, and what it is worth.

    Attributes
    ----------
    off : float or None
        How far off it is, where the drill measures: to the right at the mark [m], or late [s].
    """

    name: str
    says: str
    points: float
    off: float | None = None


@dataclass(frozen=True)
class Target:
    """What counts, as the model can tell it: the outcome that it is, the event, and its figures.

    Attributes
    ----------
    least_m, most_m : float
        Of a rest short of the mark (below 0) and past it, or the radius about it [m].
    within_rad : float
        Of a start line [rad].
    """

    counts: str
    event: Event
    least_m: float = 0.0
    most_m: float = 0.0
    within_rad: float = 0.0


@dataclass(frozen=True)
class Own:
    """A length of one's own: what it is, and between what it lies [m]."""

    name: str
    says: str
    default_m: float
    least_m: float
    most_m: float


@dataclass(frozen=True)
class Plan:
    """Which balls are putted: all as they are written so many times, or so many drawn from them."""

    balls: tuple[Ball, ...]
    times: int
    drawn: int


@dataclass(frozen=True)
class Drill:
    """A drill.

    Attributes
    ----------
    key : str
        What its file is called.
    trains : tuple of str
        What it is good for, some of `TRAINS`.
    measures : Measured or None
        The habit of the golfer's own that it measures, if any.
    """

    key: str
    name: str
    purpose: str
    how: str
    gear: tuple[str, ...]
    minutes: float
    trains: tuple[str, ...]
    own: tuple[Own, ...]
    marks: tuple[Mark, ...]
    plan: Plan
    outcomes: tuple[Outcome, ...]
    target: Target
    measures: Measured | None = None

    @property
    def best(self) -> float:
        """The most points that one ball is worth."""
        return max(one.points for one in self.outcomes)

    def points(self, name: str) -> float:
        """Return what an outcome is worth.

        Parameters
        ----------
        name : str
            Its name.

        Returns
        -------
        float
            Points [1]; 0 for one that is none of them.
        """
        return next((one.points for one in self.outcomes if one.name == name), 0.0)

    def nearest(self, off: float) -> str:
        """Return the name of the outcome that is nearest to a figure, of a drill that measures.

        Parameters
        ----------
        off : float
            To the right at the mark [m], or late [s].

        Returns
        -------
        str
            Its name.
        """
        return min(self.outcomes, key=lambda one: abs((one.off or 0.0) - off)).name

    def figure(self, ball: Ball, off: float) -> float:
        """Return what is measured, from how far off a ball was.

        Parameters
        ----------
        ball : Ball
            The ball.
        off : float
            To the right at the mark [m], or late [s].

        Returns
        -------
        float
            In the unit of what is measured: [rad], or [s].
        """
        return math.atan2(off, ball.to_m) if self.measures is Measured.AIM else off


def drill_of(key: str, data: Mapping[str, Any], own_m: Mapping[str, float] | None = None) -> Drill:
    """Return the drill that a file means.

    Parameters
    ----------
    key : str
        What the file is called.
    data : mapping
        Its members, as TOML has them.
    own_m : mapping
        The golfer's own lengths [m], by name; held between what the file allows.

    Returns
    -------
    Drill
        The drill with those lengths.

    Raises
    ------
    DrillError
        When a member is missing, means nothing or is absurd; it names the member.
    """
    top = Members(data)
    lengths = top.table("own") if top.has("own") else Members({})
    own = tuple(_own(lengths, name) for name in lengths.data)
    chosen = {one.name: (own_m or {}).get(one.name, one.default_m) for one in own}
    top.own_m = {one.name: min(max(chosen[one.name], one.least_m), one.most_m) for one in own}
    measures = Measured(top.one_of("measures", tuple(Measured))) if top.has("measures") else None
    outcomes = tuple(_outcome(one, measures) for one in top.tables("outcomes"))
    if len({one.name for one in outcomes}) < len(outcomes):
        raise DrillError("outcomes", "two have one name")
    drill = Drill(
        key,
        top.text("name"),
        top.text("purpose"),
        top.text("how"),
        top.texts("gear"),
        top.number("minutes", 1.0, MOST_MINUTES),
        tuple(Members({"": one}, "trains").one_of("", TRAINS) for one in top.texts("trains")),
        own,
        tuple(_mark(one) for one in top.tables("marks")),
        _plan(top.table("plan")),
        outcomes,
        _target(top.table("target"), tuple(one.name for one in outcomes)),
        measures,
    )
    if not drill.best:
        raise DrillError("outcomes", "none is worth anything")
    return top.finished(drill)


def _own(lengths: Members, name: str) -> Own:
    said = lengths.table(name)
    own = Own(name, said.text("says"), *(said.length_m(one, FAR_M) for one in ("usual", "least", "most")))
    if not 0.0 <= own.least_m <= own.default_m <= own.most_m:
        raise DrillError(said.at("usual"), "must lie between the least and the most")
    return said.finished(own)


def _mark(said: Members) -> Mark:
    kind = MarkKind(said.one_of("kind", tuple(MarkKind)))
    along = said.length_m("along", FAR_M, 0.0)
    wide = said.length_m("wide", FAR_M, 0.0)
    if said.has("within_deg"):
        wide = gate_at(along, math.radians(said.number("within_deg", 0.1, 10.0))).wide_m
    mark = Mark(
        *(kind, along, said.length_m("right", FAR_M, 0.0), wide),
        deep_m=said.length_m("deep", FAR_M, 0.0),
        balls=int(said.number("balls", 0, MOST_RINGED, 0)),
        says=said.text("says") if said.has("says") else "",
    )
    return said.finished(mark)


def _plan(said: Members) -> Plan:
    balls = tuple(_ball(one) for one in said.tables("balls"))
    times, drawn = said.count("times", MOST_BALLS, 1), int(said.number("drawn", 0, MOST_BALLS, 0))
    if times * len(balls) > MOST_BALLS:
        raise DrillError(said.at("times"), f"makes more than {MOST_BALLS} balls")
    return said.finished(Plan(balls, times, drawn))


def _ball(said: Members) -> Ball:
    ball = Ball(
        said.length_m("to", FAR_M),
        said.length_m("past", FAR_M, 12.0 * INCH_M),
        said.percent("rise", STEEPEST),
        said.percent("fall_right", STEEPEST),
        said.text("says") if said.has("says") else "",
    )
    if ball.to_m < NEAREST_M or ball.past_m < 0.0:
        raise DrillError(said.at("to"), "must lie ahead of the ball, and no ball stops before it")
    return said.finished(ball)


def _outcome(said: Members, measures: Measured | None) -> Outcome:
    outcome = Outcome(
        said.text("name", most=MOST_LETTERS),
        said.text("says", most=MOST_LETTERS),
        said.number("points", 0.0, 10.0, 0.0),
        _off(said, measures),
    )
    return said.finished(outcome)


def _off(said: Members, measures: Measured | None) -> float | None:
    if measures is Measured.AIM:
        return said.length_m("aside", MOST_ASIDE_M)
    return said.number("late_s", -LATEST_S, LATEST_S) if measures is Measured.BEAT else None


def _target(said: Members, outcomes: tuple[str, ...]) -> Target:
    target = Target(
        said.one_of("counts", outcomes),
        Event(said.one_of("event", tuple(Event))),
        -said.length_m("short", FAR_M, 0.0),
        said.length_m("past", FAR_M, FOOT_M),
        math.radians(said.number("within_deg", 0.05, 10.0, 1.0)),
    )
    return said.finished(target)
