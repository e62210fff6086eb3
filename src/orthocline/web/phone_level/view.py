"""The variables of the phone as a level."""

from dataclasses import dataclass
from urllib.parse import parse_qsl, urlencode

from orthocline.core.ground import HiddenPlace, PhoneLevel
from orthocline.drawing.ground.bubble import bubble_drawing
from orthocline.drawing.scene import Scene
from orthocline.web.shared.readings import FIELD
from orthocline.wording.ground.phone_level import (
    error_words,
    hidden_words,
    kept_error_words,
    level_words,
    sure_words,
)
from orthocline.wording.wording import Wording

ENDS = {"across": ("left", "right"), "along": ("ball", "hole")}


@dataclass(frozen=True)
class LevelView:
    """What the page shows.

    Attributes
    ----------
    found : PhoneLevel or None
        None until both readings are there.
    way : str
        `across` or `along`.
    read : str
        The query of the read that the slope is for; empty for none.
    at : str
        Where along that putt it lies, as its address says it; empty for half-way, or the whole putt.
    ask : str
        What it answers in the walk, whose query `read` is then; empty where it is for a read.
    hidden : HiddenPlace or None
        Where the simulated phone lies.
    pair : str
        A slope that was guessed before, to be compared: its fields as a query; empty for none.
    lone : str
        How old the phone's own error is, where it was not turned round; empty where it was.
    """

    found: PhoneLevel | None
    way: str
    read: str
    at: str
    ask: str
    hidden: HiddenPlace | None
    wording: Wording
    pair: str = ""
    lone: str = ""

    @property
    def words(self) -> str:
        """How the ground slopes."""
        if self.found is None:
            return "Lay it down, then turn it round."
        return level_words(self.found, across=self.way == "across", wording=self.wording)

    @property
    def error(self) -> str:
        """The phone's own error."""
        if self.found is None:
            return ""
        return kept_error_words(self.found, self.lone) if self.lone else error_words(self.found)

    @property
    def sure(self) -> str:
        """Within how much that is known."""
        return sure_words(self.wording) if self.found else ""

    @property
    def revealed(self) -> str:
        """What was hidden."""
        if self.hidden is None:
            return ""
        return hidden_words(self.hidden, across=self.way == "across", wording=self.wording)

    @property
    def drawing(self) -> Scene:
        """The bubble."""
        return bubble_drawing(self.found, self.words, ENDS[self.way])

    @property
    def size(self) -> str:
        """The slope as the walk takes it: below nothing where it falls to the left, or to the hole."""
        if self.found is None or not self.ask:
            return ""
        falls = -self.found.slope if self.way == "across" else self.found.slope
        return f"{'-' if falls < 0.0 else ''}{self.wording.typed_slope(abs(falls))}"

    @property
    def compared(self) -> dict[str, str]:
        """The fields of a guess with what the phone reads; none where nothing was guessed."""
        if self.found is None or not self.pair:
            return {}
        guessed = dict(parse_qsl(self.pair))
        return guessed | {"level": self.wording.typed_slope(abs(self.found.slope))}

    @property
    def read_with(self) -> str:
        """The address of the read with this slope in it."""
        if self.found is None or self.ask or self.pair:
            return ""
        slope = self.wording.typed_slope(abs(self.found.slope))
        fields = dict(parse_qsl(self.read))
        places = [found for name in fields if (found := FIELD.fullmatch(name))]
        if places:
            ways = ("left", "right") if self.way == "across" else ("ball", "hole")
            said = {
                "at": self.at or "50 %",
                "falls": ways[self.found.slope < 0.0],
                "size": slope,
                "by": "phone",
            }
            number = 1 + max((int(found[1]) for found in places), default=-1)
            fields |= {f"spot-{number}-{name}": text for name, text in said.items()}
            return f"/read?{urlencode(fields)}"
        if self.way == "across":
            falls = "left" if self.found.slope > 0.0 else "right"
            fields |= {"side": slope, "falls": falls, "side_from": "phone"}
        else:
            way = "up" if self.found.slope > 0.0 else "down"
            fields |= {"rise": slope, "slope": way, "rise_from": "phone"}
        return f"/read?{urlencode(fields)}"
