"""What cards are made for: speeds, pace, rows and columns."""

import re
from collections.abc import Callable
from typing import Any, Final

from wtforms import RadioField, SelectMultipleField, StringField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import StopValidation

from orthocline.core.roll import RANGES
from orthocline.core.units import PERCENT
from orthocline.services.carry.cards import MOST_LENGTHS, MOST_TILTS, CardsAsked
from orthocline.web.shared.fields import BOXES, FigureForm, QuantityField
from orthocline.web.shared.paper import PAPER_CHOICES
from orthocline.wording.carry.cards import KINDS
from orthocline.wording.quantities import (
    QuantityError,
    parse_far_m,
    parse_green_speed_ft,
    parse_near_m,
    parse_slope,
)
from orthocline.wording.wording import Wording

LISTED: Final = re.compile(r"(?:[;\s]|,\s)+(?=[\d.¼½¾])")
UNIT: Final = re.compile(r"[a-z%°'\"]+$", re.IGNORECASE)
SIZE_CHOICES = [SelectChoice("pocket", "pocket"), SelectChoice("large", "large")]


class ListField(StringField):
    """Several figures in one field: ``3, 5, 8 ft``; its `figures` are what they mean, in SI, in order."""

    def __init__(
        self,
        label: str,
        parse: Callable[[str, Wording], float],
        *,
        between: tuple[float, float],
        most: int,
        allowed: str,
        **more: Any,
    ) -> None:
        super().__init__(label, **more)
        self.parse, self.between, self.most, self.allowed = parse, between, most, allowed
        self.figures: tuple[float, ...] = ()

    def pre_validate(self, form: Any) -> None:
        """Find the figures, or say what is allowed."""
        del form
        typed = [one for one in LISTED.split((self.data or "").strip()) if one]
        unit = UNIT.search(typed[-1]) if typed else None
        bare = unit.group() if unit else ""
        try:
            found = {
                self.parse(one if UNIT.search(one) else f"{one} {bare}", self.meta.wording) for one in typed
            }
        except QuantityError as error:
            raise StopValidation(f"{self.label.text} {error}.") from error
        least, most = self.between
        if not 1 <= len(found) <= self.most or not all(least <= one <= most for one in found):
            raise StopValidation(f"{self.label.text} must be {self.allowed}.")
        self.figures = tuple(sorted(found))


def _tilt(text: str, wording: Wording) -> float:
    slope, unit = parse_slope(text, 1.0, wording)
    if unit not in ("%", "deg"):
        raise QuantityError("cannot be read; allowed are percent or degrees")
    return slope


def _speed(label: str, *, optional: bool) -> QuantityField:
    least, most = RANGES.green_speed_ft
    return QuantityField(
        label,
        lambda text, _: parse_green_speed_ft(text),
        between=(least, most),
        allowed=f"between {least:g} and {most:g}",
        optional=optional,
    )


class CardsForm(FigureForm):
    """What is asked of cards."""

    speed = _speed("Speed", optional=False)
    speed2 = _speed("Second", optional=True)
    speed3 = _speed("Third", optional=True)
    past = QuantityField(
        "Roll past", parse_near_m, between=(0.0, 1.5), allowed="up to 5 ft, such as 12 in or 30 cm"
    )
    lengths = ListField(
        "Lengths",
        parse_far_m,
        between=(0.3, 31.0),
        most=MOST_LENGTHS,
        allowed=f"one to {MOST_LENGTHS} of 1 to 100 ft, such as 3, 5, 8 ft",
    )
    tilts = ListField(
        "Tilts",
        _tilt,
        between=(0.1 * PERCENT, 8.0 * PERCENT),
        most=MOST_TILTS,
        allowed=f"one to {MOST_TILTS} of 0.1 to 8 %, such as 1, 2, 3 %",
    )
    rise = QuantityField(
        "Up and down", _tilt, between=(0.0, 8.0 * PERCENT), allowed="0 for level alone, up to 8 %"
    )
    cards = SelectMultipleField(
        "Cards",
        choices=[SelectChoice(name, words) for name, words in KINDS.items()],
        **BOXES,
    )
    size = RadioField("Size", choices=SIZE_CHOICES)
    paper = RadioField("Paper", choices=PAPER_CHOICES)

    @property
    def asked(self) -> CardsAsked:
        """What a form that validates asks for."""
        speeds = [one.figure for one in (self.speed, self.speed2, self.speed3) if one.figure is not None]
        assert self.past.figure is not None
        assert self.rise.figure is not None
        return CardsAsked(
            tuple(dict.fromkeys(speeds)),
            self.past.figure,
            self.lengths.figures,
            self.tilts.figures,
            self.rise.figure,
            tuple(kind for kind in KINDS if kind in (self.cards.data or ())),
            self.size.data or "",
            self.paper.data or "",
        )
