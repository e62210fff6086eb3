"""Founding a club, and posting its green speed."""

from flask_wtf import FlaskForm
from wtforms import StringField
from wtforms.validators import InputRequired, Length

from orthocline.core.roll import RANGES
from orthocline.services.ground.places import COURSE_LENGTH
from orthocline.services.share.clubs import NAME_LENGTH
from orthocline.web.shared.fields import PostedFigureForm, QuantityField
from orthocline.web.shared.places import TOO_LONG
from orthocline.wording.quantities import parse_green_speed_ft

LEAST_FT, MOST_FT = RANGES.green_speed_ft


class FoundForm(FlaskForm):
    """A new club."""

    name = StringField(
        "Its name", validators=[InputRequired("Name the club."), Length(max=NAME_LENGTH, message=TOO_LONG)]
    )


class PostForm(PostedFigureForm):
    """The day's green speed of a course."""

    course = StringField(
        "Course",
        validators=[InputRequired("Which course?"), Length(max=COURSE_LENGTH, message=TOO_LONG)],
    )
    speed = QuantityField(
        "Green speed",
        lambda text, _: parse_green_speed_ft(text),
        between=RANGES.green_speed_ft,
        allowed=f"between {LEAST_FT:g} and {MOST_FT:g} feet, such as 10.2",
    )
