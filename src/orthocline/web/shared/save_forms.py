"""Keeping a speed: where and when it was measured, and how the green was."""

from datetime import UTC, datetime

from flask_wtf import FlaskForm
from wtforms import SelectField, StringField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import Length, Optional

from orthocline.services.speed.book import (
    FIRMNESS,
    MOISTURE,
    MOWING,
    NOTE_LENGTH,
    RATINGS,
    Condition,
    KeptSpeed,
)
from orthocline.web.shared.places import TOO_LONG, place_fields
from orthocline.web.shared.times import TYPED, LocalTimeField, instant
from orthocline.wording.dates import Calendar


def _select(label: str, words: tuple[str, ...]) -> SelectField:
    choices = [SelectChoice("", "not noted"), *(SelectChoice(word, word) for word in words)]
    return SelectField(label, choices=choices, default="")


def _rating(label: str, best: str) -> SelectField:
    named = {1: "1, worst", RATINGS[-1]: f"{RATINGS[-1]}, {best}"}
    choices = [SelectChoice(str(n), named.get(n, str(n))) for n in RATINGS]
    return SelectField(label, choices=[SelectChoice("", "not noted"), *choices], default="")


class PlaceForm(FlaskForm):
    """Where a speed was measured, and how the green was."""

    course, green = place_fields()
    mowing = _select("Mowing", MOWING)
    moisture = _select("Moisture", MOISTURE)
    firmness = _select("Firmness", FIRMNESS)
    trueness = _rating("Trueness", "holds its line")
    smoothness = _rating("Smoothness", "no bumps")
    note = StringField("Note", validators=[Optional(), Length(max=NOTE_LENGTH, message=TOO_LONG)])

    def condition(self) -> Condition:
        """Return how the green was."""
        trueness, smoothness = (int(field.data) if field.data else None for field in self.ratings)
        return Condition(
            self.mowing.data,
            self.moisture.data,
            self.firmness.data,
            trueness,
            smoothness,
            self.note.data or "",
        )

    @property
    def ratings(self) -> tuple[SelectField, SelectField]:
        """Trueness and smoothness."""
        return self.trueness, self.smoothness


class SaveForm(PlaceForm):
    """The same for a speed that was just measured, or some time ago."""

    when = LocalTimeField("Measured", validators=[Optional()], format=TYPED)

    def measured_at(self, calendar: Calendar) -> datetime:
        """Return when it was measured, now unless another time was given, by the golfer's clock.

        Raises
        ------
        InvalidError
            For a time that clocks cannot show.
        """
        given: datetime | None = self.when.data
        return instant(given, calendar) if given else datetime.now(UTC)


def place_values(kept: KeptSpeed) -> dict[str, str]:
    """Return a kept speed as the fields of `PlaceForm`."""
    seen = kept.condition
    texts = {name: getattr(seen, name) for name in ("mowing", "moisture", "firmness", "note")}
    ratings = {name: str(getattr(seen, name) or "") for name in ("trueness", "smoothness")}
    return {"course": kept.place.course, "green": kept.place.green} | texts | ratings
