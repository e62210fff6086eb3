"""What is seen of the grain."""

from collections.abc import Iterator
from typing import Final

from wtforms import BooleanField, Form, SelectField
from wtforms.fields.choices import SelectChoice

from orthocline.core.grain import Clue
from orthocline.core.units import HOUR_RAD
from orthocline.wording.ground.grain import CLUE_WORDS, SHEENS, hour_choice

HOURS: Final = (12, *range(1, 12))
ON_RIM: Final = ("worn", "sharp", "clippings")
"""Clues that lie on a side of the cup, by the names of their fields."""


def _hour(label: str, first: str, default: str = "") -> SelectField:
    choices = [SelectChoice(str(hour), hour_choice(hour)) for hour in HOURS]
    blank = [SelectChoice("", first)] if first else []
    return SelectField(label, choices=[*blank, *choices], default=default)


def _on_rim(kind: str) -> tuple[SelectField, BooleanField]:
    """Return the fields of a clue on the rim: its hour, and whether it is doubtful."""
    words = CLUE_WORDS[kind]
    return _hour(words.noun.capitalize(), "not seen"), BooleanField(words.doubt)


class GrainForm(Form):
    """The clues, each at an hour of the cup as the golfer faces it, and what makes it doubtful."""

    worn, worn_doubt = _on_rim("worn")
    sharp, sharp_doubt = _on_rim("sharp")
    clippings, clippings_doubt = _on_rim("clippings")
    sheen = SelectField("Sheen", choices=[SelectChoice(*one) for one in SHEENS.items()], default="")
    sheen_at = _hour("Looking toward", "", "12")
    sheen_doubt = BooleanField(CLUE_WORDS["shiny"].doubt)

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
