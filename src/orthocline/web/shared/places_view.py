"""The ground read in places, on the page: its rows, what disagrees, how it is drawn, how the putt falls."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property
from typing import NamedTuple

from orthocline.core.ground import Conflict
from orthocline.core.roll import Read
from orthocline.drawing.ground.readings import Marks
from orthocline.services.account.access import Viewer
from orthocline.services.read.reading import conflicting, how_it_falls
from orthocline.web.shared.read_form import UNREAD_LENGTH_M
from orthocline.web.shared.read_request import ReadRequest
from orthocline.web.shared.readings import FIELD, PARTS, ReadingForm, reading_forms
from orthocline.wording.ground.readings import conflict_words, fall_words, place_words
from orthocline.wording.wording import Wording


class PlaceRow(NamedTuple):
    """A reading in its row: its fields, and where it stands in words."""

    form: ReadingForm
    where: str


@dataclass(frozen=True)
class PlacesView:
    """What the page says of readings; a part that is not shown is not worked out.

    Attributes
    ----------
    viewer : Viewer
    read : ReadRequest or None
        None while something cannot be read.
    shown : mapping
        The fields of the page.
    """

    viewer: Viewer
    read: ReadRequest | None
    shown: Mapping[str, str]
    wording: Wording

    @cached_property
    def rows(self) -> list[PlaceRow]:
        """The readings, in their order."""
        length = self.read.putt.length_m if self.read else UNREAD_LENGTH_M
        forms = reading_forms(self.shown, length, self.wording)
        wheres = self.wheres if self.read else [""] * len(forms)
        return [PlaceRow(*one) for one in zip(forms, wheres, strict=True)]

    @property
    def on_green(self) -> int:
        """The number of the charted green whose ground it is; 0 for none."""
        return self.read.lie.on.green_id if self.read and self.read.lie else 0

    @property
    def wheres(self) -> list[str]:
        """Where each reading stands, in words."""
        return [place_words(one.reading.at) for one in self.read.noted] if self.read else []

    @property
    def names(self) -> list[str]:
        """The names of their fields."""
        numbers = {int(found[1]) for name in self.shown if (found := FIELD.fullmatch(name))}
        return [f"spot-{number}-{part}" for number in sorted(numbers) for part in PARTS]

    @cached_property
    def _conflicts(self) -> tuple[Conflict, ...]:
        if self.read is None or not self.read.noted:
            return ()
        own = self.wording.calibration.senses
        return conflicting(self.viewer, self.read.readings.plain, self.read.putt.length_m, own)

    @property
    def conflicts(self) -> tuple[str, ...]:
        """Which readings disagree."""
        return tuple(conflict_words(one, self.read.readings.plain) for one in self._conflicts if self.read)

    @cached_property
    def marks(self) -> Marks | None:
        """The readings as they are drawn; None where there are none."""
        if self.read is None or not self.read.noted:
            return None
        disagree = frozenset(i for one in self._conflicts for i in (one.one, one.other))
        return Marks(self.read.readings.plain, disagree)

    def fall(self, answer: Read | None, now: datetime) -> str:
        """Return how the whole putt falls, and how sure that is."""
        if answer is None or self.read is None or not (self.read.noted or self.read.lie):
            return ""
        fall = how_it_falls(self.viewer, answer, self.read.uncertainty(now))
        return fall_words(fall, self.wording)
