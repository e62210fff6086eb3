"""From where a putt is looked at, and how."""

import math
from collections.abc import Mapping

from wtforms import BooleanField, SelectField
from wtforms.fields.choices import SelectChoice

from orthocline.core.ground import STOPS
from orthocline.drawing.sight.framing import SHAPES, Looking
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.wording.figures import tidy
from orthocline.wording.ground.walk import STOP_WORDS
from orthocline.wording.quantities import parse_degrees
from orthocline.wording.wording import Wording

MOST_TURN, MOST_NOD = math.radians(120.0), math.radians(60.0)


def _turned(label: str, most_rad: float, allowed: str) -> QuantityField:
    return QuantityField(label, _angle, between=(-most_rad, most_rad), allowed=allowed, optional=True)


def _angle(text: str, _wording: Wording) -> float:
    """Return an angle [rad]."""
    return math.radians(parse_degrees(text))


def _stops() -> list[SelectChoice]:
    return [SelectChoice(name, STOP_WORDS[name].title) for name in STOPS]


class LookingForm(FigureForm):
    """The fields of an address that say how a putt is looked at."""

    stop = SelectField("Look from", choices=_stops, default="ball")
    turn = _turned("Head turned right", MOST_TURN, "at most 120 degrees to either side")
    nod = _turned("Head bent", MOST_NOD, "at most 60 degrees")
    crouch = BooleanField("Crouching")
    flag_out = BooleanField("Flagstick out")
    shape = SelectField("Sheet", choices=[SelectChoice(name, name) for name in SHAPES], default="beside")

    @property
    def looking(self) -> Looking:
        """How it is looked at, of a valid form."""
        return Looking(
            STOPS[str(self.stop.data)],
            self.turn.figure or 0.0,
            self.nod.figure or 0.0,
            bool(self.crouch.data),
            not self.flag_out.data,
            str(self.shape.data),
        )


def looking_fields(looking: Looking) -> Mapping[str, str]:
    """Return the fields of an address that look so; empty where they say what is usual."""
    return {
        "stop": looking.stop.name,
        "turn": tidy(math.degrees(looking.turned_rad)) if looking.turned_rad else "",
        "nod": tidy(math.degrees(looking.nod_rad)) if looking.nod_rad else "",
        "crouch": "1" if looking.crouching else "",
        "flag_out": "" if looking.flag else "1",
        "shape": looking.shape,
    }
