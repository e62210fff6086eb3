"""Forms of the golfer's own measures."""

import math
from typing import Any

from wtforms import RadioField
from wtforms.fields.choices import SelectChoice

from orthocline.core.account import USUAL_LEVEL
from orthocline.core.roll import RANGES
from orthocline.core.units import FOOT_M, INCH_M, PERCENT
from orthocline.services.account.measures import Measures, golfer_of
from orthocline.web.shared.fields import PostedFigureForm, QuantityField
from orthocline.wording.figures import side, tidy
from orthocline.wording.holing.golfers import LEVEL_WORDS, spread_texts
from orthocline.wording.quantities import (
    parse_aside_m,
    parse_degrees,
    parse_far_m,
    parse_green_speed_ft,
    parse_near_m,
    parse_number,
    parse_share,
    parse_slope,
)
from orthocline.wording.wording import Wording

PASTS = ("usual_past", "usual_past_uphill", "usual_past_downhill")
FINGERS = ("finger_1", "finger_2", "finger_3", "finger_4", "finger_5")
LENGTHS = ("shoe", *FINGERS, "arm_full", "arm_bent", "eye_height", "crouch_height", "shaft", "stance", *PASTS)
STEEPEST = 0.1
"""Nobody putts on steeper ground [ratio]."""
CHOICES = ("units", "slopes", "bend", "hand", "eye", "golfer_level", "pace", "sight", "start_aid")
PLAIN = ("arm_bent_speed_ft", "lean")
SHAFT = ("shaft_left", "shaft_right")
"""How far the foot of each edge hangs beside a plumb line."""
"""Figures of speeds and shares, by the names under which they are kept."""
SPREADS = {"start_line": "start_line_rad", "energy": "energy", "read_share": "read_share"}
"""Fields of how one putt scatters, and what they are kept as."""


def _length(label: str, least_m: float, most_m: float, allowed: str) -> QuantityField:
    return QuantityField(label, parse_near_m, between=(least_m, most_m), allowed=allowed, optional=True)


def _finger(label: str) -> QuantityField:
    return _length(label, 0.008, 0.04, "between 0.3 and 1.6 in (8 and 40 mm)")


def _past(label: str) -> QuantityField:
    return _length(label, *RANGES.past_m, "between 0 and 16 ft (5 m), such as 10 in or 25 cm")


def _share(label: str, most: float, allowed: str) -> QuantityField:
    return QuantityField(
        label, lambda text, _: parse_share(text), between=(0.0, most), allowed=allowed, optional=True
    )


def _beside(label: str) -> QuantityField:
    allowed = "at most 2 in (5 cm) beside the line, such as 0.1 in left or 3 mm right"
    return QuantityField(label, parse_aside_m, between=(-0.05, 0.05), allowed=allowed, optional=True)


def _choice(label: str, default: str | None = None, **choices: str) -> RadioField:
    said = [SelectChoice(value, words) for value, words in choices.items()]
    return RadioField(label, choices=said, default=default)


def _slope(label: str) -> QuantityField:
    return QuantityField(
        label,
        lambda text, wording: parse_slope(text, FOOT_M, wording)[0],
        between=(0.0, STEEPEST),
        allowed="between 0 and 10 %, such as 2.5 %",
    )


class MeasuresForm(PostedFigureForm):
    """Units, words and body."""

    units = _choice("Lengths", feet="feet, inches", metres="metres")
    slopes = _choice("Slopes", percent="percent", degrees="degrees")
    bend = _choice("Aimed off", **{"break": "break", "borrow": "borrow"})
    hand = _choice("I putt", right="right-handed", left="left-handed")
    eye = _choice("Dominant eye", right="right", left="left", unknown="not known")
    shoe = _length("Shoe, heel to toe", 0.15, 0.45, "between 6 and 18 in (15 and 45 cm)")
    finger_1 = _finger("Index finger")
    finger_2 = _finger("Middle finger")
    finger_3 = _finger("Ring finger")
    finger_4 = _finger("Little finger")
    finger_5 = _finger("Thumb")
    arm_full = _length("Eye to finger, arm straight", 0.3, 1.0, "between 12 and 39 in (30 and 100 cm)")
    arm_bent = _length("Eye to finger, arm bent", 0.15, 0.9, "between 6 and 35 in (15 and 90 cm)")
    arm_bent_speed_ft = QuantityField(
        "Bent for a green of",
        lambda text, _: parse_green_speed_ft(text),
        between=RANGES.green_speed_ft,
        allowed="between 3 and 20 feet",
        optional=True,
    )
    eye_height = _length("Eyes above the ground", 0.8, 2.2, "between 31 and 87 in (80 and 220 cm)")
    lean = _share("You lean with the ground", 1.0, "between 0 and 100 %, such as 70 %")
    crouch_height = _length("Eyes when I crouch", 0.3, 1.6, "between 12 and 63 in (30 and 160 cm)")
    stand = QuantityField(
        "I look from behind the ball",
        parse_far_m,
        between=(0.3, 8.0),
        allowed="between 1 and 26 ft (0.3 and 8 m)",
        optional=True,
    )
    shaft_left = _beside("Foot of its left edge")
    shaft_right = _beside("Foot of its right edge")
    shaft = _length("Over a shaft of", 0.3, 1.2, "between 12 and 47 in (30 and 120 cm)")
    stance = _length("Stance, outer width", 0.1, 1.2, "between 4 and 47 in (10 and 120 cm)")
    sight = _choice("I see a putt as", "either", lines="straight lines", curves="a curve", either="either")
    start_aid = _choice("I start it by", "spot", spot="a spot", line="the ball's line", neither="neither")
    golfer_level = _choice("I putt as", USUAL_LEVEL, **LEVEL_WORDS)
    pace = _choice("Reads take", "usual", usual="my usual roll-past", advised="the one advised")
    start_line = QuantityField(
        "Start line",
        lambda text, _: math.radians(parse_degrees(text)),
        between=(0.0, math.radians(10.0)),
        allowed="between 0 and 10 degrees, such as 1.5 deg",
        optional=True,
    )
    energy = _share("Energy of the roll", 0.5, "between 0 and 50 %, such as 10 %")
    read_share = _share("Read", 2.0, "between 0 and 200 % of the aim, such as 35 %")
    usual_past = _past("On the level")
    usual_past_uphill = _past("Uphill")
    usual_past_downhill = _past("Downhill")

    def values(self) -> dict[str, Any]:
        """Return what is to be kept, in SI units."""
        chosen = {name: self[name].data for name in CHOICES}
        lengths = {f"{name}_m": self[name].figure for name in (*LENGTHS, "stand", *SHAFT)}
        lengths |= {name: self[name].figure for name in PLAIN}
        return chosen | lengths | {kept: self[name].figure for name, kept in SPREADS.items()}


class StrideForm(PostedFigureForm):
    """So many paces along so much tape."""

    paces = QuantityField(
        "Paces",
        lambda text, _: parse_number(text, "a number such as 10"),
        between=(1.0, 200.0),
        allowed="between 1 and 200",
    )
    tape = QuantityField(
        "Tape", parse_far_m, between=(0.3, 200.0), allowed="between 1 and 650 ft (0.3 and 200 m)"
    )


class StrokeForm(PostedFigureForm):
    """One putt that calibrates the stroke."""

    stroke = QuantityField(
        "Stroke, back and through",
        parse_near_m,
        between=(INCH_M, 60.0 * INCH_M),
        allowed="between 1 and 60 in (2 and 150 cm)",
    )
    roll = QuantityField(
        "Roll on the level", parse_far_m, between=(FOOT_M, 100.0 * FOOT_M), allowed="between 1 and 100 ft"
    )
    stroke_speed = QuantityField(
        "Green speed", lambda text, _: parse_green_speed_ft(text), between=(3.0, 20.0), allowed="3 to 20 feet"
    )


class PairForm(PostedFigureForm):
    """A slope felt or seen, and what a level then read there."""

    sense = _choice("You", feet="felt", eye="saw")
    guess = _slope("Your guess")
    level = _slope("The level")


def measures_texts(measures: Measures, wording: Wording) -> dict[str, str]:
    """Return own measures as the fields say them."""
    chosen = {name: getattr(measures, name) for name in CHOICES}
    lengths = {name: getattr(measures, f"{name}_m") for name in LENGTHS}
    texts = {name: wording.typed_near(length) for name, length in lengths.items() if length is not None}
    if measures.stand_m is not None:
        texts["stand"] = wording.far(measures.stand_m)
    beside = {name: getattr(measures, f"{name}_m") for name in SHAFT}
    texts |= {name: _beside_text(off_m, wording) for name, off_m in beside.items() if off_m is not None}
    if measures.arm_bent_speed_ft is not None:
        texts["arm_bent_speed_ft"] = tidy(measures.arm_bent_speed_ft)
    if measures.lean is not None:
        texts["lean"] = f"{tidy(measures.lean / PERCENT)} %"
    return chosen | texts | _spread_texts(measures)


def _beside_text(right_m: float, wording: Wording) -> str:
    return f"{wording.typed_near(abs(right_m))} {side(right_m)}"


def _spread_texts(measures: Measures) -> dict[str, str]:
    """Return the golfer's own spreads as their fields say them; a usual one is left empty."""
    said = spread_texts(golfer_of(measures).golfer)
    return {name: said[name] for name, kept in SPREADS.items() if getattr(measures, kept) is not None}
