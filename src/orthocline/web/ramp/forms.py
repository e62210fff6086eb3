"""The fields of the ramp page."""

from dataclasses import replace

from wtforms import BooleanField, RadioField, StringField
from wtforms.fields.choices import SelectChoice

from orthocline.core.instruments import Gives, giving
from orthocline.core.speed import (
    HIDDEN_RANGES,
    RAMP_RANGES,
    ROLL_RANGE_M,
)
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.web.shared.sheets import TrialKind
from orthocline.wording.instruments import INSTRUMENT_WORDS
from orthocline.wording.quantities import (
    parse_aside_m,
    parse_degrees,
    parse_far_m,
    parse_green_speed_ft,
    parse_near_m,
    parse_number,
    parse_slope,
)
from orthocline.wording.wording import Wording

OUT = TrialKind(
    "out",
    "A roll",
    parse_far_m,
    ROLL_RANGE_M,
    "between 1 and 60 ft (0.3 and 18 m), such as 9 ft 2 in or 2.8 m",
)
BACK = replace(OUT, name="back")
OUT_ASIDE = TrialKind(
    "out_aside",
    "How far aside",
    parse_aside_m,
    (-1.0, 1.0),
    "within 39 in (1 m), such as 3 in left",
    gaps=True,
)
BACK_ASIDE = replace(OUT_ASIDE, name="back_aside")
SEEDS = (1, 999_999)


def _parse_degrees(text: str, _wording: Wording) -> float:
    return parse_degrees(text)


def _slope_instruments() -> list[SelectChoice]:
    return [SelectChoice(one.name, INSTRUMENT_WORDS[one.name].choice) for one in giving((Gives.SLOPE,))]


class RampForm(FigureForm):
    """The figures of the ramp page, as they stand in its address; rolls are kept apart."""

    length = QuantityField(
        "Ramp length",
        parse_near_m,
        between=RAMP_RANGES["length"],
        allowed="between 8 in and 6.5 ft (20 cm and 2 m), such as 30 in",
    )
    angle = QuantityField(
        "Angle", _parse_degrees, between=RAMP_RANGES["angle"], allowed="between 5 and 45 degrees"
    )
    rails = RadioField(
        "Rails",
        choices=[SelectChoice("groove", "V-groove"), SelectChoice("rods", "two rods")],
        default="rods",
    )
    gap = QuantityField(
        "Gap",
        parse_near_m,
        between=RAMP_RANGES["gap"],
        allowed="between 5 and 38 mm, less than the ball",
    )
    groove = QuantityField(
        "Groove", _parse_degrees, between=RAMP_RANGES["groove"], allowed="between 60 and 180 degrees"
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
        between=HIDDEN_RANGES["speed_ft"],
        allowed="between 6 and 13 feet",
        optional=True,
    )
    sim_slope = QuantityField(
        "Hidden slope, up the way out",
        lambda text, wording: parse_slope(text, 1.0, wording)[0],
        between=HIDDEN_RANGES["slope"],
        allowed="between -3 and 3 %",
        optional=True,
    )
    sim_grain = QuantityField(
        "Hidden grain, growing the way out",
        lambda text, _: parse_number(text, "a strength between -0.25 and 0.25"),
        between=HIDDEN_RANGES["grain"],
        allowed="between -0.25 and 0.25",
        optional=True,
    )
    reveal = BooleanField("Reveal")
