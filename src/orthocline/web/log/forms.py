"""Forms of the log."""

from flask_wtf import FlaskForm
from wtforms import Form, RadioField, SelectField, StringField, SubmitField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import Length, Optional

from orthocline.core.log import FARTHEST_FINISH_M, Finish
from orthocline.core.units import FOOT_M
from orthocline.services.ground.places import COURSE_LENGTH, GREEN_LENGTH
from orthocline.services.log.putts import NOTE_LENGTH
from orthocline.web.shared.fields import PostedFigureForm, QuantityField
from orthocline.web.shared.places import place_fields
from orthocline.wording.quantities import parse_far_m, parse_near_m

RESULTS = [
    SelectChoice("", "all putts"),
    SelectChoice("holed", "holed"),
    SelectChoice("missed", "missed"),
    SelectChoice("open", "no finish yet"),
]


def _length(label: str, most: str) -> QuantityField:
    return QuantityField(
        label,
        parse_near_m,
        between=(0.0, FARTHEST_FINISH_M),
        allowed=f"between 0 and {most}, such as 8 in, 2 ft or 20 cm",
    )


class FilterForm(Form):
    """Which putts to list."""

    result = SelectField("Result", choices=RESULTS, default="")
    place = StringField("Place", validators=[Optional(), Length(max=COURSE_LENGTH + GREEN_LENGTH)])


class FinishForm(PostedFigureForm):
    """Where the ball stopped: beyond or short of the hole, and to which side."""

    along = _length("Past or short", "98 ft (30 m)")
    along_way = RadioField(
        "Way", choices=[SelectChoice("past", "past"), SelectChoice("short", "short")], default="past"
    )
    across = _length("Left or right", "98 ft (30 m)")
    across_way = RadioField(
        "Side", choices=[SelectChoice("left", "left"), SelectChoice("right", "right")], default="right"
    )
    holed = SubmitField("Holed")

    def finish(self) -> Finish:
        """Return the finish of a form that validates."""
        along, across = self.along.figure or 0.0, self.across.figure or 0.0
        return Finish(
            along if self.along_way.data == "past" else -along,
            across if self.across_way.data == "right" else -across,
        )


class EditForm(FlaskForm):
    """What is written of a putt."""

    course, green = place_fields()
    note = StringField(
        "Note", validators=[Optional(), Length(max=NOTE_LENGTH, message="At most %(max)d characters.")]
    )


class NoteForm(PostedFigureForm, EditForm):
    """A putt without a read."""

    length = QuantityField(
        "Length",
        parse_far_m,
        between=(0.15, 100.0),
        allowed=f"between 6 in and {100 / FOOT_M:.0f} ft, such as 14 ft, 5 paces or 4.3 m",
    )
