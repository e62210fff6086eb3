"""The variables of the walk."""

from dataclasses import dataclass, replace
from datetime import datetime
from functools import cached_property
from typing import NamedTuple
from urllib.parse import urlencode

from orthocline.core.calls import GolferFigures
from orthocline.core.ground import CLOCK_S, STOPS, Ask, Kind, Reading, noted_by
from orthocline.core.roll import Read
from orthocline.core.sure import Sureness
from orthocline.drawing.ground.walk import walk_scene
from orthocline.drawing.scene import Scene
from orthocline.drawing.sight.framing import PuttFacts
from orthocline.services.account.access import Viewer
from orthocline.services.ground.walk import deceiving, stops_of
from orthocline.services.read.reading import how_sure
from orthocline.web.look.chips import Chip, chips_of
from orthocline.web.look.request import Walk
from orthocline.web.shared.glimpse import Glimpse, glimpse
from orthocline.web.shared.places_view import PlacesView
from orthocline.web.shared.read_request import ReadRequest
from orthocline.wording.ground.readings import FALLS_WORDS, noun
from orthocline.wording.ground.walk import STOP_WORDS, StopWords, ask_words, deceives_words
from orthocline.wording.read.call import Call, call
from orthocline.wording.ways import way_text
from orthocline.wording.wording import Wording


class StopRow(NamedTuple):
    """A stop in the list: its words, its address, whether the golfer is there, and how much is noted."""

    name: str
    words: StopWords
    address: str
    here: bool
    noted: int


class AskRow(NamedTuple):
    """Something asked: its heading, rows of answers, its kind, and where a phone or a stand-in is laid."""

    title: str
    chips: list[list[Chip]]
    kind: Kind
    key: str
    phone: str
    simulated: str
    measured: str


class Refused(NamedTuple):
    """A level's reading that could not be taken: where, what was typed, and why."""

    ask: str
    typed: str
    says: str


@dataclass(frozen=True)
class LookView:
    """What the walk shows; in Competition its order and the clock alone.

    Attributes
    ----------
    solved : Read or None
        The read by what was noted so far; None in Competition, or where it cannot be read.
    """

    viewer: Viewer
    walk: Walk
    golfer: GolferFigures
    wording: Wording
    now: datetime
    solved: Read | None
    refused: Refused | None = None
    clock_s: int = CLOCK_S

    @property
    def words(self) -> StopWords:
        """Where the golfer is."""
        return STOP_WORDS[self.walk.stop]

    @cached_property
    def rows(self) -> list[StopRow]:
        """The stops, in their order."""
        return [
            StopRow(
                name,
                STOP_WORDS[name],
                self.walk.address(stop=name),
                name == self.walk.stop,
                self._noted_at(name),
            )
            for name in self.walk.stops
        ]

    @property
    def others(self) -> list[tuple[str, str]]:
        """Stops that can be added: name and words."""
        return [(name, STOP_WORDS[name].title) for name in STOPS if name not in self.walk.stops]

    def _noted_at(self, name: str) -> int:
        readings = self._plain
        return sum(noted_by(ask, readings) is not None for ask in STOPS[name].asks if ask.by)

    @property
    def _plain(self) -> tuple[Reading, ...]:
        return self.walk.asked.read.readings.plain if self.walk.asked.read else ()

    @cached_property
    def asks(self) -> list[AskRow]:
        """What is asked here."""
        read = self.walk.asked.read
        if read is None:
            return []
        return [self._ask(f"{self.walk.stop}.{i}", ask, read) for i, ask in enumerate(self.walk.here.asks)]

    def _ask(self, key: str, ask: Ask, read: ReadRequest) -> AskRow:
        phone = simulated = measured = ""
        if ask.by == "feet":
            way = "across" if ask.kind is Kind.SIDE else "along"
            errand = urlencode({"way": way, "ask": key, "read": self.carried})
            phone, simulated = f"/level?{errand}", f"/train/stand-in/ground?{errand}"
            measured = self._measured(ask)
        return AskRow(ask_words(ask), chips_of(key, ask, read), ask.kind, key, phone, simulated, measured)

    def _measured(self, ask: Ask) -> str:
        """Return what a level or a phone read there."""
        found = [noted_by(replace(ask, by=by), self._plain) for by in ("level", "phone")]
        said = [
            f"{noun(one.by)} {self.wording.slope(one.size)} {FALLS_WORDS.get(way_text(-one.toward_rad), '')}"
            for one in found
            if one and one.size is not None
        ]
        return ", ".join(said)

    @cached_property
    def carried(self) -> str:
        """The walk's own address, to come back to."""
        return self.walk.address().partition("?")[2]

    @cached_property
    def places(self) -> PlacesView:
        """What was noted."""
        read = self.walk.asked.read
        return PlacesView(self.viewer, read, read.shown if read else {}, self.wording)

    @cached_property
    def sure(self) -> Sureness | None:
        """How sure the read is."""
        read = self.walk.asked.read
        if self.solved is None or read is None:
            return None
        return how_sure(self.viewer, self.solved, read.uncertainty(self.now))

    @cached_property
    def call(self) -> Call | None:
        """The call so far."""
        if self.solved is None or self.sure is None:
            return None
        return call(self.solved, self.wording, self.golfer, self.sure.range)

    @cached_property
    def fall(self) -> str:
        """How the putt falls so far."""
        return self.places.fall(self.solved, self.now)

    @cached_property
    def deceives(self) -> str:
        """Where the stance deceives, what to do instead."""
        if self.solved is None:
            return ""
        found = deceiving(self.viewer, self.solved.putt, self.walk.here)
        if found is None:
            return ""
        tilt, flatter = found
        return deceives_words(self.wording.slope(tilt), flatter.name if flatter else "")

    @cached_property
    def scene(self) -> Scene | None:
        """The small plan."""
        if self.solved is None:
            return None
        stops = stops_of(self.viewer, self.walk.stops)
        here = self.walk.stops.index(self.walk.stop)
        says = f"{self.words.title}: where to stand. {self.call.sentence if self.call else ''}"
        return walk_scene(
            self.solved.putt, self.solved, self.places.marks, stops, here, self.wording, says, self.sure
        )

    @property
    def seen(self) -> Glimpse | None:
        """What is seen from here."""
        read = self.walk.asked.read
        if self.solved is None or read is None:
            return None
        facts = PuttFacts(
            self.solved,
            sure=self.sure,
            golfer=self.golfer,
            marks=self.places.marks,
            says=self.words.title,
        )
        return glimpse(facts, self.walk.here, self.wording, read.query)

    @property
    def read_address(self) -> str:
        """The read that this ends in."""
        read = self.walk.asked.read
        return f"/read?{read.query}" if read else "/read"
