"""What the ramp page asks for: the ramp, its rolls, a level's reading, and a simulated green."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from urllib.parse import urlencode

from werkzeug.datastructures import MultiDict
from wtforms import BooleanField, RadioField, StringField
from wtforms.fields.choices import SelectChoice

from orthocline.core.instruments import Gives, giving
from orthocline.core.speed import (
    GROOVE_RANGE_DEG,
    HIDDEN_GRAIN_RANGE,
    HIDDEN_SLOPE_RANGE,
    HIDDEN_SPEED_RANGE_FT,
    RAIL_GAP_RANGE_M,
    RAMP_ANGLE_RANGE_DEG,
    RAMP_LENGTH_RANGE_M,
    ROLL_RANGE_M,
    Groove,
    HiddenGreen,
    Ramp,
    Rods,
)
from orthocline.services.speed.measuring import SimulatedRamp, hidden_green
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.web.shared.trials import Trial, TrialKind, address_of, counted, first_error, trials_in
from orthocline.wording.instruments import INSTRUMENT_WORDS
from orthocline.wording.quantities import (
    is_paced,
    parse_degrees,
    parse_far_m,
    parse_green_speed_ft,
    parse_near_m,
    parse_number,
    parse_slope,
)
from orthocline.wording.wording import Wording

START = {"length": "30 in", "angle": "20 deg", "rails": "rods", "gap": "20 mm", "groove": "145 deg"}
METRIC_START = START | {"length": "76.2 cm"}
OUT = TrialKind(
    "out",
    "A roll",
    parse_far_m,
    ROLL_RANGE_M,
    "between 1 and 60 ft (0.3 and 18 m), such as 9 ft 2 in or 2.8 m",
)
BACK = replace(OUT, name="back")
SEEDS = (1, 999_999)


def _parse_degrees(text: str, _wording: Wording) -> float:
    return parse_degrees(text)


def _slope_instruments() -> list[SelectChoice]:
    return [SelectChoice(one.name, INSTRUMENT_WORDS[one.name].choice) for one in giving(Gives.SLOPE)]


class RampForm(FigureForm):
    """The figures of the ramp page, as they stand in its address; rolls are kept apart."""

    length = QuantityField(
        "Ramp length",
        parse_near_m,
        between=RAMP_LENGTH_RANGE_M,
        allowed="between 8 in and 6.5 ft (20 cm and 2 m), such as 30 in",
    )
    angle = QuantityField(
        "Angle", _parse_degrees, between=RAMP_ANGLE_RANGE_DEG, allowed="between 5 and 45 degrees"
    )
    rails = RadioField(
        "Rails",
        choices=[SelectChoice("groove", "V-groove"), SelectChoice("rods", "two rods")],
        default="rods",
    )
    gap = QuantityField(
        "Gap",
        parse_near_m,
        between=RAIL_GAP_RANGE_M,
        allowed="between 5 and 38 mm, less than the ball",
    )
    groove = QuantityField(
        "Groove", _parse_degrees, between=GROOVE_RANGE_DEG, allowed="between 60 and 180 degrees"
    )
    level = QuantityField(
        "Level reading",
        lambda text, wording: parse_slope(text, 1.0, wording)[0],
        between=(-0.1, 0.1),
        allowed="at most 10 %, such as 0.8 % or 0.5 deg",
        optional=True,
    )
    level_way = RadioField(
        "The way out is", choices=[SelectChoice("up", "up ↑"), SelectChoice("down", "down ↓")], default="up"
    )
    level_with = RadioField("Read with", choices=_slope_instruments, default="level")
    course = StringField("Course")
    green = StringField("Green")
    next = StringField("Next")
    seed = QuantityField(
        "Simulated green",
        lambda text, _: parse_number(text, "a whole number"),
        between=SEEDS,
        allowed="a whole number up to 999999",
        optional=True,
    )
    sim_speed = QuantityField(
        "Hidden speed",
        lambda text, _: parse_green_speed_ft(text),
        between=HIDDEN_SPEED_RANGE_FT,
        allowed="between 6 and 13 feet",
        optional=True,
    )
    sim_slope = QuantityField(
        "Hidden slope, up the way out",
        lambda text, wording: parse_slope(text, 1.0, wording)[0],
        between=HIDDEN_SLOPE_RANGE,
        allowed="between -3 and 3 %",
        optional=True,
    )
    sim_grain = QuantityField(
        "Hidden grain, growing the way out",
        lambda text, _: parse_number(text, "a strength between -0.25 and 0.25"),
        between=HIDDEN_GRAIN_RANGE,
        allowed="between -0.25 and 0.25",
        optional=True,
    )
    reveal = BooleanField("Reveal")

    def ramp(self) -> Ramp:
        """Return the ramp of a form that validates."""
        gap, groove = self.gap.figure or 0.0, self.groove.figure or 0.0
        rails = Rods(gap) if self.rails.data == "rods" else Groove(math.radians(groove))
        return Ramp(self.length.figure or 0.0, math.radians(self.angle.figure or 0.0), rails)

    @property
    def level_out(self) -> float | None:
        """The level's reading [ratio], positive where the way out is up."""
        if self.level.figure is None:
            return None
        return float(self.level.figure) * (1.0 if self.level_way.data == "up" else -1.0)


@dataclass(frozen=True)
class RampRequest:
    """What a request asks for; `ramp` is None while something of it cannot be read."""

    form: RampForm
    out: tuple[Trial, ...]
    back: tuple[Trial, ...]
    ramp: Ramp | None

    @property
    def wording(self) -> Wording:
        """How the golfer who asks says figures."""
        return self.form.wording

    @property
    def paced(self) -> bool:
        """Whether a roll that counts was paced or measured in shoes."""
        return any(is_paced(one.text) for one in (*self.out, *self.back) if not one.left_out)

    @property
    def readable(self) -> bool:
        """Whether everything can be read."""
        return self.ramp is not None and not first_error((*self.out, *self.back))

    @property
    def errors(self) -> dict[str, str]:
        """What is wrong, by field."""
        errors = {name: field.errors[0] for name, field in self.form._fields.items() if field.errors}
        for kind, trials in ((OUT, self.out), (BACK, self.back)):
            if first_error(trials):
                errors[kind.name] = first_error(trials)
        return errors

    @cached_property
    def fields(self) -> list[tuple[str, str]]:
        """Everything that is not empty, as the fields of its address."""
        shown = [(name, field.data) for name, field in self.form._fields.items()]
        told = [(name, "1" if data is True else data) for name, data in shown if data]
        return told + address_of(OUT, self.out) + address_of(BACK, self.back)

    @property
    def query(self) -> str:
        """The same as the query of an address."""
        return urlencode(self.fields)

    @property
    def simulated(self) -> SimulatedRamp | None:
        """The simulated ramp on its hidden green, if one is in use."""
        seed = self.form.seed.figure
        if seed is None or self.ramp is None:
            return None
        green, form = hidden_green(int(seed)), self.form
        chosen = HiddenGreen(
            *(
                hidden if field.figure is None else field.figure
                for field, hidden in (
                    (form.sim_speed, green.speed_ft),
                    (form.sim_slope, green.slope),
                    (form.sim_grain, green.grain),
                )
            )
        )
        return SimulatedRamp(int(seed), self.ramp, chosen)

    @property
    def revealed(self) -> bool:
        """Whether it is asked what the simulated green really is."""
        return bool(self.form.reveal.data)

    @property
    def lengths(self) -> tuple[list[float], list[float]]:
        """The rolls that count [m], out and back."""
        return counted(self.out), counted(self.back)


def ramp_request(
    arguments: MultiDict[str, str], wording: Wording, own_ramp: Mapping[str, str] | None = None
) -> RampRequest:
    """Return what a request asks for.

    A figure of the ramp that is not in it is that of the golfer's `own_ramp`, or else the usual one.
    """
    values = MultiDict(arguments)
    if values.pop("averaged", ""):
        values["level_with"] = "level_averaged"  # as addresses said it that the book kept
    usual = METRIC_START if wording.units.metric else START
    for name, value in (usual | dict(own_ramp or {})).items():
        if name not in values:
            values[name] = value
    form = RampForm(values, meta={"wording": wording})
    out, back = trials_in(values, OUT, wording), trials_in(values, BACK, wording)
    return RampRequest(form, out, back, form.ramp() if form.validate() else None)


def with_simulated(wanted: RampRequest, add: str) -> RampRequest:
    """Return the same with what the simulated ramp adds: ``out``, ``back``, ``six`` rolls, or ``level``."""
    simulated = wanted.simulated
    if simulated is None:
        return wanted
    values = MultiDict(wanted.fields)
    for kind, trials, count in ((OUT, wanted.out, 3), (BACK, wanted.back, 3)):
        wished = count if add == "six" else 1 if add == kind.name else 0
        for number in range(len(trials), len(trials) + wished):
            roll = simulated.roll_m(back=kind is BACK, number=number)
            values.add(kind.name, wanted.wording.taped(roll))
    if add == "level":
        slope = simulated.level()
        values["level"] = wanted.wording.typed_slope(abs(slope))
        values["level_way"] = "up" if slope >= 0.0 else "down"
        values["level_with"] = "level_averaged"
    return ramp_request(values, wanted.wording)
