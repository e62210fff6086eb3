"""The variables of the page of a file that was given."""

from dataclasses import dataclass
from functools import cached_property
from typing import Final

from orthocline.core.chart import Known
from orthocline.drawing.ground.green_map import Shown, green_map
from orthocline.drawing.ground.overview import overview_sheet
from orthocline.drawing.scene import Scene
from orthocline.services.ground.green_import import GivenGreen
from orthocline.services.jobs.jobs import Progress
from orthocline.web.green_files.forms import LookForm
from orthocline.wording.ground.green_files import doubt_words, fact_words
from orthocline.wording.ground.greens import shape_words
from orthocline.wording.wording import Wording

ORDERED: Final = ("xyz", "csv")
"""Formats whose lines may have either coordinate first."""


@dataclass(frozen=True)
class GivenView:
    """Everything that the page of a file shows.

    Attributes
    ----------
    job : Progress
        The work on it.
    name : str
        The file's.
    given : GivenGreen or None
        What was understood; None until it is, and where it was not.
    known : Known or None
        The ground that it makes.
    form : LookForm
        What is said of it.
    """

    job: Progress
    name: str
    given: GivenGreen | None
    known: Known | None
    form: LookForm
    wording: Wording

    @property
    def place(self) -> str:
        """The green that it is of."""
        asked = self.job.task.asked
        return ", ".join(filter(None, (asked.get("course", ""), asked.get("green", ""))))

    @cached_property
    def facts(self) -> list[str]:
        """What was understood, in words."""
        return fact_words(self.given.understood.facts, self.wording) if self.given else []

    @property
    def doubt(self) -> str:
        """What makes it doubtful."""
        return doubt_words(self.given.understood.facts) if self.given else ""

    @property
    def lead(self) -> str:
        """What the green is like."""
        if self.known is None:
            return "No ground yet"
        known = self.known
        return shape_words(known.named, known.mean_fall, known.strays, known.outline, self.wording)

    @property
    def map(self) -> Scene | None:
        """The green's map as it would be."""
        chart = self.given.understood.chart if self.given else None
        if chart is None or chart.outline is None:
            return None
        return green_map(chart, self.known, chart.outline, self.wording, self.lead, Shown()).scene

    @property
    def asks(self) -> tuple[str, ...]:
        """The fields of what the file does not say itself."""
        ordered = self.job.task.asked["kind"] in ORDERED
        fields = ("system", "unit", *(("first",) if ordered else ()), "height_unit")
        if self.given is None:
            return fields
        facts = self.given.understood.facts
        if facts.low_m is None:
            return ()
        said = {
            *(("system", "unit", "first") if facts.says_system else ()),
            *(("height_unit",) if facts.says_heights else ()),
        }
        return tuple(name for name in fields if name not in said)

    @property
    def lies(self) -> bool:
        """Whether it can be said where the green lies: it has places of its own."""
        return self.given is None or self.given.understood.middle is not None

    @property
    def overview(self) -> bool:
        """Whether there is a picture of the whole file, to tap the middle on."""
        return bool(self.given and self.given.understood.overview)


def overview_of_file(given: GivenGreen) -> tuple[Scene, tuple[float, float], float] | None:
    """Return the picture of the whole file, the place of its upper left corner [m] and its metres a unit."""
    understood = given.understood
    if understood.overview is None:
        return None
    return overview_sheet(understood.overview, understood.chart)
