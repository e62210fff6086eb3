"""The variables of which reader one is."""

from dataclasses import dataclass

from orthocline.drawing.scene import Scene
from orthocline.drawing.train.reader import reader_drawing
from orthocline.services.train.record import ReaderTest
from orthocline.wording.calls import SAYINGS
from orthocline.wording.train.reader import EYES, LINES, either_words, evidence_words
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class ReaderView:
    """What twelve answers say; `test` is None before the first was begun."""

    test: ReaderTest | None
    wording: Wording
    measures: str

    @property
    def complete(self) -> bool:
        """Whether all twelve are answered."""
        return self.test is not None and self.test.complete

    @property
    def left(self) -> int:
        """How many answers are missing, of a test that was begun."""
        if self.test is None:
            return 0
        return self.test.session.wanted - sum(one.answered_at is not None for one in self.test.rows)

    @property
    def waits(self) -> bool:
        """Whether a test goes on."""
        return self.test is not None and self.test.session.ended_at is None

    @property
    def headline(self) -> str:
        """The school that suits, and whether that is sure."""
        assert self.test is not None, "there are answers"
        verdict = self.test.verdict
        school = SAYINGS[verdict.school].title(self.wording)
        sure = verdict.lines.told and verdict.eyes.told
        return f"{school} suits you best." if sure else f"{school}, perhaps."

    @property
    def sentences(self) -> list[tuple[str, str]]:
        """Lines or curves, and eyes or feet: each with its evidence."""
        assert self.test is not None, "there are answers"
        verdict = self.test.verdict
        return [
            (either_words(verdict.lines, LINES), evidence_words(verdict.lines, LINES)),
            (either_words(verdict.eyes, EYES), evidence_words(verdict.eyes, EYES)),
        ]

    @property
    def drawing(self) -> Scene:
        """How far off each answer was."""
        assert self.test is not None, "there are answers"
        says = " ".join(one for one, _ in self.sentences)
        return reader_drawing([(one.asks, one.shown, abs(one.off or 0.0)) for one in self.test.rows], says)
