"""What is chosen on a map, and the form in which it is typed."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from orthocline.core.chart import Chart, ChartPin, ChartReading
from orthocline.core.instruments import Gives
from orthocline.core.relief import Outline
from orthocline.core.survey import GrainArea
from orthocline.formats.chart_document import CHARTED
from orthocline.web.greens.request import MapAsked, chosen_of
from orthocline.wording.figures import tidy
from orthocline.wording.ground.greens import FORM_WORDS, map_way_text, spot_text
from orthocline.wording.instruments import INSTRUMENT_WORDS
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class FormView:
    """The form under a map, of the tool in hand or of what is chosen.

    Attributes
    ----------
    typed : mapping
        What was typed into it and not taken; empty where it shows what there is.
    """

    chart: Chart
    asked: MapAsked
    outline: Outline
    wording: Wording
    typed: Mapping[str, str]

    @property
    def gives(self) -> Gives:
        """What is read by the tool in hand, or was by the reading that is chosen."""
        chosen = self.reading
        if chosen:
            return chosen.gives
        return Gives.HEIGHT if self.asked.tool == "height" else CHARTED[self.asked.by]

    def _chosen(self, part: str) -> int | None:
        held = chosen_of(self.asked.chosen, self.chart)
        return held[1] if held and held[0] == part else None

    @property
    def reading(self) -> ChartReading | None:
        """The reading that is chosen."""
        i = self._chosen("readings")
        return None if i is None else self.chart.readings[i]

    @property
    def pin(self) -> ChartPin | None:
        """The pin that is chosen."""
        i = self._chosen("pins")
        return None if i is None else self.chart.pins[i]

    @property
    def grain(self) -> GrainArea | None:
        """The area of grain that is chosen."""
        i = self._chosen("grain")
        return None if i is None else self.chart.grain[i]

    @property
    def corner(self) -> tuple[float, float] | None:
        """The corner of the edge that is chosen."""
        i = self._chosen("corners")
        return None if i is None else self.chart.corners[i]

    @property
    def kind(self) -> str:
        """Which form stands under the map: of the tool in hand, or of what is chosen."""
        if self.reading:
            return "height" if self.gives is Gives.HEIGHT else "slope"
        part = "pin" if self.pin else "grain" if self.grain else ""
        return part or self.asked.tool

    @cached_property
    def values(self) -> dict[str, str]:
        """The fields of that form as they are shown."""
        if self.typed:
            return dict(self.typed)
        one = self.reading or self.pin or self.grain
        place = one.at_m if one else self.corner or self.asked.spot
        shown = {"place": spot_text(place, self.outline, self.wording) if place else ""}
        if self.reading:
            shown |= self._reading_values(self.reading)
        if self.pin:
            shown["name"] = self.pin.name
        if self.grain:
            shown |= {
                "radius": self.wording.far(self.grain.radius_m),
                "way": map_way_text(self.grain.toward_rad),
                "within": f"{2.0 * math.degrees(self.grain.way_sd_rad):.0f} deg",
                "grass": tidy(self.grain.strength, 3),
            }
        return shown

    def _reading_values(self, one: ChartReading) -> dict[str, str]:
        if one.gives is Gives.HEIGHT:
            return {"size": self.wording.typed_near(one.size or 0.0)}
        size = "" if one.size is None else self.wording.typed_slope(one.size)
        return {"size": size, "way": map_way_text(one.toward_rad), "with": one.by}

    @property
    def title(self) -> str:
        """What is chosen, or what the form is for."""
        if self.reading:
            number = int(self.asked.chosen.removeprefix("reading-")) + 1
            return f"Reading {number}, {INSTRUMENT_WORDS[self.reading.by].noun}"
        if self.pin:
            return f"Pin {self.pin.name}"
        return "A corner of the edge" if self.corner else FORM_WORDS[self.kind]
