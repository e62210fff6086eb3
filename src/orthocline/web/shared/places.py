"""Course and green, as fields and in what is asked."""

from collections.abc import Mapping

from wtforms import StringField
from wtforms.validators import Length, Optional

from orthocline.services.ground.places import COURSE_LENGTH, GREEN_LENGTH, Place

TOO_LONG = "At most %(max)d characters."


def place_fields() -> tuple[StringField, StringField]:
    """Return the fields of a course and a green."""
    return _field("Course", COURSE_LENGTH), _field("Green", GREEN_LENGTH)


def place_in(values: Mapping[str, str | None]) -> Place:
    """Return the place that an address or a form names."""
    return Place(values.get("course") or "", values.get("green") or "")


def _field(label: str, most: int) -> StringField:
    return StringField(label, validators=[Optional(), Length(max=most, message=TOO_LONG)])
