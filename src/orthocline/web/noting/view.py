"""The variables of the page on which a putt is noted."""

from dataclasses import dataclass

from orthocline.core.log import Finish
from orthocline.drawing.log.finish import Target, target
from orthocline.services.log.entries import Entry
from orthocline.services.log.outings import Outing
from orthocline.web.shared.log_rows import Row, row
from orthocline.web.shared.note_forms import JudgedForm, NoteForm
from orthocline.wording.log.putt import turn_words
from orthocline.wording.wording import Wording

USUAL_LENGTHS = {"ft": (3, 5, 8, 12, 20, 30), "m": (1, 1.5, 2.5, 4, 6, 10)}
"""Lengths that a tap fills in, in the golfer's unit."""


@dataclass(frozen=True)
class NoteView:
    """The page of the next putt.

    Attributes
    ----------
    outing : Outing or None
        The round or practice that it belongs to.
    before : Entry or None
        The putt that was noted just now.
    judged : JudgedForm or None
        What is asked of the green that is holed out, and `of_first` the number of its first putt.
    """

    form: NoteForm
    wording: Wording
    span: str
    outing: Outing | None = None
    before: Entry | None = None
    judged: JudgedForm | None = None
    of_first: int = 0

    @property
    def target(self) -> Target:
        """The drawing to tap on, with the place that is typed."""
        along, across = self.form.along.figure, self.form.across.figure
        placed = along is not None and across is not None and not self.form.errors
        return target(Finish(along or 0.0, across or 0.0) if placed else None, self.span, self.wording)

    @property
    def title(self) -> str:
        """Which putt is noted."""
        said = turn_words(self.form.hole.data, self.form.number.data or 1)
        return f"{said[0].upper()}{said[1:]}" if said else "Note a putt"

    @property
    def lengths(self) -> tuple[float, ...]:
        """Lengths to tap."""
        return USUAL_LENGTHS[self.wording.units.far]

    @property
    def noted(self) -> Row | None:
        """The putt that was noted just now, in words."""
        return row(self.before, self.wording) if self.before else None
