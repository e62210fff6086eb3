"""What is asked for without a ramp: the figures of one method, or of tuning putts."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from werkzeug.datastructures import MultiDict
from wtforms import StringField

from orthocline.core.speed import METHODS, TUNING_FIGURES, Figure, Quantity
from orthocline.formats.sheet import Sheet
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.web.shared.sheets import TrialKind, errors_of, sheet_in
from orthocline.wording.quantities import (
    is_paced,
    parse_far_m,
    parse_green_speed_ft,
    parse_near_m,
    parse_seconds,
    parse_slope,
)
from orthocline.wording.speed.method_words import MethodWords
from orthocline.wording.speed.methods import METHOD_WORDS
from orthocline.wording.speed.tuning_putts import WORDS as TUNING_WORDS
from orthocline.wording.speed.tuning_putts import tuning_start
from orthocline.wording.wording import Wording

TUNING = "tuning"
"""Tuning putts are asked for by this name; they are no method, because they give no speed."""
USUAL = "posted"
PARSERS: Mapping[Quantity, Callable[[str, Wording], float]] = {
    Quantity.FAR: parse_far_m,
    Quantity.NEAR: parse_near_m,
    Quantity.SLOPE: lambda text, wording: parse_slope(text, 1.0, wording)[0],
    Quantity.TIME: lambda text, _: parse_seconds(text),
    Quantity.GREEN_SPEED: lambda text, _: parse_green_speed_ft(text),
}


def ways() -> dict[str, MethodWords]:
    """Return what can be asked for here, by name: methods without a page of their own, and tuning putts."""
    here = [name for name, method in METHODS.items() if method.figures]
    return {name: METHOD_WORDS[name] for name in here} | {TUNING: TUNING_WORDS}


class PlaceFields(FigureForm):
    """Where, and which read asked."""

    course = StringField("Course")
    green = StringField("Green")
    next = StringField("Next")


def _form_of(figures: Sequence[Figure], words: MethodWords) -> type[PlaceFields]:
    """Return a form of the figures that are asked for once."""
    fields = {
        one.name: QuantityField(
            words.figures[one.name].label,
            PARSERS[one.quantity],
            between=one.between,
            allowed=words.figures[one.name].allowed,
            optional=True,
        )
        for one in figures
        if not one.many
    }
    return type("MethodForm", (PlaceFields,), fields)


def _kind_of(figure: Figure, words: MethodWords) -> TrialKind:
    said = words.figures[figure.name]
    return TrialKind(figure.name, said.one, PARSERS[figure.quantity], figure.between, said.allowed)


@dataclass(frozen=True)
class MethodRequest:
    """The figures of one method, or of tuning putts, by its name.

    Attributes
    ----------
    by : str
    sheet : Sheet
        Every figure.
    errors : dict
        What is wrong, by field.
    wording : Wording
        How the golfer who asks says figures.
    """

    by: str
    sheet: Sheet
    errors: dict[str, str]
    wording: Wording

    @property
    def words(self) -> MethodWords:
        """How it is said."""
        return ways()[self.by]

    @property
    def figures(self) -> tuple[Figure, ...]:
        """What it asks for."""
        return _figures_of(self.by)

    @property
    def timed(self) -> str:
        """The name of the figure that is timed again and again, for which there is a stopwatch; or empty."""
        times = (one.name for one in self.figures if one.many and one.quantity is Quantity.TIME)
        return next(times, "")

    @property
    def paced(self) -> bool:
        """Whether a length along the green was paced or measured in shoes."""
        far = [one.name for one in self.figures if one.quantity is Quantity.FAR]
        return any(is_paced(one.typed) for name in far for one in self.sheet.noted(name))

    @property
    def is_empty(self) -> bool:
        """Whether no figure is there yet; how far to putt, and how far past, have usual ones."""
        asked = [one.name for one in self.figures if one.many or self.by != TUNING]
        return not any(self.sheet.noted(name) for name in asked)

    @property
    def measured(self) -> dict[str, list[float]]:
        """The figures that can be read, by name, in SI units or feet of green speed."""
        read = {one.name: self.sheet.counted(one.name) for one in self.figures}
        return {one.name: read[one.name] for one in self.figures if one.many or read[one.name]}


def method_request(arguments: MultiDict[str, str], wording: Wording) -> MethodRequest:
    """Return what a request asks for; anything else than there is, is the posted number."""
    by = arguments.get("by", USUAL)
    by = by if by in ways() else USUAL
    values = MultiDict(arguments)
    if by == TUNING:
        for name, usual in tuning_start(wording).items():
            values[name] = values.get(name) or usual
    form = form_of(by, values, wording)
    sheet = sheet_in(values, form, kinds_of(by).values(), {"by": by})
    return MethodRequest(by, sheet, errors_of(form, sheet), wording)


def form_of(by: str, values: MultiDict[str, str], wording: Wording) -> PlaceFields:
    """Return the fields of the figures that are asked for once, checked."""
    form = _form_of(_figures_of(by), ways()[by])(values, meta={"wording": wording})
    form.validate()
    return form


def kinds_of(by: str) -> dict[str, TrialKind]:
    """Return what is tried several times, by name."""
    return {one.name: _kind_of(one, ways()[by]) for one in _figures_of(by) if one.many}


def _figures_of(by: str) -> tuple[Figure, ...]:
    return TUNING_FIGURES if by == TUNING else METHODS[by].figures
