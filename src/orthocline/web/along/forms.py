"""What today is solved for."""

from wtforms import SelectField

from orthocline.core.roll import RANGES
from orthocline.web.shared.fields import PostedFigureForm, QuantityField
from orthocline.wording.quantities import parse_green_speed_ft, parse_near_m

LEAST_FT, MOST_FT = RANGES.green_speed_ft


class AlongForm(PostedFigureForm):
    """Course, green speed and roll-past."""

    course = SelectField("Course", choices=[])
    speed = QuantityField(
        "Speed",
        lambda text, _: parse_green_speed_ft(text),
        between=(LEAST_FT, MOST_FT),
        allowed=f"between {LEAST_FT:g} and {MOST_FT:g}",
    )
    past = QuantityField(
        "Roll past", parse_near_m, between=(0.0, 1.5), allowed="up to 5 ft, such as 12 in or 30 cm"
    )
