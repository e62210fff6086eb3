"""The variables of a question and of its answer."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Any, NamedTuple
from urllib.parse import urlencode

from orthocline.core.calls import GATE_SHARE, GolferFigures
from orthocline.core.ground import Plane
from orthocline.core.roll import Putt
from orthocline.core.train import Asks, Cue, Given, Marked, Shown, turned
from orthocline.drawing.scene import Scene, Spot
from orthocline.drawing.sight.framing import Looking
from orthocline.drawing.train.answered import Answered, answered
from orthocline.drawing.train.asked import AskedSheet, Placed
from orthocline.services.train.putts import OWN, AskedPutt
from orthocline.services.train.sessions import READER, Going, TrainedQuestion
from orthocline.web.train.forms import FIRST_SCHOOL, STAND_WORDS, DraftForm, question_fields
from orthocline.wording.calls import SAYINGS
from orthocline.wording.quantities import QuantityError
from orthocline.wording.train.questions import (
    QUESTIONS,
    Chip,
    QuestionWords,
    chips,
    cue_words,
    facts_words,
    felt_words,
    given_text,
    parse_given,
)
from orthocline.wording.train.results import challenge_words, result_words, score_words, verdict_words
from orthocline.wording.wording import Wording

PLACED = (Asks.AMOUNT, Asks.GATE, Asks.APEX)
TYPED = (*PLACED, Asks.PLAYS, Asks.ENTRY, Asks.PACE, Asks.SLOPE)
WALKED = (Asks.STRAIGHT,)
TURNS_DEG = (-45, -15, -5, 5, 15, 45)
MOST_STEPS, ALONG_STEPS = 60, 6
"""At most so many steps near the hole at once; a step along the putt is so many of them."""
APEX_SHARE = 0.6
"""A mark for an apex begins this far along."""


class Way(NamedTuple):
    """A way to look: what it is sent as, what it says, and whether one looks so."""

    name: str
    says: str
    here: bool


@dataclass(frozen=True, kw_only=True)
class OfQuestion:
    """What a question's page and its answer's have in common.

    Attributes
    ----------
    row : TrainedQuestion or None
        The question as it is kept; None for one by a link.
    going : Going or None
        The session that it is of.
    """

    asked: AskedPutt
    golfer: GolferFigures
    wording: Wording
    row: TrainedQuestion | None = None
    going: Going | None = None

    @property
    def asks(self) -> Asks:
        """What is asked."""
        return self.asked.question.asks

    @property
    def words(self) -> QuestionWords:
        """The question."""
        return QUESTIONS[self.asks]

    @property
    def challenge(self) -> str:
        """The address that asks anyone else the same; empty on a green of one's own."""
        question = self.asked.question
        if question.ground.startswith(OWN):
            return ""
        return f"/train/putt?{urlencode(question_fields(question))}"

    @property
    def action(self) -> str:
        """Where an answer is sent."""
        return f"/train/asked/{self.row.id}" if self.row else self.challenge

    @property
    def numbered(self) -> str:
        """Which question of a session it is: ``3 of 10``."""
        if self.row is None or self.going is None:
            return ""
        return f"{self.row.number} of {self.going.session.wanted}"

    @property
    def facts(self) -> str:
        """What is said of the putt."""
        return "" if self.asks is Asks.CARD else facts_words(self.asked.putt, self.wording)

    @property
    def of_reader(self) -> bool:
        """Whether it is one of the twelve of which reader one is."""
        return self.going is not None and self.going.session.asks == READER

    @property
    def felt(self) -> bool:
        """Whether its slope is told as feet feel it, and its ground shows nothing."""
        return self.row is not None and self.row.shown == Shown.FELT


@dataclass(frozen=True, kw_only=True)
class QuestionView(OfQuestion):
    """A question with an answer that is not given yet."""

    draft: DraftForm
    error: str = ""

    @cached_property
    def given(self) -> Given | None:
        """The answer; None where it cannot be read, or is not there yet."""
        try:
            return self.parsed()
        except QuantityError:
            return None

    def parsed(self) -> Given:
        """Return the answer; raises QuantityError where it cannot be read, or is not there yet."""
        draft = self.draft
        return parse_given(
            self.asks,
            draft.answer.data or "",
            self.wording,
            by=draft.by.data or FIRST_SCHOOL,
            side=draft.side.data or "right",
            putt=self.asked.putt,
        )

    @property
    def turn_deg(self) -> float:
        """How far round the hole one has walked [degrees]."""
        return math.degrees(self.given.figures[0]) if self.asks is Asks.STRAIGHT and self.given else 0.0

    @cached_property
    def sheets(self) -> list[AskedSheet]:
        """The putt as it is seen; of a pair both."""
        putts: tuple[Putt, ...] = self.asked.putts
        if self.asks is Asks.STRAIGHT:
            putts = (turned(putts[0], math.radians(self.turn_deg)),)
        if self.felt:
            # What is felt is not to be seen.
            putts = (replace(putts[0], surface=Plane(0.0, 0.0)),)
        shape = "low" if len(putts) > 1 else "alone"
        looking = Looking(shape=shape) if self.felt else self.draft.looking(shape)
        return [
            AskedSheet(
                *(one, self.cue, looking, self.golfer, self.wording, self._sun_rad(one)),
                bare=self.asks is Asks.CARD,
                across_m=GATE_SHARE * one.length_m if self.asks is Asks.GATE else None,
            )
            for one in putts
        ]

    @property
    def cue(self) -> Cue:
        """What the ground shows."""
        return Cue.HORIZON if self.felt else self.asked.cue

    def _sun_rad(self, putt: Putt) -> float:
        """Return where the sun stands, clockwise from the way to the hole: it stays as one walks round it."""
        walked = putt.bearing_rad if self.asks is Asks.STRAIGHT else 0.0
        return math.radians(self.asked.question.seed % 360) + walked

    @cached_property
    def scenes(self) -> list[Scene]:
        """The drawings."""
        says = f"{self.words.asks} {self.facts}"
        names = ("asked", "asked-other")
        return [one.scene(says, self.placed, name) for one, name in zip(self.sheets, names, strict=False)]

    @property
    def placed(self) -> Placed | None:
        """The mark where the answer has it."""
        length = self.asked.putt.length_m
        if self.given is None:
            return None
        first = self.given.figures[0]
        if self.asks is Asks.APEX:
            return Placed(first, self.given.figures[1])
        if self.asks is Asks.AMOUNT:
            return Placed(length, first, aimed=True) if self.given.school == FIRST_SCHOOL else None
        if self.asks is Asks.GATE:
            return Placed(GATE_SHARE * length, first)
        return None

    @property
    def says(self) -> str:
        """What the ground shows of itself, or what is felt."""
        if self.felt:
            return felt_words(self.asked.putt, self.wording)
        if self.asks is Asks.CARD:
            return ""
        first = self.sheets[0]
        return cue_words(self.cue, first.sun_rad - first.sight.eye.heading_rad)

    @property
    def chips(self) -> list[Chip]:
        """Answers by one tap."""
        return chips(self.asks, self.asked.putt, self.wording)

    @property
    def placing(self) -> bool:
        """Whether the answer is placed on the drawing."""
        return self.asks in PLACED

    @property
    def typing(self) -> bool:
        """Whether the answer can be typed."""
        return self.asks in TYPED

    @property
    def example(self) -> str:
        """An answer as it would be typed."""
        school = {Asks.AMOUNT: self.draft.by.data or FIRST_SCHOOL, Asks.GATE: "curve_gate"}.get(self.asks)
        if school in SAYINGS:
            return SAYINGS[school].example(self.wording)
        length, wording = self.asked.putt.length_m, self.wording
        examples = {
            Asks.APEX: f"{wording.far(0.6 * length)} ahead, {wording.exact(0.15)} left",
            Asks.ENTRY: "4:30",
            Asks.PACE: f"{wording.far(0.6)} past",
            Asks.PLAYS: wording.far(1.1 * length),
            Asks.SLOPE: wording.slope(0.02),
        }
        return examples.get(self.asks, "")

    @property
    def stands(self) -> list[Way]:
        """From where it can be looked at; a card, a pair and what is felt from behind the ball alone."""
        if self.felt or self.asks in (Asks.CARD, Asks.PAIR):
            return []
        return [Way(name, said, name == self.draft.stop.data) for name, said in STAND_WORDS.items()]

    @property
    def turns(self) -> list[Way]:
        """Steps round the hole."""
        if self.asks not in WALKED:
            return []
        return [
            Way(
                f"{self.turn_deg + turn:g}",
                f"{abs(turn)}° {'left' if turn > 0 else 'right'}",
                here=False,
            )
            for turn in reversed(TURNS_DEG)
        ]

    def tapped(self, spot: Spot) -> dict[str, str]:
        """Return the draft's fields with the answer where it was tapped; as they are over the sky."""
        (sheet, *_), length = self.sheets, self.asked.putt.length_m
        if self.asks is Asks.APEX:
            place = sheet.place_at(spot)
            return self._with((min(max(place[0], 0.0), length), place[1])) if place else self.draft.fields
        along = length if self.asks is Asks.AMOUNT else GATE_SHARE * length
        return self._with((sheet.aside_at(along, spot.x),))

    def stepped(self, aside: int, along: int) -> dict[str, str]:
        """Return the draft's fields with the answer so many steps aside, and of an apex along."""
        near = self.wording.units.near_m
        most = MOST_STEPS
        right, further = (near * max(-most, min(step, most)) for step in (aside, ALONG_STEPS * along))
        if self.asks is not Asks.APEX:
            first = self.given.figures[0] if self.given else 0.0
            return self._with((first + right + further / ALONG_STEPS,))
        length = self.asked.putt.length_m
        at, off = self.given.figures if self.given else (APEX_SHARE * length, 0.0)
        return self._with((min(max(at + further, 0.0), length), off + right))

    def _with(self, figures: tuple[float, ...]) -> dict[str, str]:
        text, side = given_text(self.asks, Given(figures, FIRST_SCHOOL), self.wording)
        return self.draft.fields | {"answer": text, "side": side, "by": FIRST_SCHOOL}


@dataclass(frozen=True, kw_only=True)
class AnswerView(OfQuestion):
    """An answered question.

    Attributes
    ----------
    again : bool
        Whether it had been answered before: then that answer holds.
    challenger : mapping or None
        Who gave the link that led here, and what they scored.
    """

    given: Given
    found: Marked
    again: bool = False
    challenger: Mapping[str, Any] | None = None

    @property
    def rival(self) -> str:
        """Who challenged to this, and what they scored; empty where nobody did."""
        if self.challenger is None:
            return ""
        return challenge_words(self.challenger["by"], self.challenger["score"], self.found.score)

    @property
    def verdict(self) -> str:
        """Whether it serves."""
        return verdict_words(self.asks, self.found)

    @property
    def result(self) -> str:
        """What was said, and what is so."""
        return result_words(self.asks, self.given, self.found, self.golfer, self.wording)

    @property
    def score(self) -> str:
        """Its score."""
        return score_words(self.found.score)

    @cached_property
    def drawn(self) -> Answered:
        """Both drawings, with the balls that roll in them."""
        return answered(self.found, self.golfer, self.wording, says=f"{self.verdict} {self.result}")

    @property
    def rolls(self) -> list[dict[str, Any]]:
        """Where the balls are, for the script."""
        return self.drawn.rolls

    @property
    def late(self) -> bool:
        """Whether it came after its session was ended."""
        return self.row is not None and self.row.late

    @property
    def done(self) -> bool:
        """Whether its session has ended."""
        return self.going is not None and self.going.session.ended_at is not None
