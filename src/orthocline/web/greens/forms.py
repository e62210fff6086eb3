"""The forms of greens: a new one by its size, and what is said of one."""

from flask_wtf import FlaskForm
from wtforms import StringField
from wtforms.validators import InputRequired, Length, Optional

from orthocline.core.chart import NARROWEST_M, WIDEST_M
from orthocline.services.ground.charts import CHARACTER_LENGTH, NOTE_LENGTH
from orthocline.services.ground.places import GREEN_LENGTH
from orthocline.web.shared.fields import PostedFigureForm, QuantityField
from orthocline.web.shared.places import TOO_LONG, place_fields
from orthocline.wording.quantities import parse_length_m
from orthocline.wording.wording import Wording


def _paced(text: str, wording: Wording) -> float:
    return parse_length_m(text, "paces", wording)


def _size(label: str) -> QuantityField:
    allowed = f"from {NARROWEST_M:g} to {WIDEST_M:g} m"
    return QuantityField(label, _paced, between=(NARROWEST_M, WIDEST_M), allowed=allowed)


class NewForm(PostedFigureForm):
    """A green that is not charted yet."""

    course, green = place_fields()
    deep = _size("How deep")
    wide = _size("How wide")


class AboutForm(FlaskForm):
    """A green's name and its sentence."""

    green = StringField(
        "Name", validators=[InputRequired("Name the green."), Length(max=GREEN_LENGTH, message=TOO_LONG)]
    )
    character = StringField(
        "What it is like", validators=[Optional(), Length(max=CHARACTER_LENGTH, message=TOO_LONG)]
    )
    note = StringField("Your note", validators=[Optional(), Length(max=NOTE_LENGTH, message=TOO_LONG)])
