"""How often a golfer holes a putt, and how firm to roll it; what was worked out is kept for the same putt."""

from dataclasses import dataclass, field, replace
from functools import lru_cache
from hashlib import sha256

from orthocline.core.account import Golfer, UsualPasts
from orthocline.core.ground import Plane, Surface
from orthocline.core.holing import (
    TAKEN_AS_TRUE,
    TRIES,
    Doubt,
    Outlook,
    PaceAdvice,
    RoundHole,
    SecondPutts,
    Ways,
)
from orthocline.core.roll import Aim, Launch, OwnRoll, Point, Putt, Read, RollPast, roll_of
from orthocline.services.account.access import Viewer, open_play

KEPT = 64
OTHERS_TRIES = 512
"""Launches at each pace of another golfer: the best pace found costs 0.002 putts too many at most, mostly."""
ANY_PACE = RollPast(0.0)
HERE, AHEAD = Point(0.0, 0.0), Point(1.0, 0.0)


@dataclass(frozen=True)
class Same:
    """A putt and its aim, the same as another's if ground and figures are, however they came about."""

    ground: tuple[object, ...]
    figures: tuple[object, ...]
    putt: Putt = field(compare=False)
    aim: Aim | None = None


@open_play("How often you hole it")
def outlook(
    _viewer: Viewer, solved: Read, golfer: Golfer, pasts: UsualPasts, doubt: Doubt = TAKEN_AS_TRUE
) -> Outlook:
    """Return how often a golfer holes a putt, and how firm to roll it; refused in Competition."""
    return _outlook(_same(solved.putt, solved.aim), golfer, pasts, doubt)


@open_play("How often others hole it")
def advice_for_others(
    _viewer: Viewer, solved: Read, golfer: Golfer, pasts: UsualPasts, doubt: Doubt = TAKEN_AS_TRUE
) -> PaceAdvice | None:
    """Return what each roll-past is worth to another golfer, of fewer launches; refused in Competition."""
    return _ways(_same(replace(solved.putt, pace=ANY_PACE)), golfer, pasts, doubt, OTHERS_TRIES).advice


@open_play("Trying a launch")
def try_launch(_viewer: Viewer, solved: Read, right_rad: float, share: float) -> OwnRoll:
    """Return the roll of a launch so far right of the read's [rad], its speed so much more as a share."""
    meant = solved.aim.launch
    launch = Launch(meant.right_rad + right_rad, meant.speed_mps * (1.0 + share))
    return roll_of(solved.putt, solved.aim, launch)


def _same(putt: Putt, aim: Aim | None = None) -> Same:
    figures = putt.ball, putt.hole, putt.green_speed_ft, putt.pace, putt.grain, putt.wind, putt.line
    return Same(_ground(putt.surface), figures, putt, aim)


def _ground(surface: Surface) -> tuple[object, ...]:
    """Return what tells a ground from others: its kind, and its parameters."""
    return type(surface), sha256(surface.parameters.tobytes()).digest()


def _round_hole(putt: Putt) -> Putt:
    """Return a putt that stands for all from round its hole: a plane is the same round any."""
    ball, hole = (HERE, AHEAD) if isinstance(putt.surface, Plane) else (_beside(putt.hole), putt.hole)
    return replace(putt, ball=ball, hole=hole, pace=ANY_PACE, line=1)


def _beside(hole: Point) -> Point:
    return Point(hole.x_m - 1.0, hole.y_m)


@lru_cache(KEPT)
def _outlook(same: Same, golfer: Golfer, pasts: UsualPasts, doubt: Doubt) -> Outlook:
    assert same.aim is not None
    ways = _ways(_same(replace(same.putt, pace=ANY_PACE)), golfer, pasts, doubt, TRIES)
    return Outlook(same.putt, same.aim, ways)


@lru_cache(KEPT)
def _ways(same: Same, golfer: Golfer, pasts: UsualPasts, doubt: Doubt, tries: int) -> Ways:
    return Ways(same.putt, golfer, _seconds(_same(_round_hole(same.putt)), golfer, pasts), doubt, tries)


@lru_cache(KEPT)
def _seconds(same: Same, golfer: Golfer, pasts: UsualPasts) -> SecondPutts:
    return SecondPutts(_putts_round(same, pasts), golfer)


@lru_cache(KEPT)
def _putts_round(same: Same, pasts: UsualPasts) -> RoundHole:
    return RoundHole(same.putt, pasts)
