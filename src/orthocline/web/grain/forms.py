"""What is seen of the grain."""

import math
from collections.abc import Iterator
from typing import Final

from wtforms import BooleanField, Form, SelectField
from wtforms.fields.choices import SelectChoice

from orthocline.core.grain import Clue
from orthocline.wording.ground.grain import SHEENS, hour_choice

HOURS: Final = (12, *range(1, 12))
HOUR_RAD: Final = math.pi / 6.0
ON_RIM: Final = ("worn", "sharp", "clippings")
"""Clues that lie on a side of the cup, by the names of their fields."""


def _hour(label: str, first: str, default: str = "") -> SelectField:
    choices = [SelectChoice(str(hour), hour_choice(hour)) for hour in HOURS]
    blank = [SelectChoice("", first)] if first else []
    return SelectField(label, choices=[*blank, *choices], default=default)


class GrainForm(Form):
    """The clues, each at an hour of the cup as the golfer faces it, and what makes it doubtful."""

    worn = _hour("Worn edge", "not seen")
    worn_doubt = BooleanField("it is the low side too")
    sharp = _hour("Sharp edge", "not seen")
    sharp_doubt = BooleanField("cut or mended today")
    clippings = _hour("Clippings", "not seen")
    clippings_doubt = BooleanField("wind moved them")
    sheen = SelectField("Sheen", choices=[SelectChoice(*one) for one in SHEENS.items()], default="")
    sheen_at = _hour("Looking toward", "", "12")
    sheen_doubt = BooleanField("under cloud")

    def clues(self) -> list[Clue]:
        """Return what is seen, of a form that validates."""
        return list(self._clues())

    def _clues(self) -> Iterator[Clue]:
        for name in ON_RIM:
            if self[name].data:
                yield Clue(name, HOUR_RAD * int(self[name].data), self[f"{name}_doubt"].data)
        if self.sheen.data:
            yield Clue(self.sheen.data, HOUR_RAD * int(self.sheen_at.data or 12), self.sheen_doubt.data)


def field_of(kind: str) -> str:
    """Return the field in which the hour of a clue stands."""
    return kind if kind in ON_RIM else "sheen_at"
