"""The variables of a practice session."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import NamedTuple

from orthocline.core.drills import QUESTIONS, Slot
from orthocline.services.train.drills import Shelf
from orthocline.services.train.practice import Need, Practice
from orthocline.web.shared.set_sessions import SetRow
from orthocline.wording.train.practice import minute_words, need_words, spent_words

QUESTIONS_NAME = "Ten questions"


class SlotRow(NamedTuple):
    """A part of a session: when, what, how long, why, its address, and whether it is done or on."""

    begins: str
    name: str
    minutes: str
    why: str
    address: str
    done: bool
    here: bool


@dataclass(frozen=True)
class PracticeView:
    """A session as it is planned, or as far as it has come."""

    minutes: str
    slots: Sequence[Slot]
    needs: Mapping[str, Need]
    shelf: Shelf
    going: Practice | None
    error: str = ""
    from_coach: Sequence[SetRow] = ()

    @property
    def rows(self) -> list[SlotRow]:
        """Its parts."""
        done = self.going.row.done if self.going else 0
        return [self._row(one, number, done) for number, one in enumerate(self.slots)]

    def _row(self, slot: Slot, number: int, done: int) -> SlotRow:
        drill = self.shelf.drills.get(slot.what)
        name = QUESTIONS_NAME if slot.what == QUESTIONS else drill.name if drill else slot.what
        address = "/train" if slot.what == QUESTIONS or drill is None else f"/train/drills/{slot.what}"
        return SlotRow(
            minute_words(slot.begins),
            name,
            f"{slot.minutes:g} min",
            need_words(slot.trains, *self._need(slot.trains)),
            address,
            number < done,
            self.going is not None and number == done,
        )

    def _need(self, trains: str) -> tuple[float, str]:
        need = self.needs.get(trains)
        return (need.much, need.by) if need else (1.0, "")

    @property
    def spent(self) -> str:
        """How long it has been going on, without its pauses."""
        return spent_words(self.going.spent_s) if self.going else ""
