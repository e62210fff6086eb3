"""Fields of a read of kinds of their own: slopes, paces, lines, calls, and the golfer's own read."""

from typing import Any

from wtforms import Form, StringField
from wtforms.validators import StopValidation

from orthocline.core.calls import SCHOOLS, Answer
from orthocline.core.roll import RANGES
from orthocline.core.units import FOOT_M
from orthocline.formats.speed_origin import SpeedOrigin, parse_speed_origin
from orthocline.web.shared.fields import DoubtedField, QuantityField
from orthocline.web.shared.read_value import USUAL_OWN
from orthocline.wording.calls import SAYINGS
from orthocline.wording.calls.answers import near_unit, parse_answer, parse_beside
from orthocline.wording.quantities import (
    SPEED_UNITS_MPS,
    QuantityError,
    parse_aside_m,
    parse_near_m,
    parse_slope,
    parse_speed_mps,
)
from orthocline.wording.wording import Wording

MOST_TRIES, MOST_TRY_M = 9, 100.0 * FOOT_M


def is_speed(text: str) -> bool:
    """Return whether a pace is typed as a speed at the hole."""
    return any(text.strip().lower().endswith(unit) for unit in SPEED_UNITS_MPS)


class TriesField(StringField):
    """Candidate lines, aims with their side: ``12 in right, 18 in right``."""

    tries_m: tuple[float, ...] = ()

    def pre_validate(self, form: Form) -> None:
        """Find the aims."""
        del form
        texts = [text for text in (self.data or "").split(",") if text.strip()]
        if len(texts) > MOST_TRIES:
            raise StopValidation(f"Lay at most {MOST_TRIES} lines at a time.")
        try:
            self.tries_m = tuple(parse_aside_m(text, self.meta.wording) for text in texts)
        except QuantityError as error:
            raise StopValidation(f"A line {error}, with its side: 12 in right, 18 in right.") from error
        if any(abs(aim) > MOST_TRY_M for aim in self.tries_m):
            raise StopValidation("A line aims at most 100 ft (30 m) beside the hole.")


class CallsField(StringField):
    """The calls that lead, in their order: ``curve_gate,cup_entry``, or ``none``."""

    calls: tuple[str, ...] | None = None

    def pre_validate(self, form: Form) -> None:
        """Find the calls."""
        del form
        text = (self.data or "").strip()
        names = [] if text in ("", "none") else [name.strip() for name in text.split(",")]
        if len(set(names)) < len(names) or not set(names) <= SCHOOLS.keys():
            raise StopValidation(f"Calls that lead are some of {', '.join(SCHOOLS)}, each once.")
        self.calls = tuple(names) if text else None


class AnswerField(StringField):
    """The golfer's own read in the words of the school that the form names; its side may be beside it."""

    answer: Answer | None = None
    unit = ""

    def pre_validate(self, form: Any) -> None:
        """Find the answer."""
        wording, name = self.meta.wording, form.own_by.data or USUAL_OWN
        self.unit = near_unit(self.data or "", wording)
        if not (self.data or "").strip() or name not in SCHOOLS:
            return
        right = 1.0 if form.own_side.data == "right" else -1.0
        try:
            self.answer = Answer(name, parse_answer(name, self.data or "", right, wording))
        except QuantityError as error:
            example = SAYINGS[name].example(wording)
            raise StopValidation(f"{self.label.text} {error}. For example: {example}.") from error


class SlopeField(DoubtedField):
    """A slope in percent, degrees or rise over the putt, whose length must be known first."""

    typed_unit = ""

    @property
    def unit(self) -> str:
        """The unit it was typed in, or the golfer's."""
        return self.typed_unit or self.wording.units.slope

    def pre_validate(self, form: Any) -> None:
        """Find the slope over the putt's length."""

        def parse(text: str, wording: Wording) -> float:
            slope, self.typed_unit = parse_slope(text, form.length_m, wording)
            return slope

        self.parse = parse
        super().pre_validate(form)


def parse_impression(text: str, wording: Wording) -> float:
    """Return where a first impression aims [m] to the right of the hole's centre."""
    return parse_beside(text, 1.0, wording)


def parse_past(text: str, wording: Wording) -> float:
    """Return a roll-past [m], or a speed at the hole [m/s] as its negative."""
    return -parse_speed_mps(text) if is_speed(text) else parse_near_m(text, wording)


class PastField(QuantityField):
    """Pace: a roll-past, or a speed at the hole."""

    def pre_validate(self, form: Form) -> None:
        """Check the speed's own range."""
        fast = is_speed(self.data or "")
        slowest, fastest = RANGES.speed_at_hole_mps
        self.between = (-fastest, -slowest) if fast else RANGES.past_m
        super().pre_validate(form)


class OriginField(StringField):
    """Where the green speed comes from: kept as typed, read as a `SpeedOrigin`."""

    origin: SpeedOrigin | None = None

    def pre_validate(self, form: Form) -> None:
        """Find the origin."""
        del form
        if self.data:
            self.origin = parse_speed_origin(self.data)
            if self.origin is None:
                raise StopValidation("Speed from is such as 10.2 ±0.3 at 2026-11-23T07:40Z by ramp.")


def slope_field(label: str) -> SlopeField:
    """Return the field of a tilt or a rise."""
    steepest = RANGES.tilt[1]
    return SlopeField(
        label,
        parse=lambda text, _: float(text),
        between=(-steepest, steepest),
        allowed="at most 25 %, such as 2.1 %, 1.2 deg or 1 in over the putt",
        most_within=steepest,
        sure="0 to 25 %",
    )
