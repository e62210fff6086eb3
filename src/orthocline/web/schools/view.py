"""The variables of two schools side by side."""

from dataclasses import dataclass
from functools import cached_property

from orthocline.core.calls import GolferFigures
from orthocline.core.roll import Read
from orthocline.drawing.roll.plan import plan
from orthocline.drawing.scene import Scene
from orthocline.services.account.access import Viewer
from orthocline.services.read.schools import Played, SideBySide, side_by_side
from orthocline.web.shared.asked import Asked
from orthocline.wording.calls import SAYINGS
from orthocline.wording.calls.parting import blind_words, parting_words
from orthocline.wording.figures import capital
from orthocline.wording.read.call import Call, call
from orthocline.wording.read.rolled import fate_words
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class SchoolView:
    """One school: what it is called, says, does and does not know."""

    title: str
    figures: str
    rest: str
    played: str
    blind: str


@dataclass(frozen=True)
class TwoView:
    """Everything the page shows."""

    asked: Asked
    viewer: Viewer
    golfer: GolferFigures
    names: tuple[str, str]
    solved: Read

    @property
    def wording(self) -> Wording:
        """How the golfer says figures."""
        return self.asked.wording

    @cached_property
    def two(self) -> SideBySide:
        """What both say, and where they part."""
        return side_by_side(self.viewer, self.solved, self.names, self.golfer)

    @property
    def call(self) -> Call:
        """The call, for what both are held against."""
        return call(self.solved, self.wording, self.golfer)

    @property
    def schools(self) -> tuple[SchoolView, ...]:
        """Both schools."""
        return tuple(self._school(one) for one in self.two.schools)

    @property
    def parting(self) -> str:
        """Where they part."""
        return parting_words(self.two.parting, self.wording)

    @property
    def plan(self) -> Scene:
        """Both balls, beside the read's."""
        rolls = {self._title(one).lower(): one.rolled for one in self.two.schools if one.rolled}
        says = f"{self.call.sentence} {self.parting}"
        return plan(self.solved.putt, self.solved, self.wording, rolls, says=says, golfer=self.golfer).scene

    def _title(self, one: Played) -> str:
        return SAYINGS[one.name].title(self.wording)

    def _school(self, one: Played) -> SchoolView:
        said = SAYINGS[one.name].words(self.solved, one.value, self.wording)
        played = "Nobody plays by it here."
        if one.rolled:
            played = f"Played so, it would {fate_words(self.solved, one.rolled, self.wording)}"
        return SchoolView(
            self._title(one),
            capital(said.figures) if said else "Nothing to say",
            said.rest if said else "",
            played,
            blind_words(one.name, self.wording),
        )
