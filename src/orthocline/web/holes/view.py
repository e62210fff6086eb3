"""The variables of the pages of studies."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Final, NamedTuple
from urllib.parse import urlencode

from orthocline.core.chart import Known
from orthocline.core.study import MOST_RANKED, Holes, Ranked
from orthocline.drawing.ground.holes_map import HolesShown, holes_map
from orthocline.drawing.scene import Scene
from orthocline.services.ground.studies import GreenStudy, Studied
from orthocline.wording.dates import Calendar
from orthocline.wording.figures import capital, tidy
from orthocline.wording.ground.holes import (
    COLUMN_WORDS,
    FIGURES,
    HoleLine,
    golfers_words,
    hole_line,
    lead_words,
    speeds_words,
    study_words,
)
from orthocline.wording.wording import Wording

USUAL_FIGURE: Final = "three"


class StudyRow(NamedTuple):
    """A study in the list of a green's."""

    id: int
    says: str
    when: str

    @classmethod
    def of(cls, one: GreenStudy, calendar: Calendar) -> "StudyRow":
        """Return a study as the list shows it."""
        when = calendar.moment(one.made_at) if one.made_at else "not worked out yet"
        return cls(one.id, study_words(one.speeds_ft, one.level), when)


class Choice(NamedTuple):
    """A link that chooses: what it says, its address, and whether it is chosen."""

    says: str
    address: str
    here: bool


@dataclass(frozen=True)
class HolesView:
    """What a study shows.

    Attributes
    ----------
    shows : str
        The figure on the map, by its name.
    speed : int
        At which of the speeds.
    from_edge_m : float
        How far a fair hole is from the edge [m].
    """

    studied: Studied
    holes: Holes
    known: Known
    wording: Wording
    shows: str
    speed: int
    from_edge_m: float
    base: str
    columns: Sequence[str] = COLUMN_WORDS

    @property
    def speeds_ft(self) -> tuple[float, ...]:
        """The green speeds."""
        return self.studied.speeds_ft

    @property
    def who(self) -> str:
        """Who putts."""
        return capital(golfers_words(self.studied.level))

    @property
    def speeds_words(self) -> str:
        """The speeds as the figures of a list have them."""
        return speeds_words(self.speeds_ft)

    @cached_property
    def ranked(self) -> list[Ranked]:
        """The fair holes, the easiest first."""
        return self.holes.ranked(self.from_edge_m, MOST_RANKED)

    @property
    def lead(self) -> str:
        """Where the easiest fair hole is."""
        return lead_words(self.ranked, self.holes, self.speeds_ft, self.wording)

    @cached_property
    def scene(self) -> Scene:
        """The map."""
        shown = HolesShown(self.shows, self.speed, self.ranked)
        chart = self.studied.held.chart
        return holes_map(chart, self.known, self.holes, shown, self.wording, self.lead)

    @property
    def figures(self) -> list[Choice]:
        """What the map can show."""
        return [
            Choice(words.name, self._address(name, self.speed), name == self.shows)
            for name, words in FIGURES.items()
        ]

    @property
    def speeds(self) -> list[Choice]:
        """At which speeds."""
        return [
            Choice(f"at {tidy(speed)}", self._address(self.shows, i), i == self.speed)
            for i, speed in enumerate(self.speeds_ft)
        ]

    @property
    def rows(self) -> list[HoleLine]:
        """The fair holes."""
        return [self._line(f"{i}", one.place) for i, one in enumerate(self.ranked, start=1)]

    @cached_property
    def pins(self) -> list[HoleLine]:
        """The pins that are on the chart, as the place nearest to each plays."""
        pins = [one for one in self.studied.held.chart.pins if not one.retired]
        return [self._line(one.name, self.holes.nearest(one.at_m)) for one in pins]

    def _line(self, mark: str, place: int) -> HoleLine:
        return hole_line(mark, place, self.holes, self.speeds_ft, self.from_edge_m, self.wording)

    def _address(self, shows: str, speed: int) -> str:
        return f"{self.base}?{urlencode({'show': shows, 'at': speed})}"
