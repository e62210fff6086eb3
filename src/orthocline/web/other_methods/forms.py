"""What is asked for without a ramp: a posted number, timed putts, calibrated strokes, zero putts."""

from dataclasses import dataclass
from functools import cached_property
from urllib.parse import urlencode

from werkzeug.datastructures import MultiDict
from wtforms import StringField

from orthocline.core.roll import GREEN_SPEED_RANGE_FT
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.web.shared.trials import Try, TryKind, address_of, first_error, tries_in
from orthocline.wording.figures import Wording
from orthocline.wording.quantities import (
    is_paced,
    parse_far_m,
    parse_green_speed_ft,
    parse_near_m,
    parse_seconds,
)

ROLL_M = (1.0 * FOOT_M, 100.0 * FOOT_M)
ROLL_ALLOWED = "between 1 and 100 ft (0.3 and 30 m), such as 14 ft or 4.3 m"
TIMES = TryKind(
    "times", "A time", lambda text, _: parse_seconds(text), (0.5, 30.0), "between 0.5 and 30 s, such as 3.5 s"
)
STROKES = TryKind(
    "strokes", "A stroke", parse_near_m, (INCH_M, 60.0 * INCH_M), "between 1 and 60 in (2 and 150 cm)"
)
ROLLS = TryKind("rolls", "A roll", parse_far_m, ROLL_M, ROLL_ALLOWED)
BALLS = TryKind("balls", "A ball", parse_far_m, ROLL_M, ROLL_ALLOWED)
KINDS = {"posted": (), "timed": (TIMES,), "stroke": (STROKES, ROLLS), "zero": (BALLS,)}
"""What is tried by each way of measuring."""


class NoRampForm(FigureForm):
    """The single figures of the page; what is tried several times is kept apart."""

    posted = QuantityField(
        "Posted number",
        lambda text, _: parse_green_speed_ft(text),
        between=GREEN_SPEED_RANGE_FT,
        allowed="between 3 and 20 feet",
        optional=True,
    )
    length = QuantityField("Length rolled", parse_far_m, between=ROLL_M, allowed=ROLL_ALLOWED, optional=True)
    target = QuantityField(
        "Distance",
        parse_far_m,
        between=(3.0 * FOOT_M, 60.0 * FOOT_M),
        allowed="between 3 and 60 ft (1 and 18 m): 10 to 15 ft (3 to 4.5 m) is best",
        optional=True,
    )
    place = StringField("Place")
    next = StringField("Next")


@dataclass(frozen=True)
class Asked:
    """What a request asks for: the way of measuring, its figures, its tries by name."""

    by: str
    form: NoRampForm
    tries: dict[str, tuple[Try, ...]]

    @property
    def wording(self) -> Wording:
        """How the golfer who asks says figures."""
        return self.form.wording

    @property
    def errors(self) -> dict[str, str]:
        """What is wrong, by field."""
        found = {name: field.errors[0] for name, field in self.form._fields.items() if field.errors}
        wrong = {name: first_error(tries) for name, tries in self.tries.items()}
        return found | {name: error for name, error in wrong.items() if error}

    @property
    def paced(self) -> bool:
        """Whether the length, or a roll, was paced or measured in shoes."""
        typed = [self.form.length.data or "", *(roll.text for roll in self.tries.get(ROLLS.name, ()))]
        return any(map(is_paced, typed))

    @cached_property
    def fields(self) -> list[tuple[str, str]]:
        """Everything that is not empty, as the fields of its address."""
        shown = [("by", self.by)] + [(n, f.data) for n, f in self.form._fields.items() if f.data]
        return shown + [field for kind in KINDS[self.by] for field in address_of(kind, self.tries[kind.name])]

    @property
    def query(self) -> str:
        """The same as the query of an address."""
        return urlencode(self.fields)

    def figures(self, kind: TryKind) -> list[float]:
        """Return the figures tried of a kind, in SI units."""
        return [one.figure for one in self.tries[kind.name] if one.figure is not None]


def asked(arguments: MultiDict[str, str], wording: Wording) -> Asked:
    """Return what a request asks for; another way of measuring than those there are is the posted number."""
    by = arguments.get("by", "posted")
    by = by if by in KINDS else "posted"
    values = MultiDict(arguments)
    if by == "zero" and not values.get("target"):
        values["target"] = wording.typed_far(4.0 if wording.metric else 12.0 * FOOT_M)
    form = NoRampForm(values, meta={"wording": wording})
    form.validate()
    return Asked(by, form, {kind.name: tries_in(values, kind, wording) for kind in KINDS[by]})
