"""What an address of the walk asks for: a read with its readings, the stops, and what is noted now."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import NamedTuple
from urllib.parse import urlencode

from orthocline.core.grain import GRASSES
from orthocline.core.ground import STOPS, USUAL_STOPS, Ask, Kind, Reading, Stop, noted_by
from orthocline.core.roll import RANGES, Grain, Point, RollPast
from orthocline.core.sure import GrainBy, Source
from orthocline.core.units import PERCENT
from orthocline.web.shared.asked import Asked
from orthocline.web.shared.read_request import ReadRequest
from orthocline.wording.ways import WAYS_DEG, way_rad

LOW = {"left": -1.0, "right": 1.0, "down": -1.0, "up": 1.0}
"""The sides of an answer, and whether they are as the question has it."""
STEEPEST_FELT, MOST_STEPS = 6.0, 60
MOST_NEAR = 60.0
NONE = "none"
WORN_ON = "mixed"
"""Grass of the kind on which edges wear so that it can be seen."""


ASKS: Mapping[str, Ask] = {
    f"{name}.{i}": ask for name, one in STOPS.items() for i, ask in enumerate(one.asks)
}
"""Everything that is asked, by stop and number."""


class Measured(NamedTuple):
    """What an instrument read where a guess was asked for, and that guess, if there was one with a size."""

    reading: Reading
    guess: Reading | None


@dataclass(frozen=True)
class Walk:
    """A walk round a putt.

    Attributes
    ----------
    asked : Asked
        The read, with everything noted so far.
    stops : tuple of str
        Names of the stops, in their order.
    stop : str
        The one where the golfer is.
    """

    asked: Asked
    stops: tuple[str, ...]
    stop: str

    @property
    def here(self) -> Stop:
        """Where the golfer is."""
        return STOPS[self.stop]

    @property
    def next(self) -> str:
        """The stop after this one; empty after the last."""
        after = self.stops[self.stops.index(self.stop) + 1 :]
        return after[0] if after else ""

    def at(self, read: ReadRequest) -> "Walk":
        """Return it with another read."""
        return replace(self, asked=replace(self.asked, read=read, putt=read.asked_putt))

    def measured(self, ask: Ask, fall: float, by: str, *, as_laid: bool) -> Measured:
        """Return an instrument's reading where a guess was asked for.

        The fall is to the side of the guess; without one, or `as_laid`, to the right or from the hole.
        """
        guess = noted_by(ask, self._plain)
        toward = guess.toward_rad if guess and not as_laid else ask.toward_rad
        if fall < 0.0:
            toward += math.pi
        return Measured(Reading(ask.at, toward, abs(fall), by), guess if guess and guess.size else None)

    def noting(self, ask: Ask, reading: Reading) -> "Walk":
        """Return it with an instrument's reading, in the place of one by the same instrument there."""
        read = self.asked.read
        if read is None:
            return self
        before = noted_by(replace(ask, by=reading.by), self._plain)
        readings = read.readings
        kept = readings.instead(self._plain.index(before), reading) if before else readings.noting(reading)
        return self.at(read.read_in(kept))

    @property
    def _plain(self) -> tuple[Reading, ...]:
        return self.asked.read.readings.plain if self.asked.read else ()

    def address(self, **changed: str) -> str:
        """Return the address of the walk, with something changed."""
        fields = {**self.fields, "stop": self.stop, **changed}
        return f"/look?{urlencode({name: text for name, text in fields.items() if text})}"

    @property
    def fields(self) -> dict[str, str]:
        """The fields of the read, and the stops where they are not the usual ones."""
        read = self.asked.read
        fields = read.exact if read else {name: text for name, text in self.asked.typed.items() if text}
        return fields if self.stops == USUAL_STOPS else {**fields, "stops": ".".join(self.stops)}


def walk_of(asked: Asked, arguments: Mapping[str, str]) -> Walk:
    """Return the walk of an address: stops that are none are left out, a note that says nothing is none."""
    named = tuple(dict.fromkeys(name for name in arguments.get("stops", "").split(".") if name in STOPS))
    stops = _changed(named or USUAL_STOPS, arguments.get("change", ""))
    stop = arguments.get("stop", "")
    walk = Walk(asked, stops, stop if stop in stops else stops[0])
    question, _, answer = arguments.get("note", "").partition(":")
    if asked.read is None or question not in ASKS:
        return walk
    return walk.at(_noted(asked.read, ASKS[question], answer))


def _changed(stops: tuple[str, ...], change: str) -> tuple[str, ...]:
    """Return the stops with one more, in its place in the walk, one less, or one a place earlier."""
    name, _, what = change.partition(":")
    if name not in STOPS:
        return stops
    if what == "add" and name not in stops:
        return tuple(one for one in STOPS if one in (*stops, name))
    if what == "drop" and name in stops and len(stops) > 1:
        return tuple(one for one in stops if one != name)
    if what == "earlier" and name in stops[1:]:
        i = stops.index(name)
        return (*stops[: i - 1], name, stops[i - 1], *stops[i + 1 :])
    return stops


def _noted(read: ReadRequest, ask: Ask, answer: str) -> ReadRequest:
    """Return a read with an answer noted; as it is where that says nothing."""
    if ask.kind is Kind.STEPS:
        return _paced(read, answer)
    if ask.kind is Kind.GRAIN:
        return _grown(read, answer)
    if ask.kind is Kind.PACE:
        near = _figure(answer, MOST_NEAR)
        past = None if near is None else RollPast(near * read.wording.units.near_m)
        return read if past is None else read.at_pace(past, read.wording.units.near)
    return _read_by(read, ask, answer)


def _figure(text: str, most: float) -> float | None:
    """Return a figure as a tap sends it, from 0 to so much; None for anything else."""
    try:
        figure = float(text)
    except ValueError:
        return None
    return figure if 0.0 <= figure <= most else None


def _paced(read: ReadRequest, answer: str) -> ReadRequest:
    steps = _figure(answer, MOST_STEPS)
    length = 0.0 if steps is None else steps * read.wording.calibration.units_m["paces"]
    least, most = RANGES.length_m
    if not least <= length <= most:
        return read
    by = "own_paces" if read.wording.calibration.own_pace else "usual_paces"
    return replace(
        read,
        putt=replace(read.putt, hole=Point(length, 0.0)),
        units=replace(read.units, length="paces"),
        known=replace(read.known, length=Source(by)),
    )


def _grown(read: ReadRequest, answer: str) -> ReadRequest:
    way = way_rad(answer) if answer in WAYS_DEG else None
    grain = Grain(0.0, 0.0) if way is None else Grain(GRASSES[WORN_ON].strength, way)
    known = replace(read.known, grain_by=GrainBy(strength_by_kind=True), grass=WORN_ON)
    return replace(read, putt=replace(read.putt, grain=grain), known=known)


def _read_by(read: ReadRequest, ask: Ask, answer: str) -> ReadRequest:
    """Return a read with a reading of the slope, in the place of what was noted there before."""
    before = noted_by(ask, read.readings.plain)
    if answer == NONE:
        return (
            read if before is None else read.read_in(read.readings.without(read.readings.plain.index(before)))
        )
    found = _answered(ask, answer, before, read)
    if found is None:
        return read
    if before is None:
        return read.read_in(read.readings.noting(found))
    return read.read_in(read.readings.instead(read.readings.plain.index(before), found))


def _answered(ask: Ask, answer: str, before: Reading | None, read: ReadRequest) -> Reading | None:
    """Return the reading of an answer: a way, a side, or how much on the side that was said."""
    if ask.kind is Kind.WAY:
        way = way_rad(answer) if answer in WAYS_DEG else None
        return None if way is None else Reading(ask.at, -way, None, ask.by)
    if answer == "level":
        return Reading(ask.at, ask.toward_rad, 0.0, ask.by)
    if answer in LOW:
        toward = ask.toward_rad + (0.0 if LOW[answer] > 0.0 else math.pi)
        size = before.size if before and before.size else None
        return Reading(ask.at, toward, size, ask.by)
    most = MOST_NEAR if ask.kind is Kind.RISE else STEEPEST_FELT
    figure = _figure(answer, most)
    if figure is None:
        return None
    per = read.wording.units.near_m / read.putt.length_m if ask.kind is Kind.RISE else PERCENT
    toward = before.toward_rad if before else ask.toward_rad
    return Reading(ask.at, toward, min(figure * per, RANGES.tilt[1]), ask.by)
