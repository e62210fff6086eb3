"""The variables of a green's page."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final, NamedTuple
from urllib.parse import urlencode

from orthocline.core.chart import ChartReading, Known
from orthocline.core.ground import STOPS
from orthocline.core.instruments import Gives
from orthocline.core.relief import Outline
from orthocline.core.roll import Read, steepest_holding_slope
from orthocline.drawing.ground.green_map import MapSheet, Shown, green_map
from orthocline.drawing.ground.map_pen import PuttShown, head_of
from orthocline.drawing.sight.framing import PuttFacts
from orthocline.formats.chart_document import CHARTED
from orthocline.services.account.access import Viewer
from orthocline.services.ground.charts import ChartedGreen
from orthocline.services.ground.maps import Looked, look_at, pin_facts, where_next
from orthocline.web.greens.form_view import FormView
from orthocline.web.greens.pin_view import PinView
from orthocline.web.greens.putt import MapPutt
from orthocline.web.greens.request import LOOKING, MapAsked
from orthocline.web.shared.answered import Answered
from orthocline.web.shared.glimpse import Glimpse, glimpse
from orthocline.web.shared.placing import Pin, pin_in
from orthocline.wording.ground.greens import (
    TOOL_WORDS,
    fall_words,
    map_way_text,
    next_words,
    odd_words,
    paces_words,
    region_words,
    scan_words,
    shape_words,
    water_words,
)
from orthocline.wording.instruments import INSTRUMENT_WORDS, instrument_choice
from orthocline.wording.read.call import Call
from orthocline.wording.wording import Wording

DRAWING: Final = ("slope", "grain")
"""Tools with which an arrow is drawn."""
TAPPING: Final = ("pin", "edge")
"""Tools whose tap makes something."""
HANDLED: Final = {"slope": "reading", "pin": "pin", "edge": "corner", "grain": "grain"}
"""What each tool drags."""


class Choice(NamedTuple):
    """A link that chooses: what it says, its address, and whether it is chosen."""

    says: str
    address: str
    here: bool


class PinRow(NamedTuple):
    """A pin in the list: its name, where it is, its address, and whether it is out of use."""

    name: str
    where: str
    address: str
    retired: bool
    here: bool


@dataclass(frozen=True)
class MapView:
    """Everything that a green's page shows.

    Attributes
    ----------
    green : ChartedGreen
        With its chart as it would be after what is being dragged.
    known : Known or None
        What that makes known; None before anything is read.
    speed_ft : float
        The day's speed.
    putt, answered : MapPutt and Answered, or None
        The putt that is placed, and its read.
    held : bool
        Whether something is being dragged: what takes long waits until it is dropped.
    typed, errors : mapping
        What was typed into a form that was not taken, and what is wrong, by field.
    """

    viewer: Viewer
    green: ChartedGreen
    outline: Outline
    known: Known | None
    asked: MapAsked
    wording: Wording
    speed_ft: float
    speed: str
    typed: Mapping[str, str]
    errors: Mapping[str, str]
    base: str
    held: bool = False
    putt: MapPutt | None = None
    answered: Answered | None = None

    @property
    def address(self) -> str:
        """Its address."""
        return self._address(self.asked)

    def _address(self, asked: MapAsked) -> str:
        told = asked.fields(self.outline, self.wording)
        if self.putt and asked.tool == "putt":
            told |= self.putt.fields(self.outline, self.wording)
        return f"{self.base}?{urlencode(told)}" if told else self.base

    @property
    def kept(self) -> dict[str, str]:
        """The fields of the address that the page's forms carry."""
        told = self.asked.fields(self.outline, self.wording)
        return {name: text for name, text in told.items() if name != "spot"}

    @property
    def scan(self) -> str:
        """What is known of the scan, empty where there is none."""
        scan = self.green.chart.scan
        return scan_words(scan, self.wording) if scan else ""

    @property
    def putt_values(self) -> dict[str, str]:
        """Ball and hole as their fields show them."""
        return self.putt.fields(self.outline, self.wording) if self.putt else {}

    @property
    def read_address(self) -> str:
        """The read of the putt that is placed."""
        return f"/read?{self._putt_query}" if self.putt else ""

    @property
    def _putt_query(self) -> str:
        assert self.putt is not None, "a putt is placed"
        place = self.green.place
        named = {"course": place.course, "green": place.green}
        return urlencode({**self.putt.read_fields(self.green.id), **named})

    @property
    def seen(self) -> Glimpse | None:
        """The putt that is placed as its golfer sees it; not while it is dragged."""
        found = self.answered
        if found is None or self.held:
            return None
        facts = PuttFacts(found.answer, sure=found.sure, golfer=found.golfer, says="Behind the ball")
        return glimpse(facts, STOPS["ball"], self.wording, self._putt_query)

    @property
    def call(self) -> Call | None:
        """The call of the putt that is placed."""
        return self.answered.words if self.answered else None

    @property
    def solved(self) -> Read | None:
        """Its read."""
        return self.answered.answer if self.answered else None

    def putt_to(self, pin: str) -> str:
        """Return the address at which a putt to the chosen pin is placed."""
        return f"{self.base}?{urlencode({'tool': 'putt', 'hole': pin})}"

    @cached_property
    def lead(self) -> str:
        """What the green is like, or the call of a putt on it."""
        if self.call:
            return self.call.sentence
        if self.known is None:
            return "Nothing read yet."
        if self.held:
            return "The map as it would be."
        return shape_words(
            self.known.named, self.known.mean_fall, self.known.strays, self.outline, self.wording
        )

    @cached_property
    def _next(self) -> tuple[tuple[float, float] | None, str]:
        """Where to read next, and that in words."""
        if self.held:
            return None, ""
        if self.known is None:
            (left, low), (right, top) = self.outline.box
            middle = 0.5 * (left + right), 0.5 * (low + top)
            return middle, f"Begin in the middle: {paces_words(middle, self.outline, self.wording)}."
        chosen = self.form.pin
        if self.putt:
            return None, ""
        place, found = where_next(self.viewer, self.known, chosen.at_m if chosen else None)
        if not self.known.needs(place):
            return None, ""
        words = next_words(place, found, self.outline, self.wording)
        return place, f"For {chosen.name}: {words[:1].lower()}{words[1:]}" if chosen else words

    @property
    def next(self) -> str:
        """Where to read next."""
        return self._next[1]

    @property
    def next_address(self) -> str:
        """The address at which that place is looked at, the tool of slopes in hand."""
        return self._address(replace(self.asked.with_tool("slope"), spot=self._next[0], typed="", error=""))

    @cached_property
    def looked(self) -> Looked | None:
        """The place that is looked at."""
        if self.known is None or self.asked.spot is None:
            return None
        return look_at(self.viewer, self.known, self.asked.spot)

    @property
    def there(self) -> list[str]:
        """What that place is like."""
        if self.looked is None or self.asked.spot is None:
            return []
        where = region_words(self.asked.spot, self.outline)
        fall = fall_words(self.looked.fall, self.looked.height_m, self.wording)
        return [f"{where[:1].upper()}{where[1:]}. {fall}", water_words(self.looked.water, self.outline)]

    @cached_property
    def sheet(self) -> MapSheet:
        """The map."""
        shown = Shown(
            steepest_holding_slope(self.speed_ft),
            self.looked.water if self.looked else None,
            self.looked.above if self.looked else None,
            self.asked.spot,
            self._next[0],
            self.asked.chosen,
            corners=self.asked.tool == "edge",
            named=not self.held,
            putt=self._drawn_putt,
        )
        return green_map(self.green.chart, self.known, self.outline, self.wording, self.lead, shown)

    @property
    def _drawn_putt(self) -> PuttShown | None:
        if self.putt is None:
            return None
        if self.solved is None:
            return PuttShown(self.putt.ball, self.putt.hole, None, None)
        right, putt = self.solved.aim_right_m, self.solved.putt
        aim = None if right is None else putt.place(putt.length_m, right)
        return PuttShown(
            self.putt.ball, self.putt.hole, self.solved.path[:, 1:3], (aim.x_m, aim.y_m) if aim else None
        )

    @property
    def handles(self) -> list[Pin]:
        """What can be dragged with the tool in hand."""
        handled, chart, found = HANDLED.get(self.asked.tool), self.green.chart, []
        if handled == "corner":
            found = [(f"corner-{i}", f"Corner {i + 1}", at) for i, at in enumerate(chart.corners)]
        elif handled == "pin":
            found = [(f"pin-{i}", f"Pin {one.name}", one.at_m) for i, one in enumerate(chart.pins)]
        elif handled == "grain":
            found = [(f"grain-{i}", f"Grain {i + 1}", one.at_m) for i, one in enumerate(chart.grain)]
        elif handled == "reading":
            found = [(f"reading-{i}", f"Reading {i + 1}", one.at_m) for i, one in enumerate(chart.readings)]
            chosen = self.form.reading
            if chosen and chosen.gives is not Gives.HEIGHT:
                number = self.asked.chosen.removeprefix("reading-")
                found.append((f"head-{number}", "Its way and size", head_of(chosen)))
        if self.putt:
            found += [("ball", "Your ball", self.putt.ball), ("hole", "The hole", self.putt.hole)]
        elif self.asked.spot:
            found.append(("spot", "The place looked at", self.asked.spot))
        size = self.sheet.scene.width, self.sheet.scene.height
        says = "drag it, or use the arrow keys"
        return [pin_in(name, (label, says), self.sheet.at(at), size) for name, label, at in found]

    def reached(self, handle: str) -> bool:
        """Return whether the tab key stops at a handle; of many readings only at the one that is chosen."""
        return not handle.startswith("reading-") or handle == self.asked.chosen

    @property
    def tools(self) -> list[Choice]:
        """The tools."""
        return [
            Choice(words, self._address(self.asked.with_tool(tool)), tool == self.asked.tool)
            for tool, (words, _) in TOOL_WORDS.items()
            if self.green.kept or tool in LOOKING
        ]

    @property
    def hint(self) -> str:
        """What to do with the tool in hand."""
        return TOOL_WORDS[self.asked.tool][1]

    @property
    def draws(self) -> bool:
        """Whether a press on the map begins an arrow."""
        return self.asked.tool in DRAWING

    @property
    def taps(self) -> bool:
        """Whether a tap on the map makes something."""
        return self.asked.tool in TAPPING

    @property
    def instruments(self) -> list[tuple[str, str]]:
        """The instruments that read a slope, by name, as choices."""
        names = [name for name, gives in CHARTED.items() if gives is not Gives.HEIGHT]
        return [(name, instrument_choice(name, self.wording)) for name in names]

    @cached_property
    def pins(self) -> list[PinRow]:
        """The pins."""
        return [
            PinRow(
                one.name,
                paces_words(one.at_m, self.outline, self.wording),
                self._address(self.asked.with_tool("pin").choosing(f"pin-{i}")),
                one.retired,
                self.asked.chosen == f"pin-{i}",
            )
            for i, one in enumerate(self.green.chart.pins)
        ]

    @cached_property
    def readings(self) -> list[Choice]:
        """The readings."""
        return [
            Choice(
                self._said(one),
                self._address(self.asked.with_tool("slope").choosing(f"reading-{i}")),
                self.asked.chosen == f"reading-{i}",
            )
            for i, one in enumerate(self.green.chart.readings)
        ]

    @property
    def odd(self) -> str:
        """Which readings disagree with the others."""
        odd = self.known.odd if self.known and not self.held else frozenset()
        numbers = [i + 1 for i, one in enumerate(self.green.chart.readings) if one.at_m in odd]
        return odd_words(numbers)

    def _said(self, one: ChartReading) -> str:
        where = paces_words(one.at_m, self.outline, self.wording)
        by = INSTRUMENT_WORDS[one.by].noun
        if one.gives is Gives.HEIGHT:
            return f"{where}: {self.wording.typed_near(one.size or 0.0)} high by {by}"
        size = "" if one.size is None else f"{self.wording.slope(one.size)} "
        return f"{where}: {size}toward the {map_way_text(one.toward_rad)} by {by}"

    @cached_property
    def form(self) -> FormView:
        """What is chosen, and the form of that or of the tool in hand."""
        return FormView(self.green.chart, self.asked, self.outline, self.wording, self.typed)

    @cached_property
    def pin(self) -> PinView | None:
        """What the chosen pin is like."""
        pin = self.form.pin
        if self.known is None or pin is None:
            return None
        facts = pin_facts(self.viewer, self.known, pin, self.speed_ft)
        return PinView(facts, look_at(self.viewer, self.known, pin.at_m), self.wording)
