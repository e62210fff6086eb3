"""The putt of a question: on ground that its seed makes up, or on a green that is there."""

import math
from dataclasses import dataclass, replace
from typing import Final

import numpy as np

from orthocline.core.draws import LARGEST_SEED, Draws
from orthocline.core.ground import Surface, plane_from_grade
from orthocline.core.relief import Outline
from orthocline.core.roll import (
    Point,
    Putt,
    PuttError,
    Read,
    ReadWarning,
    RollPast,
    read,
    steepest_holding_slope,
)
from orthocline.core.train.kinds import BANDS, CARDS, ENDS_M, STEEPS, Asks, Kind
from orthocline.core.train.levels import EASIEST, HARDEST, hardness
from orthocline.core.train.made import made_ground
from orthocline.core.units import FOOT_M, PERCENT

MADE: Final = "made"
"""The ground that a seed makes up."""
PAST_M: Final = FOOT_M
"""Every putt is meant to roll so far past."""
ROUND_M: Final = 6.0
"""Ground is made up so far beyond the putt's ends: one walks round it."""
HOLDS: Final = 0.75
"""The steepest place has at most this share of the slope that holds a ball."""
CARD_M, CARD_SPEED_FT = 8.0 * FOOT_M, 6.0
CARD_WAYS: Final = 8
STEEPEST: Final = 0.045
"""No putt is asked for on steeper ground than that on the mean [ratio]."""
EDGE_M: Final = 1.0
"""A hole is cut no nearer to the edge of a green than that."""
TRIES: Final = 60
WIDEST_M: Final = 3.0
"""Nor a putt that is aimed further out."""
NEXT, AWAY = 48_271, 11
UNFIT: Final = frozenset(ReadWarning) - {ReadWarning.COMES_BACK}


class NoPuttError(ValueError):
    """A question has no putt: its seed gives none that can be read."""


@dataclass(frozen=True)
class Question:
    """One question: who has the same has the same putt.

    Attributes
    ----------
    asks : Asks
    ground : str
        `MADE`, or what the green goes by.
    level : float
        How hard, from `EASIEST` to `HARDEST`.
    seed : int
        From 0 to `LARGEST_SEED`.

    Raises
    ------
    NoPuttError
        For a level or a seed outside that.
    """

    asks: Asks
    ground: str
    level: float
    seed: int

    def __post_init__(self) -> None:
        if not (EASIEST <= self.level <= HARDEST and 0 <= self.seed <= LARGEST_SEED):
            raise NoPuttError("no question has that level or seed")

    @property
    def kind(self) -> Kind:
        """The kind that its seed gives it on ground that is made up."""
        return _kind(self.asks, Draws(self.seed))

    @property
    def other(self) -> "Question":
        """The question whose putt stands beside this one's."""
        return replace(self, seed=(self.seed * NEXT + AWAY) % LARGEST_SEED)


def _kind(asks: Asks, draws: Draws) -> Kind:
    breaks = 1 if draws.one_of(2) else -1
    if asks is Asks.CARD:
        return Kind(asks, breaks, 0, CARDS[draws.one_of(len(CARDS))])
    return Kind(asks, breaks, draws.one_of(BANDS), draws.one_of(BANDS))


def seed_of(kind: Kind, first: int) -> int:
    """Return a seed that gives a kind on ground that is made up.

    Parameters
    ----------
    kind : Kind
        The kind.
    first : int
        Where to begin to look, from 0 to `LARGEST_SEED`.

    Returns
    -------
    int
        The first from there on.
    """
    seed = first
    while _kind(kind.asks, Draws(seed)) != kind:
        seed = (seed + 1) % LARGEST_SEED
    return seed


def made_putt(question: Question) -> Putt:
    """Return the putt of a question on ground that its seed makes up.

    Parameters
    ----------
    question : Question
        The question.

    Returns
    -------
    Putt
        Along +x, a foot past.
    """
    draws = Draws(question.seed)
    kind = _kind(question.asks, draws)
    if question.asks is Asks.CARD:
        return _card(draws, kind)
    hard = hardness(question.level)
    length = draws.evenly(*ENDS_M[kind.length : kind.length + 2])
    slope = draws.evenly(*STEEPS[kind.slope : kind.slope + 2])
    aside = 0.5 * math.pi * draws.evenly(hard.along, 1.0)
    ahead = slope * math.cos(aside) * (1.0 if draws.one_of(2) else -1.0)
    ground = made_ground(
        draws,
        0.5 * length + ROUND_M,
        length,
        fall=(ahead, -kind.breaks * slope * math.sin(aside)),
        slope_sd=hard.slope_sd,
        field_m=hard.field_m,
    )
    holding = HOLDS * steepest_holding_slope(1.0) / ground.steepest
    speed = math.floor(10.0 * min(hard.green_speed_ft, holding)) / 10.0
    ends = Point(-0.5 * length, 0.0), Point(0.5 * length, 0.0)
    return Putt(*ends, ground, speed, RollPast(PAST_M))


def _card(draws: Draws, kind: Kind) -> Putt:
    """Return a slope card's bare plane; it falls straight up or down too, a little to its side then."""
    turn = 2.0 * math.pi * draws.one_of(CARD_WAYS) / CARD_WAYS
    right = kind.breaks * max(abs(math.sin(turn)), 1e-3)
    ahead = math.cos(turn)
    scale = kind.slope * PERCENT / math.hypot(right, ahead)
    plane = plane_from_grade(scale * ahead, scale * right, 0.0)
    return Putt(Point(0.0, 0.0), Point(CARD_M, 0.0), plane, CARD_SPEED_FT, RollPast(PAST_M))


def putt_on(question: Question, surface: Surface, outline: Outline) -> Putt:
    """Return the putt of a question on a green that is there.

    Parameters
    ----------
    question : Question
        The question.
    surface : Surface
        The ground.
    outline : Outline
        The green's edge on it: ball and hole lie within.

    Returns
    -------
    Putt
        The first that can be read of those that the seed gives.

    Raises
    ------
    NoPuttError
        Where none can be.
    """
    draws = Draws(question.seed)
    speed = round(hardness(question.level).green_speed_ft, 1)
    (left, low), (right, top) = outline.box
    for _ in range(TRIES):
        length = draws.evenly(ENDS_M[0], ENDS_M[-1])
        hole = draws.evenly(left, right), draws.evenly(low, top)
        way = draws.evenly(-math.pi, math.pi)
        ball = hole[0] - length * math.cos(way), hole[1] - length * math.sin(way)
        beyond = hole[0] + EDGE_M * math.cos(way), hole[1] + EDGE_M * math.sin(way)
        if outline.holds(np.array([hole, ball, beyond])).all():
            try:
                putt = Putt(Point(*ball), Point(*hole), surface, speed, RollPast(PAST_M))
                if fit(putt):
                    return putt
            except PuttError:
                continue
    raise NoPuttError("no putt on this green can be asked for")


def fit(putt: Putt) -> Read | None:
    """Return the read of a putt that can be asked about.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    Read or None
        None where it is too steep, the pace is not met, no ball drops or the aim lies too far out.
    """
    if putt.mean_plane.tilt > STEEPEST:
        return None
    try:
        solved = read(putt)
    except PuttError:
        return None
    far = solved.aim_right_m is None or abs(solved.aim_right_m) > WIDEST_M
    window = solved.make_window if not far and not UNFIT & set(solved.warnings) else None
    return solved if window else None


def turned(putt: Putt, clockwise_rad: float) -> Putt:
    """Return a putt with its ball moved round the hole.

    Parameters
    ----------
    putt : Putt
        The putt.
    clockwise_rad : float
        How far [rad], as it is seen from above.

    Returns
    -------
    Putt
        As long, from there.
    """
    way = putt.bearing_rad - clockwise_rad
    length = putt.length_m
    ball = Point(putt.hole.x_m - length * math.cos(way), putt.hole.y_m - length * math.sin(way))
    return replace(putt, ball=ball)
