"""The gate to practise a start line."""

from orthocline.core.units import FOOT_M
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.wording.quantities import parse_degrees, parse_near_m


class GateForm(FigureForm):
    """How far ahead a gate stands, and what it is to let through."""

    gate_at = QuantityField(
        "Gate ahead",
        parse_near_m,
        between=(0.05, 3.0),
        allowed="between 2 in and 10 ft ahead, such as 12 in or 30 cm",
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
    def usual_m(self) -> float:
        """Where it stands unless it is said: a foot ahead, or thirty centimetres."""
        return 0.3 if self.wording.units.metric else FOOT_M
