"""What the beat asks for: how fast the stroke, where the mark, how long the stroke."""

from orthocline.core.units import FOOT_M, INCH_M
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.wording.quantities import parse_far_m, parse_near_m, parse_seconds

START = {"back": "0.6 s"}


class BeatForm(FigureForm):
    """The figures of the beat, as they stand in its address."""

    back = QuantityField(
        "Back", lambda text, _: parse_seconds(text), between=(0.3, 1.2), allowed="between 0.3 and 1.2 s"
    )
    mark = QuantityField(
        "Beat mark",
        parse_far_m,
        between=(0.1, 100.0 * FOOT_M),
        allowed="between 0 and 100 ft (30 m)",
        optional=True,
    )
    stroke = QuantityField(
        "Stroke",
        parse_near_m,
        between=(0.0, 120.0 * INCH_M),
        allowed="between 0 and 120 in (3 m)",
        optional=True,
    )
