"""The variables of an instrument on a hidden putt."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from typing import NamedTuple
from urllib.parse import parse_qsl, urlencode

from orthocline.core.drills import HiddenPlace
from orthocline.core.roll import Putt
from orthocline.drawing.scene import Scene
from orthocline.drawing.train.laid import laid_drawing
from orthocline.services.train.stand_in import Lay
from orthocline.web.shared.errand import HALF_WAY, Errand, Laid
from orthocline.web.shared.readings import reading_forms
from orthocline.wording.figures import speed_text
from orthocline.wording.ground.readings import said_words
from orthocline.wording.train.laid import (
    AT_WORDS,
    LAID_WORDS,
    laid_sure_words,
    place_words,
    runs_words,
    shows_words,
)
from orthocline.wording.wording import Wording

WAYS = {"across": "across the line", "along": "along it"}


class Choice(NamedTuple):
    """Something that can be chosen: what it says, its address, and whether it is."""

    says: str
    address: str
    here: bool


@dataclass(frozen=True)
class LaidView:
    """Everything the page shows.

    Attributes
    ----------
    laid : Laid
        What the instrument reads.
    other : Laid or None
        What a level reads the other way, where both are wanted.
    errand : Errand
        What it is for; nothing where the hidden putt itself is read.
    noted : str
        The query of the hidden putt's read with what was noted so far.
    shown : HiddenPlace or None
        How the place slopes, once it is shown.
    """

    seed: int
    putt: Putt
    lay: Lay
    laid: Laid
    other: Laid | None
    errand: Errand
    noted: str
    shown: HiddenPlace | None
    wording: Wording

    @property
    def rehearsed(self) -> bool:
        """Whether the hidden putt itself is read, for nothing else."""
        errand = self.errand
        return not (errand.read or errand.ask or errand.pair or errand.straight)

    def address(self, **changed: str) -> str:
        """Return the address of this place with something changed."""
        lay = self.lay
        fields: Mapping[str, str] = {
            **self.errand.fields,
            **({"noted": self.noted} if self.noted else {}),
            **{"by": lay.by, "way": lay.way, "time": str(lay.time), "seed": str(self.seed)},
            **changed,
        }
        return f"/train/stand-in/ground?{urlencode(fields)}"

    @property
    def instruments(self) -> list[Choice]:
        """What can be laid: for a guess or the walk what has a size, for the straight putt what it takes."""
        names = [*LAID_WORDS]
        if self.errand.straight:
            names = ["level", "plate"]
        elif self.errand.ask or self.errand.pair:
            names.remove("plate")
        return [Choice(LAID_WORDS[one], self._with(one), one == self.lay.by) for one in names]

    def _with(self, by: str) -> str:
        """Return the address of another instrument here; the phone has a page of its own."""
        if by != "phone":
            return self.address(by=by, time="1")
        errand = self._read if self.rehearsed else self.errand
        fields = {**errand.fields, "way": self.lay.way, "seed": str(self.seed)}
        return f"/level/simulated?{urlencode(fields)}"

    @property
    def ways(self) -> list[Choice]:
        """How it can be laid; none for a plate, nor where it answers for one way, or both."""
        if self.lay.by == "plate" or self.errand.ask or self.errand.pair or self.other:
            return []
        return [
            Choice(says, self.address(way=one, time="1"), one == self.lay.way) for one, says in WAYS.items()
        ]

    @property
    def places(self) -> list[Choice]:
        """Where it can be laid, on a putt that is read for itself."""
        at = self.errand.at or HALF_WAY
        found = [Choice(says, self.address(at=one, time="1"), one == at) for one, says in AT_WORDS.items()]
        return found if self.rehearsed else []

    @property
    def again(self) -> str:
        """The address of the same, laid once more."""
        return self.address(time=str(self.lay.time + 1))

    @property
    def reveal(self) -> str:
        """The address that shows the place."""
        return self.address(reveal="1")

    @property
    def headline(self) -> str:
        """What is read."""
        if self.laid.fall_rad is not None:
            return runs_words(self.laid.fall_rad)
        laids = [self.laid, *([self.other] if self.other else [])]
        return " ".join(
            shows_words(one.rise, across=one.way == "across", wording=self.wording) for one in laids
        )

    @property
    def facts(self) -> str:
        """What is known of the putt, where it is read for itself."""
        where = AT_WORDS.get(self.errand.at or HALF_WAY, "")
        length = self.wording.far(self.putt.length_m)
        return f"{length}, green speed {speed_text(self.putt.green_speed_ft)}: {where}"

    @property
    def sure(self) -> str:
        """How sure it is."""
        return laid_sure_words(self.lay.by, self.wording)

    @property
    def revealed(self) -> str:
        """How the place slopes."""
        return place_words(self.shown, self.wording) if self.shown else ""

    @cached_property
    def _read(self) -> Errand:
        """The hidden putt's own read, as far as it was noted."""
        speed = speed_text(self.putt.green_speed_ft)
        facts = {"length": self.wording.far(self.putt.length_m), "speed": speed}
        return replace(self.errand, read=self.noted or urlencode(facts), at=self.errand.at or HALF_WAY)

    @property
    def note(self) -> str:
        """The address that notes this reading, and stays."""
        return self.address(noted=urlencode(self._read.read_with(self.laid)), time="1")

    @property
    def read_address(self) -> str:
        """The address of the read with all that was noted."""
        return f"/read?{self.noted}"

    @property
    def readings(self) -> list[str]:
        """What was noted of the hidden putt."""
        given = dict(parse_qsl(self.noted))
        forms = reading_forms(given, self.putt.length_m, self.wording)
        return [said_words(one.noted.reading, self.wording) for one in forms if one.validate()]

    @property
    def drawing(self) -> Scene:
        """The instrument on the ground."""
        figure = self.wording.slope(abs(self.laid.rise))
        return laid_drawing(
            self.laid.way, figure, self.laid.rise, self.laid.fall_rad, self.shown, self.headline
        )
