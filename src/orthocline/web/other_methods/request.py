"""What is asked for without a ramp: the figures of one method, or of tuning putts."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from urllib.parse import urlencode

from werkzeug.datastructures import MultiDict
from wtforms import StringField

from orthocline.core.speed import METHODS, TUNING_FIGURES, Figure, Quantity
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.web.shared.trials import Trial, TrialKind, address_of, counted, first_error, trials_in
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
    """What a request asks for: the method, its form, and its trials by name."""

    by: str
    words: MethodWords
    form: PlaceFields
    figures: tuple[Figure, ...]
    kinds: Mapping[str, TrialKind]
    trials: Mapping[str, tuple[Trial, ...]]

    @property
    def wording(self) -> Wording:
        """How the golfer who asks says figures."""
        return self.form.wording

    @property
    def errors(self) -> dict[str, str]:
        """What is wrong, by field."""
        wrong = {name: field.errors[0] for name, field in self.form._fields.items() if field.errors}
        tried = {name: first_error(trials) for name, trials in self.trials.items()}
        return wrong | {name: error for name, error in tried.items() if error}

    @property
    def timed(self) -> str:
        """The name of the figure that is timed again and again, for which there is a stopwatch; or empty."""
        times = (one.name for one in self.figures if one.many and one.quantity is Quantity.TIME)
        return next(times, "")

    @property
    def paced(self) -> bool:
        """Whether a length along the green was paced or measured in shoes."""
        far = [one.name for one in self.figures if one.quantity is Quantity.FAR]
        typed = [self.form[name].data or "" for name in far if name in self.form]
        typed += [one.text for name in far for one in self.trials.get(name, ())]
        return any(map(is_paced, typed))

    @property
    def is_empty(self) -> bool:
        """Whether no figure is there yet; how far to putt, and how far past, have usual ones."""
        typed = [self.form[one.name].data for one in self.figures if not one.many and self.by != TUNING]
        return not (any(typed) or any(self.trials.values()))

    @cached_property
    def fields(self) -> list[tuple[str, str]]:
        """Everything that is not empty, as the fields of its address."""
        shown = [("by", self.by)] + [(n, f.data) for n, f in self.form._fields.items() if f.data]
        return shown + [
            field for name, kind in self.kinds.items() for field in address_of(kind, self.trials[name])
        ]

    @property
    def query(self) -> str:
        """The same as the query of an address."""
        return urlencode(self.fields)

    @property
    def measured(self) -> dict[str, list[float]]:
        """The figures that can be read, by name, in SI units or feet of green speed."""
        once = {
            one.name: [figure]
            for one in self.figures
            if not one.many and (figure := self.form[one.name].figure) is not None
        }
        return once | {name: counted(trials) for name, trials in self.trials.items()}


def method_request(arguments: MultiDict[str, str], wording: Wording) -> MethodRequest:
    """Return what a request asks for; anything else than there is, is the posted number."""
    by, said = arguments.get("by", USUAL), ways()
    by = by if by in said else USUAL
    figures = TUNING_FIGURES if by == TUNING else METHODS[by].figures
    values = MultiDict(arguments)
    if by == TUNING:
        for name, usual in tuning_start(wording).items():
            values[name] = values.get(name) or usual
    form = _form_of(figures, said[by])(values, meta={"wording": wording})
    form.validate()
    kinds = {one.name: _kind_of(one, said[by]) for one in figures if one.many}
    trials = {name: trials_in(values, kind, wording) for name, kind in kinds.items()}
    return MethodRequest(by, said[by], form, figures, kinds, trials)
