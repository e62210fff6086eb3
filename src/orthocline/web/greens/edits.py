"""Edits of a chart as a page says them: what was tapped, dragged, nudged or typed."""

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from typing import Any, Final

import numpy as np

from orthocline.core.chart import Chart, ChartError, ChartPin, ChartReading, Part, with_heights
from orthocline.core.grain import GRASSES
from orthocline.core.instruments import GRAIN_STRENGTH_SHARE, GRAIN_WAY_SD_RAD, Gives
from orthocline.core.relief import Outline, walked
from orthocline.core.roll import RANGES
from orthocline.core.survey import GrainArea
from orthocline.core.units import wrap_rad
from orthocline.drawing.ground.map_pen import slope_of_arrow
from orthocline.formats.chart_document import CHARTED, PIN_LENGTH
from orthocline.services.errors import InvalidError
from orthocline.services.ground.charts import Edit
from orthocline.services.text import tidy_text
from orthocline.web.greens.request import PARTS, MapAsked, chosen_of
from orthocline.web.shared.placing import moved_of, nudged_of
from orthocline.wording.ground.greens import parse_heights, parse_legs, parse_map_way, parse_spot, spot_text
from orthocline.wording.quantities import (
    QuantityError,
    grass_named,
    parse_degrees,
    parse_far_m,
    parse_grain,
    parse_length_m,
    parse_slope,
)
from orthocline.wording.wording import Wording

Place = tuple[float, float]
STEP_M: Final = 0.25
SLOPE_STEP: Final = 0.0025
TURN_STEP: Final = math.radians(5.0)
AREA_M, WIDEST_AREA_M = 4.0, 30.0
STEEPEST: Final = RANGES.tilt[1]
PLACES: Final = ";"
"""Between the places of an edge that is typed place by place."""
"""A list of heights becomes so many readings at most."""
USUAL_WITHIN, HALF_TURN = math.degrees(2.0 * GRAIN_WAY_SD_RAD), 180.0
"""Within how much a way of growing is known by one clue [deg], and at most."""
ONE_M: Final = 1.0
"""A slope typed as a rise counts over a metre."""
WORDS: Final[Mapping[Part, str]] = {
    "readings": "reading",
    "pins": "pin",
    "corners": "corner",
    "grain": "grain",
}


def edit_of(
    arguments: Mapping[str, str], asked: MapAsked, chart: Chart, outline: Outline, wording: Wording
) -> Edit | None:
    """Return the edit that a page asks for; None for none.

    Raises
    ------
    InvalidError
        For something typed that cannot be read.
    """
    moved, nudged = moved_of(arguments), nudged_of(arguments)
    if moved and moved.handle not in ("tap", "spot"):
        return _moved(moved.handle, (moved.right_m, moved.beyond_m), arguments, asked, chart)
    if moved and moved.handle == "tap":
        return _tapped((moved.right_m, moved.beyond_m), asked, chart)
    if nudged:
        return _nudged(nudged.handle, nudged.right, nudged.up, chart)
    typed = _Typed(arguments, asked, chart, outline, wording)
    does = TYPED.get((arguments.get("do", ""), asked.tool)) or TYPED.get((arguments.get("do", ""), ""))
    return does(typed) if does else None


def _moved(
    handle: str, at: Place, arguments: Mapping[str, str], asked: MapAsked, chart: Chart
) -> Edit | None:
    """Return the edit of a drag: something in another place, an arrow's head, or an arrow that was drawn."""
    if handle == "new":
        return _drawn(at, arguments, asked, chart)
    name, _, number = handle.partition("-")
    held = chosen_of(f"{'reading' if name == 'head' else name}-{number}", chart)
    if held is None:
        return None
    part, i = held
    if name == "head":
        reading = _headed(chart.readings[i], at)
        return Edit(chart.changed(part, i, reading), f"reading {i + 1} turned", f"reading-{i}")
    return Edit(chart.moved(part, i, at), f"{WORDS[part]} {i + 1} moved", handle)


def _drawn(at: Place, arguments: Mapping[str, str], asked: MapAsked, chart: Chart) -> Edit | None:
    """Return the edit that adds an arrow drawn from one place to another."""
    begun = moved_of({"moved": f"from:{arguments.get('begun', '')}"})
    if begun is None or asked.tool not in ("slope", "grain"):
        return None
    foot = begun.right_m, begun.beyond_m
    if asked.tool == "grain":
        toward = math.atan2(at[1] - foot[1], at[0] - foot[0])
        return _added("grain", replace(_bent(foot), toward_rad=toward), chart)
    return _added("readings", _headed(ChartReading(foot, asked.by), at), chart)


def _headed(one: ChartReading, head: Place) -> ChartReading:
    """Return a reading whose arrow ends in a place, as nearly as a hand can tell."""
    x, y = head[0] - one.at_m[0], head[1] - one.at_m[1]
    toward = TURN_STEP * round(math.atan2(y, x) / TURN_STEP)
    if one.gives is Gives.WAY:
        return replace(one, toward_rad=toward)
    size = SLOPE_STEP * round(slope_of_arrow(math.hypot(x, y)) / SLOPE_STEP)
    return replace(one, toward_rad=toward, size=round(min(size, STEEPEST), 4))


def _tapped(at: Place, asked: MapAsked, chart: Chart) -> Edit | None:
    """Return the edit of a tap: a pin or a corner where it fell."""
    if asked.tool == "pin":
        return _added("pins", ChartPin(at, f"pin {len(chart.pins) + 1}"), chart)
    if asked.tool == "edge":
        before = _nearest_edge(at, chart) if chart.outline else None
        i = len(chart.corners) if before is None else before
        return Edit(chart.added("corners", at, before), "a corner added", f"corner-{i}")
    return None


def _nearest_edge(at: Place, chart: Chart) -> int:
    """Return before which corner a new one belongs: on the side it lies nearest to."""

    def detour(i: int) -> float:
        one, other = chart.corners[i - 1], chart.corners[i]
        return math.dist(one, at) + math.dist(at, other) - math.dist(one, other)

    return min(range(len(chart.corners)), key=detour) or len(chart.corners)


def _nudged(handle: str, right: int, up: int, chart: Chart) -> Edit | None:
    """Return the edit of an arrow key: a step of a place, or of an arrow's size and way."""
    name, _, number = handle.partition("-")
    held = chosen_of(f"{'reading' if name == 'head' else name}-{number}", chart)
    if held is None:
        return None
    part, i = held
    if name == "head":
        one = chart.readings[i]
        size = None if one.size is None else min(max(one.size + up * SLOPE_STEP, 0.0), STEEPEST)
        turned = replace(one, toward_rad=wrap_rad(one.toward_rad - right * TURN_STEP), size=size)
        return Edit(chart.changed(part, i, turned), f"reading {i + 1} turned", f"reading-{i}")
    x, y = chart.corners[i] if part == "corners" else chart.part(part)[i].at_m
    at = x + right * STEP_M, y + up * STEP_M
    return Edit(chart.moved(part, i, at), f"{WORDS[part]} {i + 1} moved", handle)


def _added(part: Part, one: Any, chart: Chart) -> Edit:
    name = next(name for name, of in PARTS.items() if of == part)
    return Edit(chart.added(part, one), f"a {WORDS[part]} added", f"{name}-{len(chart.part(part))}")


def _bent(at: Place) -> GrainArea:
    return GrainArea(at, AREA_M, 0.0, GRASSES["bent"].strength, GRAIN_WAY_SD_RAD, GRAIN_STRENGTH_SHARE)


@dataclass(frozen=True)
class _Typed:
    """What was typed into the form of a tool."""

    arguments: Mapping[str, str]
    asked: MapAsked
    chart: Chart
    outline: Outline
    wording: Wording

    def text(self, name: str) -> str:
        return self.arguments.get(name, "").strip()

    def field(self, name: str, parse: Callable[[str], Any], what: str) -> Any:
        """Return a field's figure; raises InvalidError where it is none."""
        try:
            return parse(self.text(name))
        except QuantityError as error:
            raise InvalidError(name, f"{what} {error}.") from error

    def at(self) -> Place:
        """Return the place that was typed; one that still stands as it was shown is where it was."""
        if self.held and self.text("place") == spot_text(self._held_at, self.outline, self.wording):
            return self._held_at
        place: Place = self.field(
            "place", lambda text: parse_spot(text, self.outline, self.wording), "The place"
        )
        return place

    def spots(self, text: str) -> tuple[Place, ...]:
        """Return places that are typed one after another."""
        told = (one for one in text.split(PLACES) if one.strip())
        return tuple(parse_spot(one, self.outline, self.wording) for one in told)

    @property
    def held(self) -> tuple[Part, int] | None:
        return chosen_of(self.asked.chosen, self.chart)

    @property
    def _held_at(self) -> Place:
        part, i = self.held or ("corners", 0)
        one = self.chart.part(part)[i]
        at: Place = one if part == "corners" else one.at_m
        return at

    def reading(self, by: str) -> ChartReading:
        """Return the reading that was typed."""
        at = self.at()
        if CHARTED[by] is Gives.HEIGHT:
            height = self.field(
                "size", lambda text: parse_length_m(text, self._near, self.wording), "The height"
            )
            return ChartReading(at, by, 0.0, height)
        toward = self.field("way", parse_map_way, "The way")
        if CHARTED[by] is Gives.WAY:
            return ChartReading(at, by, toward)
        if not self.text("size"):
            return ChartReading(at, by, toward, None)
        size = self.field("size", lambda text: parse_slope(text, ONE_M, self.wording)[0], "The slope")
        if not 0.0 <= size <= STEEPEST:
            raise InvalidError("size", "A slope is between 0 and 25 %; turn its way for one that rises.")
        return ChartReading(at, by, toward, size)

    @property
    def _near(self) -> str:
        return self.wording.units.near

    def pin(self) -> ChartPin:
        """Return the pin that was typed."""
        name = tidy_text(self.text("name"))
        if not 0 < len(name) <= PIN_LENGTH:
            raise InvalidError("name", f"A pin's name has 1 to {PIN_LENGTH} characters.")
        return ChartPin(self.at(), name)

    def grain(self) -> GrainArea:
        """Return the area of grain that was typed."""
        strength = self.field("grass", parse_grain, "The grain")
        if not RANGES.grain[0] <= strength <= RANGES.grain[1]:
            raise InvalidError("grass", f"The strength of grain is between 0 and {RANGES.grain[1]:g}.")
        radius = self.field("radius", lambda text: parse_far_m(text, self.wording), "The size")
        if not 0.0 < radius <= WIDEST_AREA_M:
            raise InvalidError("radius", f"An area reaches up to {WIDEST_AREA_M:g} m.")
        toward = self.field("way", parse_map_way, "The way")
        within = (
            self.field("within", parse_degrees, "The way's doubt") if self.text("within") else USUAL_WITHIN
        )
        if not 0.0 < within <= HALF_TURN:
            raise InvalidError("within", "A way is known within 1 to 180 degrees.")
        named = grass_named(self.text("grass"))
        return replace(
            _bent(self.at()),
            radius_m=radius,
            toward_rad=toward,
            way_sd_rad=0.5 * math.radians(within),
            strength=GRASSES[named].strength if named else strength,
        )


def _add_slope(typed: _Typed) -> Edit:
    return _added("readings", typed.reading(typed.asked.by), typed.chart)


def _add_height(typed: _Typed) -> Edit:
    return _added("readings", typed.reading("staff"), typed.chart)


def _add_pin(typed: _Typed) -> Edit:
    return _added("pins", typed.pin(), typed.chart)


def _add_grain(typed: _Typed) -> Edit:
    return _added("grain", typed.grain(), typed.chart)


def _change(typed: _Typed) -> Edit | None:
    """Return the edit that makes what is chosen what was typed."""
    if typed.held is None:
        return None
    part, i = typed.held
    if part == "readings":
        by = typed.text("with") if typed.text("with") in CHARTED else typed.chart.readings[i].by
        one: Any = typed.reading(by)
    elif part == "pins":
        one = replace(typed.pin(), retired=typed.chart.pins[i].retired)
    elif part == "grain":
        one = typed.grain()
    else:
        one = typed.at()
    return Edit(typed.chart.changed(part, i, one), f"{WORDS[part]} {i + 1} changed")


def _remove(typed: _Typed) -> Edit | None:
    if typed.held is None:
        return None
    part, i = typed.held
    return Edit(typed.chart.removed(part, i), f"{WORDS[part]} {i + 1} removed", "")


def _retire(typed: _Typed) -> Edit | None:
    """Return the edit that takes a pin out of use, or into use again."""
    if typed.held is None or typed.held[0] != "pins":
        return None
    i = typed.held[1]
    pin = typed.chart.pins[i]
    words = f"pin {i + 1} {'in use again' if pin.retired else 'retired'}"
    return Edit(typed.chart.changed("pins", i, replace(pin, retired=not pin.retired)), words)


def _walk(typed: _Typed) -> Edit:
    """Return the edit that makes an edge the outline that was walked, or whose places were measured."""
    if PLACES in typed.text("legs"):
        spots = typed.field("legs", typed.spots, "A place")
        return Edit(typed.chart.edged(spots), "the edge by its places", "")
    legs = typed.field("legs", lambda text: parse_legs(text, typed.wording), "The walk")
    found = walked(legs)
    missed = typed.wording.far(found.missed_m)
    return Edit(typed.chart.edged(found.corners), f"the edge walked, {missed} out", "")


def _heights(typed: _Typed) -> Edit:
    """Return the edit that adds a list of heights."""
    points = np.array(typed.field("heights", parse_heights, "The list"))
    points += np.array([*typed.outline.front, 0.0])
    try:
        return Edit(with_heights(typed.chart, points), f"{len(points)} heights listed", "")
    except ChartError as error:
        raise InvalidError("heights", str(error)) from error


def _unscan(typed: _Typed) -> Edit:
    """Return the edit that takes a scan off the chart."""
    return Edit(replace(typed.chart, scan=None), "the scan taken off", "")


TYPED: Final[Mapping[tuple[str, str], Callable[[_Typed], Edit | None]]] = {
    ("add", "slope"): _add_slope,
    ("add", "height"): _add_height,
    ("add", "pin"): _add_pin,
    ("add", "grain"): _add_grain,
    ("change", ""): _change,
    ("remove", ""): _remove,
    ("retire", ""): _retire,
    ("walk", ""): _walk,
    ("heights", "height"): _heights,
    ("unscan", "height"): _unscan,
}
"""What a button does, by its name and the tool in hand; any tool's has none."""
