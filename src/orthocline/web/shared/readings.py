"""Readings of the ground as the address of a read has them: typed, stepped, dragged, and written again."""

import itertools
import math
import re
from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from typing import NamedTuple

from werkzeug.datastructures import MultiDict
from wtforms import SelectField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import StopValidation

from orthocline.core.ground import Reading, Stations, Surface
from orthocline.core.instruments import Gives, giving
from orthocline.core.roll import RANGES
from orthocline.core.units import wrap_rad
from orthocline.web.shared.fields import DoubtedField, FigureForm, QuantityField, WayField
from orthocline.wording.ground.readings import FALLS_WORDS, PLACE_ALLOWED, parse_hour, parse_share
from orthocline.wording.instruments import INSTRUMENT_WORDS, TYPED_WORDS
from orthocline.wording.quantities import QuantityError, parse_slope, sensed
from orthocline.wording.typed import RISE_STEPS, STEPS, slope_in, slope_of
from orthocline.wording.ways import way_text
from orthocline.wording.wording import Wording

MOST_READINGS = 24
PLACE_STEP = 0.05
FURTHEST = (-1.0, 2.0)
"""Shares of the way between which readings stand: off the putt by its own length at most."""
READ_BY = (Gives.SLOPE, Gives.FELT, Gives.WAY, Gives.ARROW, Gives.FIRST, Gives.BALL, Gives.RISE)
PARTS = ("at", "falls", "size", "by")
"""What is said of a reading, each in a field of its own."""
FIELD = re.compile(rf"spot-(\d{{1,2}})-({'|'.join(PARTS)})")
"""The names of a reading's fields."""


class Noted(NamedTuple):
    """A reading, and the unit in which its size was typed."""

    reading: Reading
    unit: str


class PlaceField(QuantityField):
    """A place along the putt, whose length must be known first."""

    def pre_validate(self, form: "ReadingForm") -> None:
        """Find the share of the way."""
        self.parse = lambda text, wording: parse_share(text, form.length_m, wording)
        super().pre_validate(form)


class SizeField(DoubtedField):
    """How steep it is; of a mere way of fall, its hour on the cup or nothing."""

    typed_unit = ""
    hour_rad: float | None = None

    def pre_validate(self, form: "ReadingForm") -> None:
        """Find the slope over the putt's length, or the hour."""
        text = (self.data or "").strip()
        if not text:
            return
        if form.gives is Gives.WAY:
            self._take_hour(text)
            return

        def parse(text: str, wording: Wording) -> float:
            slope, self.typed_unit = parse_slope(text, form.length_m, wording)
            return slope

        self.parse = parse
        super().pre_validate(form)

    def _take_hour(self, text: str) -> None:
        try:
            self.hour_rad = parse_hour(text)
        except QuantityError as error:
            raise StopValidation(f"The way of fall {error}.") from error


class ReadingForm(FigureForm):
    """The fields of one reading."""

    length_m = 1.0
    at = PlaceField(
        "Place",
        lambda text, _: float(text),
        between=FURTHEST,
        allowed=f"on the putt, or off it by no more than its length: {PLACE_ALLOWED}",
    )
    falls = WayField("Falls", words=FALLS_WORDS, default="left")
    size = SizeField(
        "Slope",
        lambda text, _: float(text),
        between=(0.0, RANGES.tilt[1]),
        allowed="at most 25 %, such as 2.1 %, 1.2 deg or 1 in over the putt",
        most_within=RANGES.tilt[1],
        sure="0 to 25 %",
    )
    by = SelectField(
        "Read by",
        choices=[
            SelectChoice("", TYPED_WORDS),
            *(SelectChoice(one.name, INSTRUMENT_WORDS[one.name].choice) for one in giving(READ_BY)),
        ],
        default="",
    )

    @property
    def gives(self) -> Gives:
        """What the instrument reads."""
        return Reading(0.0, 0.0, None, self.by.data if self.by.validate(self) else "").gives

    @property
    def hint(self) -> str:
        """What its size is typed like."""
        return "4 h" if self.gives is Gives.WAY else self.wording.typed_slope(0.015)

    @property
    def noted(self) -> Noted:
        """The reading of a form that validates."""
        by = sensed(self.size.plain) or self.by.data or ""
        toward = -self.falls.way_rad if self.size.hour_rad is None else self.size.hour_rad
        reading = Reading(self.at.figure or 0.0, toward, self.size.figure, by, self.size.within)
        return Noted(reading, self.size.typed_unit or self.wording.units.slope)


def reading_forms(given: Mapping[str, str], length_m: float, wording: Wording) -> list[ReadingForm]:
    """Return the forms of the readings in an address, in their order, renumbered without gaps."""
    numbers = sorted({int(found[1]) for name in given if (found := FIELD.fullmatch(name))})[:MOST_READINGS]
    forms = []
    for i, number in enumerate(numbers):
        fields = {
            f"spot-{i}-{part}": given[name] for part in PARTS if (name := f"spot-{number}-{part}") in given
        }
        form = ReadingForm(MultiDict(fields), prefix=f"spot-{i}-", meta={"wording": wording})
        form.length_m = length_m
        forms.append(form)
    return forms


@dataclass(frozen=True)
class Readings:
    """The readings of one putt; its edits return others.

    Attributes
    ----------
    noted : tuple of Noted
    length_m : float
        The putt's length.
    wording : Wording
    """

    noted: tuple[Noted, ...]
    length_m: float
    wording: Wording

    @property
    def plain(self) -> tuple[Reading, ...]:
        """The readings alone."""
        return tuple(one.reading for one in self.noted)

    def fields(self, figure: Callable[[float], str]) -> dict[str, str]:
        """Return their fields in an address, each figure written so."""
        return {
            f"spot-{i}-{name}": text
            for i, one in enumerate(self.noted)
            for name, text in self._fields(one, figure).items()
        }

    def _fields(self, one: Noted, figure: Callable[[float], str]) -> dict[str, str]:
        reading = one.reading
        return {
            "at": f"{figure(100.0 * reading.at)} %",
            "falls": way_text(-reading.toward_rad),
            "size": self._size(one, figure),
            "by": reading.by,
        }

    def _size(self, one: Noted, figure: Callable[[float], str]) -> str:
        size, within = one.reading.size, one.reading.within
        if size is None:
            return ""
        sure = "" if within is None else f" ±{figure(self._in(within, one.unit))}"
        return f"{figure(self._in(size, one.unit))}{sure} {one.unit}"

    def _in(self, slope: float, unit: str) -> float:
        return slope_in(slope, unit, self.length_m, self.wording)

    def stepped(self, name: str, way: int) -> "Readings":
        """Return them with the place or the size of one a step further, if that leads anywhere."""
        found = FIELD.fullmatch(name)
        if not found or int(found[1]) >= len(self.noted):
            return self
        i, (reading, unit) = int(found[1]), self.noted[int(found[1])]
        if found[2] == "at":
            return self.moved(i, reading.at + way * PLACE_STEP)
        if found[2] != "size" or reading.gives is Gives.WAY:
            return self
        step = RISE_STEPS.get(unit) or STEPS[unit]
        size = slope_of(self._in(reading.size or 0.0, unit) + way * step, unit, self.length_m, self.wording)
        turned = reading.toward_rad + (math.pi if size < 0.0 else 0.0)
        return self.instead(i, replace(reading, size=min(abs(size), RANGES.tilt[1]), toward_rad=turned))

    def moved(self, i: int, at: float) -> "Readings":
        """Return them with one at another share of the way, to a hundredth, on the putt."""
        return self.instead(i, replace(self.noted[i].reading, at=round(min(max(at, 0.0), 1.0), 2)))

    def turned(self, i: int, degrees: float) -> "Readings":
        """Return them with one that falls so far clockwise from the hole."""
        toward = math.radians(5.0 * round(degrees / 5.0))
        return self.instead(i, replace(self.noted[i].reading, toward_rad=toward))

    @property
    def at_hole(self) -> bool:
        """Whether nothing was read but at the hole, round which the ball may be moved."""
        return all(one.reading.at_hole for one in self.noted)

    def rotated(self, turn_rad: float) -> "Readings":
        """Return them as they lie for a ball that was moved so far clockwise round the hole."""
        turned = (
            one._replace(reading=replace(one.reading, toward_rad=wrap_rad(one.reading.toward_rad - turn_rad)))
            for one in self.noted
        )
        return replace(self, noted=tuple(turned))

    def without(self, i: int) -> "Readings":
        """Return them with one taken away."""
        return replace(self, noted=self.noted[:i] + self.noted[i + 1 :])

    def noting(self, reading: Reading) -> "Readings":
        """Return them with one more, as long as there is room."""
        added = (*self.noted, Noted(reading, self.wording.units.slope))
        return replace(self, noted=added[:MOST_READINGS])

    def further(self) -> "Readings":
        """Return them with one more to be read, by the last one's instrument where the gap is widest."""
        places = sorted({0.0, 1.0, *(min(max(one.reading.at, 0.0), 1.0) for one in self.noted)})
        gaps = [(after - before, before) for before, after in itertools.pairwise(places)]
        gap, before = max(gaps, key=lambda one: (round(one[0], 6), one[1]))
        last = next((one for one in reversed(self.noted) if one.reading.gives is Gives.SLOPE), None)
        by, unit = (last.reading.by, last.unit) if last else ("level", self.wording.units.slope)
        added = Noted(Reading(round(before + 0.5 * gap, 2), -0.5 * math.pi, None, by), unit)
        return replace(self, noted=(*self.noted, added)[:MOST_READINGS])

    def to_be_read(self, at_m: float, by: str, *, across: bool) -> "Readings":
        """Return them with a place to be read by an instrument, so far from the ball."""
        way = 0.5 * math.pi if across else math.pi
        return self.noting(Reading(round(at_m / self.length_m, 2), way, None, by))

    def instead(self, i: int, reading: Reading) -> "Readings":
        """Return them with another in the place of one."""
        changed = Noted(reading, self.noted[i].unit)
        return replace(self, noted=(*self.noted[:i], changed, *self.noted[i + 1 :]))


def noted_of(ground: Surface, unit: str) -> tuple[Noted, ...]:
    """Return ground that was read at stations as readings, of which nothing but how sure they are is left."""
    if not isinstance(ground, Stations):
        return ()
    found = []
    for one in ground.readings:
        within = None if one.sd is None else 2.0 * one.sd
        for slope, way in ((one.side, 0.5 * math.pi), (None if one.grade is None else -one.grade, 0.0)):
            if slope is not None:
                toward = way if slope >= 0.0 else way - math.pi
                found.append(Noted(Reading(one.at, toward, abs(slope), "", within), unit))
    return tuple(found[:MOST_READINGS])
