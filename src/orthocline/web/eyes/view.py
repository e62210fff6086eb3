"""The variables of a putt through the golfer's eyes."""

from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple
from urllib.parse import urlencode

from orthocline.core.calls import SCHOOLS
from orthocline.core.ground import STOPS
from orthocline.drawing.sight.eyes import Eyes, through_eyes
from orthocline.drawing.sight.framing import Looking, PuttFacts
from orthocline.drawing.sight.rolling import rolling_rows
from orthocline.web.eyes.forms import looking_fields
from orthocline.web.shared.answered import Answered
from orthocline.web.shared.places_view import PlacesView
from orthocline.wording.calls import SAYINGS
from orthocline.wording.calls.saying import beside_line
from orthocline.wording.ground.walk import STOP_WORDS
from orthocline.wording.sight.looking import hidden_words, seen_words

THREE = ("ball", "low_side", "hole")
"""From where a read is mostly looked at."""
LEAST_PER_M = 8.0
"""An aim that a metre moves by fewer units of the sheet to a side cannot be dragged."""


class Look(NamedTuple):
    """A way to look: what it says, its address, whether one looks so, the school it lights, a short name."""

    says: str
    address: str
    here: bool
    school: str = ""
    short: str = ""


@dataclass(frozen=True)
class EyesView(Answered):
    """Everything that is shown of a putt as it is looked at."""

    looking: Looking

    @cached_property
    def eyes(self) -> Eyes | None:
        """The drawing."""
        if self.solved is None:
            return None
        read = self.the_read
        facts = PuttFacts(
            self.answer,
            self.rolls,
            self.sure,
            read.tries_m if read.fan else None,
            self.golfer,
            read.lit,
            PlacesView(self.viewer, read, read.shown, self.wording).marks,
            read.impression_m if self.hidden else None,
            self.words.sentence if self.words else "Where would you aim?",
        )
        return through_eyes(self.solved.putt, facts, self.looking, self.wording)

    @property
    def stops(self) -> list[Look]:
        """The stops of the walk to look from, those of a read first."""
        names = (*THREE, *(name for name in STOPS if name not in THREE))
        return [
            Look(
                STOP_WORDS[name].title,
                self._address(stop=name, turn="", nod=""),
                name == self.looking.stop.name,
                short=STOP_WORDS[name].short,
            )
            for name in names
        ]

    @property
    def instruments(self) -> list[Look]:
        """What is held up before the eye, behind the ball."""
        if self.answer is None or self.looking.stop.behind_m >= 0.0:
            return []
        return [
            Look(
                SAYINGS[name].title(self.wording), self._address(light=name), self.the_read.lit == name, name
            )
            for name, school in SCHOOLS.items()
            if school.stance
        ]

    @property
    def crouch(self) -> Look:
        """Crouch, or stand up."""
        crouching = self.looking.crouching
        return Look("Crouch", self._address(crouch="" if crouching else "1"), crouching)

    @property
    def flag(self) -> Look:
        """Take the flagstick out, or put it in."""
        return Look("Flagstick", self._address(flag_out="1" if self.looking.flag else ""), self.looking.flag)

    @property
    def ahead(self) -> str:
        """The address that looks straight ahead again; empty where one does."""
        turned = self.looking.turned_rad or self.looking.nod_rad
        return self._address(turn="", nod="") if turned else ""

    @property
    def caption(self) -> str:
        """From where it is seen."""
        assert self.eyes is not None, "there is a drawing"
        return seen_words(self.looking.stop, self.eyes.stand, self.golfer, self.wording)

    @property
    def note(self) -> str:
        """What the ground hides."""
        return hidden_words(self.eyes.hole_hidden, self.eyes.aim_hidden) if self.eyes else ""

    @property
    def address(self) -> str:
        """Its own address."""
        return self._address()

    @property
    def asks(self) -> dict[str, str]:
        """The fields of the address, for the script."""
        return self._fields()

    @property
    def handle(self) -> dict[str, str | float] | None:
        """The aim's mark, for the script: what its drag asks for, where it lies in percent, the aim now [m].

        None where it is not seen, or lies in the line of sight.
        """
        eyes = self.eyes
        if eyes is None or eyes.aim is None or abs(eyes.scene.data["per-m"]) < LEAST_PER_M:
            return None
        return {
            "field": "to_aim" if self.hidden else "to_own",
            "left": round(100.0 * eyes.aim.x / eyes.scene.width, 2),
            "top": round(100.0 * eyes.aim.y / eyes.scene.height, 2),
            "now": round(eyes.aim_m, 4),
            "says": beside_line(eyes.aim_m, self.wording),
        }

    @property
    def rolled(self) -> list[list[float] | None]:
        """Where the ball is on the sheet, thirty times a second, and how large; None while it is not seen."""
        if self.answer is None or self.eyes is None:
            return []
        return rolling_rows(self.answer.track, self.answer.aim.time_to_hole_s, self.eyes.sight)

    def _address(self, **changes: str) -> str:
        return f"/eyes?{urlencode({name: text for name, text in self._fields(**changes).items() if text})}"

    def _fields(self, **changes: str) -> dict[str, str]:
        return {**self.exact, **looking_fields(self.looking), **changes}
