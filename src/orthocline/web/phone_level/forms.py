"""What the phone as a level asks for: two readings, and which way it was laid."""

import math

from wtforms import RadioField
from wtforms.fields.choices import SelectChoice

from orthocline.core.ground import STEEPEST_READ_RAD
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.wording.quantities import parse_degrees
from orthocline.wording.wording import Wording


def _lean(text: str, _wording: Wording) -> float:
    return math.radians(parse_degrees(text))


def _reading(label: str) -> QuantityField:
    return QuantityField(
        label,
        _lean,
        between=(-STEEPEST_READ_RAD, STEEPEST_READ_RAD),
        allowed="between -15 and 15 degrees: lay the phone down",
        optional=True,
    )


class LevelForm(FigureForm):
    """The two readings of a phone, as they stand in the address."""

    way = RadioField(
        "Laid",
        choices=[
            SelectChoice("across", "across, top right"),
            SelectChoice("along", "along, top to the hole"),
        ],
        default="across",
    )
    laid = _reading("Laid down")
    turned = _reading("Turned round")
