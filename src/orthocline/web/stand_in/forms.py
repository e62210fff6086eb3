"""A ball as it is struck or rolled, and those before it, as an address has them."""

import math

from wtforms import SelectField
from wtforms.fields.choices import SelectChoice

from orthocline.core.account import GOLFERS
from orthocline.core.drills import Swing
from orthocline.core.roll import Launch, Read, rolling_deceleration_mps2
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.wording.calls.answers import parse_beside
from orthocline.wording.holing.golfers import LEVEL_WORDS
from orthocline.wording.quantities import parse_far_m, parse_late_s, parse_near_m
from orthocline.wording.wording import Wording

BY = {"stroke": "a stroke", "roller": "a roller"}


def _aside(text: str, wording: Wording) -> float:
    return parse_beside(text, 1.0, wording)


class BallForm(FigureForm):
    """One more ball: its stroke and timing, or how far a roller sends it on the level; and its aim."""

    by = SelectField("With", choices=[SelectChoice(*one) for one in BY.items()], default="stroke")
    golfer = SelectField("Who putts", choices=[SelectChoice(name, LEVEL_WORDS[name]) for name in GOLFERS])
    stroke = QuantityField(
        "Stroke, back and through",
        parse_near_m,
        between=(INCH_M, 60.0 * INCH_M),
        allowed="between 1 and 60 in (2 and 150 cm)",
        optional=True,
    )
    late = QuantityField(
        "Let go",
        lambda text, _: parse_late_s(text),
        between=(-1.0, 1.0),
        allowed="within a second",
        optional=True,
    )
    rolls = QuantityField(
        "Rolls on the level",
        parse_far_m,
        between=(FOOT_M, 100.0 * FOOT_M),
        allowed="between 1 and 100 ft",
        optional=True,
    )
    aim = QuantityField("Aim", _aside, between=(-5.0, 5.0), allowed="within 5 m of the hole", optional=True)

    @property
    def figures(self) -> tuple[float, float, float] | None:
        """The ball as figures: stroke or roll [m], lateness [s], aim [m]; None where it is not there yet."""
        length = self.stroke.figure if self.by.data == "stroke" else self.rolls.figure
        if length is None:
            return None
        return length, self.late.figure or 0.0, self.aim.figure or 0.0


def swing_of(figures: tuple[float, float, float], solved: Read) -> Swing:
    """Return a ball's figures as a stroke."""
    stroke, late, aim = figures
    return Swing(stroke, late, math.atan2(aim, solved.putt.length_m))


def launch_of(figures: tuple[float, float, float], solved: Read) -> Launch:
    """Return a ball's figures as what a roller does: the speed that rolls so far on the level."""
    rolls, _, aim = figures
    drag = rolling_deceleration_mps2(solved.putt.green_speed_ft)
    return Launch(math.atan2(aim, solved.putt.length_m), math.sqrt(2.0 * drag * rolls))
