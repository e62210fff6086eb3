"""A round or practice is begun, changed, or typed from its card."""

from typing import Any

from flask_wtf import FlaskForm
from wtforms import RadioField, StringField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import InputRequired, Length, NumberRange, Optional, StopValidation

from orthocline.core.log import MOST_HOLES, MOST_PUTTS
from orthocline.services.ground.places import COURSE_LENGTH
from orthocline.services.log.cards import CardHole
from orthocline.services.log.putts import NOTE_LENGTH
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.web.shared.numbers import WholeField
from orthocline.web.shared.places import TOO_LONG
from orthocline.web.shared.times import TYPED, LocalTimeField
from orthocline.wording.quantities import parse_far_m

KIND_CHOICES = [SelectChoice("round", "round"), SelectChoice("practice", "practice")]


class OutingForm(FlaskForm):
    """What it is, and where."""

    kind = RadioField("What", choices=KIND_CHOICES, default="round")
    course = StringField("Course", validators=[Optional(), Length(max=COURSE_LENGTH, message=TOO_LONG)])


class BeginForm(OutingForm):
    """What is begun, and whether Competition begins with it."""

    competition = StringField()


class WhenForm(FlaskForm):
    """When it was."""

    when = LocalTimeField("Begun", validators=[InputRequired("A day and a time.")], format=TYPED)


class EditForm(OutingForm, WhenForm):
    """What is said of a round or practice."""

    holes = WholeField(
        "Holes by the card",
        validators=[Optional(), NumberRange(1, MOST_HOLES, f"A round has 1 to {MOST_HOLES} holes.")],
    )
    note = StringField("Note", validators=[Optional(), Length(max=NOTE_LENGTH, message=TOO_LONG)])


class CardForm(WhenForm):
    """Of which round a card is."""

    course = StringField("Course", validators=[Optional(), Length(max=COURSE_LENGTH, message=TOO_LONG)])


def _length(label: str) -> QuantityField:
    return QuantityField(
        label, parse_far_m, between=(0.05, 100.0), allowed="between 2 in and 328 ft", optional=True
    )


class HoleForm(FigureForm):
    """A line of the card: putts, and how long the first two were."""

    putts = WholeField(
        "Putts",
        validators=[Optional(), NumberRange(0, MOST_PUTTS, f"A green takes up to {MOST_PUTTS} putts.")],
    )
    first = _length("First putt")
    second = _length("Second putt")

    def __init__(self, number: int, *arguments: Any, **more: Any) -> None:
        super().__init__(*arguments, prefix=f"h{number}-", **more)
        self.number = number

    def validate_first(self, field: QuantityField) -> None:
        """Refuse a length of a hole without putts."""
        if field.figure is not None and not self.putts.data:
            raise StopValidation("How many putts was it?")

    def validate_second(self, field: QuantityField) -> None:
        """Refuse the length of a putt that was not needed."""
        if field.figure is not None and (self.putts.data or 0) < 2:
            raise StopValidation("There was no second putt.")

    @property
    def told(self) -> CardHole | None:
        """What it tells; None for a line that is empty."""
        if self.putts.data is None:
            return None
        return CardHole(self.number, self.putts.data, (self.first.figure, self.second.figure))
