"""The putts of questions: made up, on the greens of Ternholm, or on a green of one's own."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from typing import Final

from sqlalchemy.orm import Session

from orthocline.core.calls import GolferFigures
from orthocline.core.ground import Sense, Surface
from orthocline.core.relief import Outline
from orthocline.core.roll import Putt
from orthocline.core.train import (
    MADE,
    Asks,
    Cue,
    Given,
    Marked,
    NoAnswerError,
    NoPuttError,
    Question,
    can_ask,
    hardness,
    made_putt,
    marked,
    putt_on,
)
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.demo.greens import DEMO_GREENS
from orthocline.services.errors import DomainError, InvalidError, NotFoundError
from orthocline.services.ground.charts import find_green, known_of

ROOM: Final = "The trainer"
TERNHOLM, OWN = "ternholm-", "own-"
"""What greens go by in a question, before their number."""
MISSING: Final = "There is no such putt: a link to one is copied whole, from the trainer's page."
LONGEST_NUMBER: Final = 18
TERNHOLM_GREENS: Final = {f"{TERNHOLM}{one.number}": one.name for one in DEMO_GREENS}
"""The greens of Ternholm by what they go by."""
BARE: Final = (Asks.CARD, Asks.GATE)
"""Cards are planes of their own; a gate is asked for on ground that is made up."""


@dataclass(frozen=True)
class AskedPutt:
    """A question with its putt, and of a pair the other one."""

    question: Question
    putts: tuple[Putt, ...]

    @property
    def putt(self) -> Putt:
        """The putt."""
        return self.putts[0]

    @property
    def cue(self) -> Cue:
        """What its ground shows of itself."""
        return Cue.HORIZON if self.question.asks is Asks.CARD else hardness(self.question.level).cue


@open_play(ROOM)
def putt_asked(
    viewer: Viewer, session: Session, question: Question, own: Mapping[str, Sense] | None = None
) -> AskedPutt:
    """Return the putt of a question; `own` are the golfer's senses, by which readings of a green are taken.

    Raises
    ------
    NotFoundError
        Where it has none: no such green among theirs, or a seed that gives no putt there.
    NotAllowedError
        In Competition.
    """
    both = (question, question.other) if question.asks is Asks.PAIR else (question,)
    try:
        if question.ground == MADE or question.asks in BARE:
            return AskedPutt(question, tuple(made_putt(one) for one in both))
        surface, outline = _green(viewer, session, question.ground, own or {})
        return AskedPutt(question, tuple(putt_on(one, surface, outline) for one in both))
    except NoPuttError as error:
        raise NotFoundError(MISSING) from error


@open_play(ROOM)
def open_trainer(_viewer: Viewer) -> None:
    """Say nothing in Open play; refused in Competition."""


@open_play(ROOM)
def may_be_asked(_viewer: Viewer, asked: AskedPutt) -> bool:
    """Return whether a putt has what is asked for; refused in Competition."""
    return can_ask(asked.question.asks, asked.putts)


@open_play(ROOM)
def mark(_viewer: Viewer, asked: AskedPutt, given: Given, golfer: GolferFigures) -> Marked:
    """Return what an answer is worth; nothing is kept.

    Raises
    ------
    InvalidError
        Where no ball can be started so.
    NotFoundError
        Where there is nothing to ask of the putt.
    NotAllowedError
        In Competition.
    """
    try:
        return marked(asked.question.asks, asked.putts, given, golfer)
    except NoAnswerError as error:
        raise InvalidError("answer", "No ball can be started so on this putt: say another.") from error
    except NoPuttError as error:
        raise NotFoundError(MISSING) from error


def _green(
    viewer: Viewer, session: Session, ground: str, own: Mapping[str, Sense]
) -> tuple[Surface, Outline]:
    if ground in TERNHOLM_GREENS:
        return _ternholm(ground)
    number = ground.removeprefix(OWN)
    if number == ground or not number.isdecimal() or len(number) > LONGEST_NUMBER or viewer.golfer is None:
        raise NotFoundError(MISSING)
    try:
        known = known_of(viewer, find_green(viewer, session, int(number)).chart, dict(own))
    except DomainError as error:
        raise NotFoundError(MISSING) from error
    if known is None:
        raise NotFoundError("Nothing is read of that green yet: chart it first, under Greens.")
    return known.survey, known.outline


@lru_cache(len(TERNHOLM_GREENS))
def _ternholm(ground: str) -> tuple[Surface, Outline]:
    green = next(one for one in DEMO_GREENS if f"{TERNHOLM}{one.number}" == ground)
    return green.ground, Outline(green.corners)
