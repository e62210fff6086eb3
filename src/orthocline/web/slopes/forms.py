"""A slope that was guessed, and what a level then read there."""

from collections.abc import Mapping

from wtforms import BooleanField, RadioField
from wtforms.fields.choices import SelectChoice

from orthocline.core.units import PERCENT
from orthocline.web.shared.fields import PostedFigureForm, QuantityField
from orthocline.wording.quantities import parse_slope
from orthocline.wording.train.slopes import SENSE_WORDS, WAY_WORDS
from orthocline.wording.wording import Wording

STEEPEST = 15.0 * PERCENT


def _slope(text: str, wording: Wording) -> float:
    return parse_slope(text, 1.0, wording)[0]


def _slope_field(label: str) -> QuantityField:
    return QuantityField(label, _slope, between=(0.0, STEEPEST), allowed="between 0 and 15 %")


class GuessForm(PostedFigureForm):
    """How it was guessed, which side was low, and how much."""

    sense = RadioField("By", choices=[SelectChoice(*one) for one in SENSE_WORDS.items()], default="feet")
    way = RadioField("Low side", choices=[SelectChoice(*one) for one in WAY_WORDS.items()], default="left")
    guess = _slope_field("Your guess")

    @property
    def guessed(self) -> Mapping[str, str]:
        """The fields of a valid guess."""
        return {"sense": self.sense.data, "way": self.way.data, "guess": self.guess.data or ""}


class PairForm(GuessForm):
    """A guess with what the level read."""

    level = _slope_field("The level")
    other_way = BooleanField("It falls the other way")

    @property
    def level_slope(self) -> float:
        """What the level read, below nothing where it falls the other way [ratio]."""
        slope = self.level.figure or 0.0
        return -slope if self.other_way.data else slope
