"""The variables of the phone as a level."""

from dataclasses import dataclass

from orthocline.core.drills import HiddenPlace
from orthocline.core.ground import PhoneLevel
from orthocline.drawing.ground.bubble import bubble_drawing
from orthocline.drawing.scene import Scene
from orthocline.web.shared.errand import Errand, Laid
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
    errand : Errand
        What the slope is for.
    hidden : HiddenPlace or None
        Where the simulated phone lies.
    lone : str
        How old the phone's own error is, where it was not turned round; empty where it was.
    """

    found: PhoneLevel | None
    way: str
    errand: Errand
    hidden: HiddenPlace | None
    wording: Wording
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
    def laid(self) -> Laid | None:
        """What was read, once it is."""
        return Laid("phone", self.way, self.found.slope) if self.found else None
