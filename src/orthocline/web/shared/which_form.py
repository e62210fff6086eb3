"""Which putts of a log: the fields of an address, what they mean, and the address of some of them."""

from collections.abc import Mapping
from dataclasses import replace
from datetime import date, datetime, time, timedelta
from typing import Any

from wtforms import DateField, SelectField, StringField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import Length, NumberRange, Optional, ValidationError

from orthocline.services.ground.places import COURSE_LENGTH, GREEN_LENGTH
from orthocline.services.log.entries import METHODS
from orthocline.services.log.putts import Which
from orthocline.services.text import tidy_text
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.web.shared.numbers import LARGEST, WholeField
from orthocline.wording.figures import tidy
from orthocline.wording.log.methods import method_words
from orthocline.wording.log.which import ONLY_WORDS
from orthocline.wording.quantities import parse_far_m
from orthocline.wording.wording import Wording

RESULTS: Mapping[str, str] = {"": "all putts", "holed": "holed", "missed": "missed", "open": "no finish yet"}
BREAKS: Mapping[str, str] = {
    "": "any break",
    "breaks_left": "breaking left",
    "straight": "straight",
    "breaks_right": "breaking right",
}
KINDS: Mapping[str, str] = {"": "rounds and practice", "round": "rounds", "practice": "practice"}
OF_FIELDS: Mapping[str, str] = {
    **dict.fromkeys(("holed", "missed"), "result"),
    **dict.fromkeys(("breaks_left", "straight", "breaks_right"), "breaks"),
}
"""Conditions that a field of their own says, and which."""
FOLDED = ("kind", "method", "breaks", "least", "most", "since", "until", "rounds")
"""Fields that are shown when asked for."""
MOST_ROUNDS = 1000
A_DAY, HALF_A_DAY = timedelta(days=1), timedelta(hours=12)
"""The day that ends at a midnight is found by its noon: some days have 23 hours."""


def _choice(label: str, words: Mapping[str, str]) -> SelectField:
    return SelectField(label, choices=[SelectChoice(*one) for one in words.items()], default="")


def _length(label: str) -> QuantityField:
    return QuantityField(
        label, parse_far_m, between=(0.0, 100.0), allowed="a length, such as 10 ft or 3 m", optional=True
    )


class DayField(DateField):
    """A day; of one that is none it says how days are typed."""

    def process_formdata(self, valuelist: list[str]) -> None:
        """Read the day."""
        try:
            super().process_formdata(valuelist)
        except ValueError as error:
            raise ValueError(f"{self.label.text} is a day, such as 2026-11-23.") from error


class WhichForm(FigureForm):
    """Which putts to show; what cannot be read is said beside its field, and does not count."""

    result = _choice("Result", RESULTS)
    place = StringField("Place", validators=[Optional(), Length(max=COURSE_LENGTH + GREEN_LENGTH)])
    kind = _choice("Played", KINDS)
    method = SelectField("Read by", default="")
    breaks = _choice("Break", BREAKS)
    least = _length("Longer than")
    most = _length("Up to")
    since = DayField("Since", validators=[Optional()])
    until = DayField("Until", validators=[Optional()])
    rounds = WholeField("Last rounds", validators=[Optional(), NumberRange(1, MOST_ROUNDS)])
    outing = WholeField("One round", validators=[Optional(), NumberRange(1, LARGEST)])
    only = StringField("Only")

    def __init__(self, *arguments: Any, **more: Any) -> None:
        super().__init__(*arguments, **more)
        named = [SelectChoice(name, method_words(name, self.wording)) for name in METHODS]
        self.method.choices = [SelectChoice("", "any way"), *named]

    def validate_only(self, _field: StringField) -> None:
        """Refuse a condition that is none."""
        if any(name not in ONLY_WORDS for name in self._only):
            raise ValidationError("There is no such condition.")

    @property
    def _only(self) -> tuple[str, ...]:
        return tuple(name for name in (self.only.data or "").split(",") if name)

    @property
    def unfolded(self) -> bool:
        """Whether one of the further fields is in use, or was not understood."""
        return any(self[name].data or self[name].errors for name in FOLDED)

    def which(self) -> Which:
        """Return which putts are meant, as far as it can be read."""
        self.validate()
        good = {name: field.data for name, field in self._fields.items() if not field.errors}
        result, breaks = good.get("result") or "", good.get("breaks") or ""
        only = self._only if "only" in good else ()
        named = (result if result != "open" else "", breaks)
        return Which(
            place=tidy_text(good.get("place") or ""),
            kind=good.get("kind") or "",
            outing_id=good.get("outing"),
            rounds=good.get("rounds"),
            method=good.get("method") or "",
            least_m=self.least.figure,
            most_m=self.most.figure,
            since=self._start(good.get("since")),
            until=self._start(good.get("until"), A_DAY),
            only=tuple(dict.fromkeys((*only, *(name for name in named if name)))),
            opened=result == "open",
        )

    def _start(self, day: date | None, later: timedelta = timedelta()) -> datetime | None:
        """Return when a day begins by the golfer's clock, or so much later."""
        if day is None:
            return None
        try:
            return self.wording.calendar.instant(datetime.combine(day, time()) + later)
        except (OverflowError, ValueError):
            return None


def which_values(which: Which, wording: Wording) -> dict[str, str]:
    """Return the fields of an address that means those putts."""
    only = [name for name in which.only if name not in OF_FIELDS]
    named = {"place": which.place, "kind": which.kind, "method": which.method, "only": ",".join(only)}
    named |= {OF_FIELDS[name]: name for name in which.only if name in OF_FIELDS}
    values = {name: value for name, value in named.items() if value}
    for name, length_m in (("least", which.least_m), ("most", which.most_m)):
        if length_m is not None:
            values[name] = f"{tidy(length_m / wording.units.far_m, 4)} {wording.units.far}"
    for name, then in (("since", which.since), ("until", which.until and which.until - HALF_A_DAY)):
        if then:
            values[name] = wording.calendar.here(then).date().isoformat()
    for name, number in (("rounds", which.rounds), ("outing", which.outing_id)):
        if number is not None:
            values[name] = str(number)
    return values | ({"result": "open"} if which.opened else {})


def narrowed(which: Which, *only: str, **more: Any) -> Which:
    """Return some of those putts."""
    return replace(which, only=tuple(dict.fromkeys((*which.only, *only))), **more)
