"""What an answer is worth: how far it is off what still drops, in the putt's own figures."""

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from typing import Final

from orthocline.core.calls import SCHOOLS, Answer, GolferFigures, apex_of, plays_like_m
from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.estimate import Span
from orthocline.core.roll import Launch, OwnRoll, Putt, Read, RollPast, aims, roll_of
from orthocline.core.train.kinds import Asks
from orthocline.core.train.putts import NoPuttError, fit, turned
from orthocline.core.train.serves import aims_that_drop, held, off_middle, solved_putt
from orthocline.core.train.straight import straight_turns, turn_that_serves
from orthocline.core.units import FOOT_M, PERCENT, wrap_rad

GOOD: Final = 0.5
"""From here on an answer is good: its ball drops, or its pace serves."""
SERVES_PAST_M: Final = (0.0, 2.0 * FOOT_M)
"""A foot past is meant: from dying at the hole to this it serves."""
SLOPE_SERVES: Final = 0.5 * PERCENT
"""A slope serves that is told so well [ratio]."""
STRAIGHT_SHARE: Final = 0.25
"""A putt is straight that is aimed no further out than this share of what still drops."""
HALVINGS: Final = 12
"""So often is what lies between a figure that no ball does and the true one halved."""
APEX_SHARE: Final = 0.2
"""An apex serves that is told as far along as this share of the putt."""


@dataclass(frozen=True)
class Given:
    """What was answered.

    Attributes
    ----------
    figures : tuple of float
        In SI units: side -1, 0 or 1; where it plays to, or is paced to [m]; an apex along and to the right
        [m]; an hour; a turn round the hole [rad]; 0 or 1 of a pair; a slope [ratio].
    school : str
        In whose words an amount is; empty for the others.
    """

    figures: tuple[float, ...]
    school: str = ""


@dataclass(frozen=True)
class Marked:
    """An answer held against the model.

    Attributes
    ----------
    given, truth : float
        What was said and what is so, in the question's own unit; of an amount the aims they mean [m].
    off : float
        How far it is off the middle of what still serves, 1 at its ends; held within `FURTHEST`.
    solved : Read
        The model's read of the putt that was answered.
    rolled : OwnRoll or None
        The ball of whoever plays by the answer; None where a question has none.
    """

    given: float
    truth: float
    off: float
    solved: Read
    rolled: OwnRoll | None

    @property
    def score(self) -> float:
        """1 in the middle of what serves, a half at its ends, falling on."""
        return 1.0 / (1.0 + self.off**2)

    @property
    def good(self) -> bool:
        """Whether it still serves."""
        return self.score >= GOOD


Marker = Callable[[Read, Given, GolferFigures], Marked]


class NoAnswerError(ValueError):
    """No ball can be started so."""


def marked(asks: Asks, putts: tuple[Putt, ...], given: Given, golfer: GolferFigures) -> Marked:
    """Return what an answer is worth.

    Parameters
    ----------
    asks : Asks
        What was asked.
    putts : tuple of Putt
        The putt, and of a pair the other one.
    given : Given
        The answer.
    golfer : GolferFigures
        Whose fingers, eyes and stroke an amount is said by.

    Returns
    -------
    Marked
        The answer held against the model.

    Raises
    ------
    NoPuttError
        When there is nothing to ask of the putt.
    NoAnswerError
        When no ball can be started so.
    """
    if asks is Asks.PAIR:
        return _pair(putts, given)
    if asks is Asks.STRAIGHT:
        return _straight(putts[0], given)
    return MARKERS[asks](solved_putt(putts[0]), given, golfer)


def can_ask(asks: Asks, putts: tuple[Putt, ...]) -> bool:
    """Return whether a putt can be asked about so.

    Parameters
    ----------
    asks : Asks
        What is to be asked.
    putts : tuple of Putt
        The putt, and of a pair the other one.

    Returns
    -------
    bool
        Whether each can be read, and has what is asked for.
    """
    if asks is Asks.CARD:
        return True
    reads = [fit(one) for one in putts]
    if None in reads:
        return False
    if asks is Asks.APEX:
        return all(one and apex_of(one) for one in reads)
    if asks is Asks.ENTRY:
        return all(one and one.entry_clock_hours is not None for one in reads)
    return asks is not Asks.STRAIGHT or bool(straight_turns(putts[0]))


def _by_launch(solved: Read, launch: Launch | None, told: tuple[float, float] | None = None) -> Marked:
    """Return what a launch's line is worth; `told` are answer and truth where those are not the aims."""
    if launch is None:
        raise NoAnswerError("no ball can be started so")
    rolled = roll_of(solved.putt, solved.aim, launch)
    given, truth = told or (rolled.aim_right_m, solved.aim_right_m or 0.0)
    return Marked(given, truth, off_middle(rolled.aim_right_m, aims_that_drop(solved)), solved, rolled)


def _at(solved: Read, right_m: float) -> Launch:
    return Launch(math.atan2(right_m, solved.putt.length_m), solved.launch_speed_mps)


def _side(solved: Read, given: Given, _golfer: GolferFigures) -> Marked:
    """A side is played with the break that is there, at least the hole's edge; straight at the centre."""
    aim = solved.aim_right_m or 0.0
    breaks = given.figures[0]
    drops = aims_that_drop(solved)
    straight = drops.holds(0.0) and abs(aim) < STRAIGHT_SHARE * drops.width
    truth = 0.0 if straight else -math.copysign(1.0, aim)
    # A putt that breaks to the right is aimed to the left.
    far = abs(aim) if breaks * aim < 0.0 else max(abs(aim), HOLE_RADIUS_M)
    return _by_launch(solved, _at(solved, -breaks * far), (breaks, truth))


def _amount(solved: Read, given: Given, golfer: GolferFigures) -> Marked:
    return _by_launch(solved, Answer(given.school, given.figures).launch(solved.putt, golfer))


def _in_words_of(school: str, figure: Callable[[Read], float | None]) -> Marker:
    """Return how an answer in one school's words is marked, whose truth is a figure of the read.

    What no ball does can be tapped all the same: the nearest to it that one does is played, and it is off
    by so much more as it lies further from the truth.
    """

    def marker(solved: Read, given: Given, golfer: GolferFigures) -> Marked:
        told, truth = given.figures[0], figure(solved)
        if truth is None:
            raise NoPuttError("there is nothing to ask of this putt")

        def launch(said: float) -> Launch | None:
            return Answer(school, (said,)).launch(solved.putt, golfer)

        meant = launch(told)
        if meant:
            return _by_launch(solved, meant, (told, truth))
        done = _nearest(launch, told, truth)
        played = _by_launch(solved, launch(done), (told, truth))
        return replace(played, off=held(played.off * (told - truth) / (done - truth)))

    return marker


def _nearest(launch: Callable[[float], Launch | None], told: float, truth: float) -> float:
    """Return the figure nearest to `told`, from the true one on, that a ball does."""
    done = truth
    for _ in range(HALVINGS):
        middle = 0.5 * (told + done)
        told, done = (told, middle) if launch(middle) else (middle, done)
    if done == truth:
        raise NoAnswerError("no ball can be started so")
    return done


def _apex(solved: Read, given: Given, golfer: GolferFigures) -> Marked:
    top = apex_of(solved)
    if top is None:
        raise NoPuttError("this putt is too straight for an apex")
    along, right = given.figures
    launch = Answer("apex", (right,)).launch(solved.putt, golfer)
    by_line = _by_launch(solved, launch, (right, top.mark.right_m))
    along_off = (along - top.mark.along_m) / (APEX_SHARE * solved.putt.length_m)
    return replace(by_line, off=held(math.hypot(by_line.off, along_off)))


def _gate_m(solved: Read) -> float:
    return float(SCHOOLS["curve_gate"].value(solved, GolferFigures()).right_m)


def _plays(solved: Read, given: Given, _golfer: GolferFigures) -> Marked:
    """A length is struck as on the level; it serves from dying at the hole to two feet past."""
    paces = (aims(replace(solved.putt, pace=RollPast(past)))[-1] for past in SERVES_PAST_M)
    serves = Span(*sorted(plays_like_m(solved, one.launch.speed_mps) for one in paces))
    figure = given.figures[0]
    launch = Answer("pace_target", (figure - solved.putt.length_m,)).launch(solved.putt, GolferFigures())
    assert launch is not None, "a pace target has a launch"
    rolled = roll_of(solved.putt, solved.aim, launch)
    truth = plays_like_m(solved, solved.launch_speed_mps)
    return Marked(figure, truth, off_middle(figure, serves), solved, rolled)


def _pace(solved: Read, given: Given, golfer: GolferFigures) -> Marked:
    length = solved.putt.length_m
    by_length = _plays(solved, Given((length + given.figures[0],)), golfer)
    return replace(by_length, given=given.figures[0], truth=by_length.truth - length)


def _slope(solved: Read, given: Given, _golfer: GolferFigures) -> Marked:
    told, truth = given.figures[0], solved.putt.mean_plane.tilt
    serves = Span(truth - SLOPE_SERVES, truth + SLOPE_SERVES)
    return Marked(told, truth, off_middle(told, serves), solved, None)


def _pair(putts: tuple[Putt, ...], given: Given) -> Marked:
    """The wrong one of a pair is off by how much less it breaks, against what still drops on the other."""
    first, other = (solved_putt(one) for one in putts)
    breaks = [abs(one.aim_right_m or 0.0) for one in (first, other)]
    truth, chosen = float(breaks[1] > breaks[0]), given.figures[0]
    more = (first, other)[int(truth)]
    off = 0.0 if chosen == truth else abs(breaks[1] - breaks[0]) / (0.5 * aims_that_drop(more).width)
    return Marked(chosen, truth, held(off), more, None)


def _straight(putt: Putt, given: Given) -> Marked:
    """A straight putt is played at the centre; the nearer of both ways along the fall counts."""
    turn = given.figures[0]
    found = straight_turns(putt)
    if not found:
        raise NoPuttError("no putt round this hole is straight")
    truth = min(found, key=lambda one: abs(wrap_rad(one - turn)))
    solved = solved_putt(turned(putt, turn))
    serves = turn_that_serves(putt, truth)
    off = held(wrap_rad(turn - truth) / serves)
    rolled = roll_of(solved.putt, solved.aim, _at(solved, 0.0))
    return Marked(truth + wrap_rad(turn - truth), truth, off, solved, rolled)


MARKERS: Final[Mapping[Asks, Marker]] = {
    Asks.SIDE: _side,
    Asks.AMOUNT: _amount,
    Asks.PLAYS: _plays,
    Asks.APEX: _apex,
    Asks.ENTRY: _in_words_of("cup_entry", lambda solved: solved.entry_clock_hours),
    Asks.SLOPE: _slope,
    Asks.PACE: _pace,
    Asks.CARD: _slope,
    Asks.GATE: _in_words_of("curve_gate", _gate_m),
}
"""But for those that take more than one putt."""
