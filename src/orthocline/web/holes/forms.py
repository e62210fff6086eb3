"""What is asked of a study: the day's green speed, whether a foot more too, and who putts."""

from wtforms import BooleanField, SelectField
from wtforms.fields.choices import SelectChoice

from orthocline.core.account import GOLFERS, USUAL_LEVEL
from orthocline.core.roll import RANGES
from orthocline.web.shared.fields import PostedFigureForm, QuantityField
from orthocline.wording.figures import capital
from orthocline.wording.holing.golfers import LEVEL_WORDS
from orthocline.wording.quantities import parse_green_speed_ft

LEAST_FT, MOST_FT = RANGES.green_speed_ft


class StudyForm(PostedFigureForm):
    """A study of a green."""

    speed = QuantityField(
        "Green speed",
        lambda text, _: parse_green_speed_ft(text),
        between=RANGES.green_speed_ft,
        allowed=f"between {LEAST_FT:g} and {MOST_FT:g} feet, such as 10.2",
    )
    faster = BooleanField("And at a foot more", default=True)
    level = SelectField(
        "Who putts",
        choices=[SelectChoice(level, f"{capital(LEVEL_WORDS[level])} golfers") for level in GOLFERS],
        default=USUAL_LEVEL,
    )
