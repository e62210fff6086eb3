"""The variables of the page of grain."""

import math
from dataclasses import dataclass, replace
from datetime import datetime
from functools import cached_property
from typing import NamedTuple
from urllib.parse import urlencode

from orthocline.core.calls import GolferFigures
from orthocline.core.grain import GRASSES, Clue
from orthocline.core.roll import NO_GRAIN, Putt
from orthocline.core.units import wrap_rad
from orthocline.drawing.ground.cup_clues import SIZE, CupSheet, cup_sheet
from orthocline.services.account.access import Viewer
from orthocline.services.read.grain import GrainSaid, grain_by, grain_effect
from orthocline.services.read.reading import read_putt
from orthocline.web.grain.forms import GrainForm
from orthocline.web.shared.asked import Asked
from orthocline.web.shared.calls import call_of
from orthocline.web.shared.placing import Pin, pin_at
from orthocline.web.shared.read_request import ReadRequest
from orthocline.wording.ground.grain import (
    CLUE_WORDS,
    GRASS_WORDS,
    effect_words,
    grows_words,
    odds_words,
    worth_words,
)
from orthocline.wording.read.call import Call
from orthocline.wording.wording import Wording

OPEN = ("grain", "grain_last")
"""The fields of a read that have fields of their own here."""


class Conflict(NamedTuple):
    """Two clues that contradict: in words, and the addresses that take one of them away."""

    says: str
    without: tuple[tuple[str, str], ...]


@dataclass(frozen=True)
class GrainView:
    """Everything that the page shows.

    Attributes
    ----------
    asked : Asked
        The read; its grain as it was typed.
    form : GrainForm
        What is seen.
    valid : bool
        Whether that can be taken.
    """

    viewer: Viewer
    asked: Asked
    form: GrainForm
    valid: bool
    golfer: GolferFigures
    wording: Wording
    now: datetime

    @cached_property
    def clues(self) -> list[Clue]:
        """What is seen."""
        return self.form.clues() if self.valid else []

    @cached_property
    def said(self) -> GrainSaid:
        """What it says."""
        return grain_by(self.viewer, self.clues)

    @cached_property
    def read(self) -> ReadRequest | None:
        """The read with grain by its clues; with none where they contradict, as it was without clues."""
        read = self.asked.read
        return _grown(read, self.said) if read and self.clues else read

    @property
    def fields(self) -> dict[str, str]:
        """The fields of the address that the page keeps as they are."""
        said = self.asked.read.exact if self.asked.read else self.asked.typed
        return {name: text for name, text in said.items() if text and name not in OPEN}

    @property
    def shown(self) -> dict[str, str]:
        """The fields of the read as they are shown."""
        return self.asked.read.shown if self.asked.read else self.asked.typed

    @property
    def errors(self) -> dict[str, str]:
        """What is wrong, by field."""
        return {**self.asked.errors, **{name: str(said[0]) for name, said in self.form.errors.items()}}

    @property
    def address(self) -> str:
        """The address of the page as it stands."""
        return f"/grain?{urlencode({**self._said_fields, **self._seen_fields()})}"

    @property
    def _said_fields(self) -> dict[str, str]:
        return self.asked.read.exact if self.asked.read else {}

    def _seen_fields(self, without: str = "") -> dict[str, str]:
        """Return the fields of what is seen, one clue left out."""
        kinds = ("sheen", "sheen_at", "sheen_doubt") if without in ("shiny", "dark") else (without,)
        fields = {}
        for field in self.form:
            if field.name not in (*kinds, f"{without}_doubt") and field.data:
                fields[field.name] = "y" if field.data is True else str(field.data)
        return fields

    @property
    def grasses(self) -> list[tuple[str, str]]:
        """Grasses by name, with what they are."""
        return [(name, GRASS_WORDS[name]) for name in GRASSES]

    @cached_property
    def putt(self) -> Putt | None:
        """The putt that is read."""
        return self.read.asked_putt if self.read else None

    @property
    def lead(self) -> str:
        """Which way the grass grows."""
        if self.putt is None:
            return "Not read yet."
        if self.said.conflicts:
            return "The clues contradict each other."
        grain = self.putt.grain
        return grows_words(-grain.toward_rad) if grain.strength else "No grain is noted yet."

    @property
    def sure(self) -> str:
        """How sure its way is."""
        way = self.said.way
        return f"Its way is known within {math.degrees(2.0 * way.sd_rad):.0f}°." if way else ""

    @property
    def conflicts(self) -> list[Conflict]:
        """Which clues contradict, with the ways out."""
        found = []
        for pair in self.said.conflicts:
            kinds = [self.clues[i].kind for i in pair]
            found.append(Conflict(odds_words(pair, self.clues), tuple(map(self._way_out, kinds))))
        return found

    def _way_out(self, without: str) -> tuple[str, str]:
        """Return what takes a clue away, and the address that does."""
        left = {**self._said_fields, **self._seen_fields(without)}
        return f"Take the {CLUE_WORDS[without].noun} away", f"/grain?{urlencode(left)}"

    @property
    def effect(self) -> str:
        """What the grain is worth, and what it does to the putt."""
        found = grain_effect(self.viewer, self.putt) if self.putt else None
        if found is None or self.putt is None:
            return ""
        does = effect_words(found.aim_right_m, found.plays_longer_m, self.putt.length_m, self.wording)
        return f"{worth_words(found.worth, self.wording)} {does}"

    @cached_property
    def sheet(self) -> CupSheet:
        """The drawing."""
        odd = {i for pair in self.said.conflicts for i in pair}
        return cup_sheet(self.clues, self.said.way, odd, self.lead)

    @property
    def pins(self) -> list[Pin]:
        """What can be dragged round the cup."""
        return [
            pin_at(one.kind, (CLUE_WORDS[one.kind].noun.capitalize(), PIN_SAYS), at, SIZE)
            for one, at in zip(self.clues, self.sheet.spots, strict=True)
        ]

    @cached_property
    def call(self) -> Call | None:
        """The call with this grain."""
        solved = read_putt(self.viewer, self.putt) if self.putt else None
        return call_of(self.viewer, self.read, solved, self.golfer, self.now)

    @property
    def read_address(self) -> str:
        """The read with this grain."""
        return f"/read?{self.read.query}" if self.read else "/read"


PIN_SAYS = "drag it round the cup, or use the arrow keys"


def _grown(read: ReadRequest, said: GrainSaid) -> ReadRequest:
    """Return a read with grain the way that clues give; without any where they give none."""
    putt, known = read.putt, read.known
    if said.way is None:
        return replace(read, putt=replace(putt, grain=NO_GRAIN))
    grain = replace(putt.grain, toward_rad=wrap_rad(-said.way.toward_rad))
    by = replace(known.grain_by, way_within_deg=round(math.degrees(2.0 * said.way.sd_rad)))
    return replace(read, putt=replace(putt, grain=grain), known=replace(known, grain_by=by))
