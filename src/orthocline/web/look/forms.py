"""What a level reads at a stop of the walk."""

from orthocline.core.roll import RANGES
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.wording.quantities import parse_slope
from orthocline.wording.wording import Wording


def _slope(text: str, wording: Wording) -> float:
    """Return a slope [ratio]."""
    return parse_slope(text, 1.0, wording)[0]


class MeasuredForm(FigureForm):
    """What an instrument reads, beside a guess or alone: below nothing where it falls to the other side."""

    size = QuantityField(
        "Level",
        _slope,
        between=(-RANGES.tilt[1], RANGES.tilt[1]),
        allowed="at most 25 %, such as 1.4 % or 0.8 deg",
    )
