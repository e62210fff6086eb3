"""The gate to practise a start line."""

import math

from orthocline.core.units import FOOT_M
from orthocline.web.firm.request import Gate
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.wording.quantities import parse_degrees, parse_near_m


class GateForm(FigureForm):
    """How far ahead a gate stands, how wide it is, and what it is to let through: two of them."""

    gate_at = QuantityField(
        "Gate ahead",
        parse_near_m,
        between=(0.05, 3.0),
        allowed="between 2 in and 10 ft ahead, such as 12 in or 30 cm",
        optional=True,
    )
    gate_wide = QuantityField(
        "Gate wide",
        parse_near_m,
        between=(0.02, 1.0),
        allowed="between 1 and 39 in, such as 3 in or 8 cm",
        optional=True,
    )
    gate_within = QuantityField(
        "Within",
        lambda text, _: parse_degrees(text),
        between=(0.0, 20.0),
        allowed="0 to 20 degrees, such as 1 deg",
        optional=True,
    )

    @property
    def gate(self) -> Gate:
        """The gate that a form that validates asks for."""
        within = self.gate_within.figure
        within_rad = None if within is None else math.radians(within)
        return Gate(self.usual_m, self.gate_at.figure, self.gate_wide.figure, within_rad)

    @property
    def usual_m(self) -> float:
        """Where it stands unless it is said: a foot ahead, or thirty centimetres."""
        return 0.3 if self.wording.units.metric else FOOT_M
