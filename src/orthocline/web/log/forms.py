"""What is written of a putt in the log, to be changed."""

from typing import Any

from wtforms.validators import InputRequired

from orthocline.services.log.entries import Entry
from orthocline.services.log.noting import Written
from orthocline.web.shared.note_forms import (
    AboutForm,
    JudgedForm,
    TurnForm,
    about_values,
    judged_values,
    turn_values,
)
from orthocline.web.shared.places import place_in
from orthocline.web.shared.times import TYPED, LocalTimeField, instant
from orthocline.wording.wording import Wording


class EditForm(AboutForm, TurnForm, JudgedForm):
    """What is written of a putt; its length may be left out, as on a card."""

    when = LocalTimeField("When", validators=[InputRequired("A day and a time.")], format=TYPED)

    def __init__(self, *arguments: Any, **more: Any) -> None:
        super().__init__(*arguments, **more)
        self.length.optional = True

    def written(self, entry: Entry) -> Written:
        """Return what a form that validates says; raises InvalidError for a time that clocks cannot show.

        A time that is as it was keeps its seconds.
        """
        calendar = self.meta.wording.calendar
        same = self.when.data == calendar.here(entry.created_at).replace(tzinfo=None, second=0, microsecond=0)
        return Written(
            place_in(self.data),
            self.length.figure,
            self.turn(),
            entry.created_at if same else instant(self.when.data, calendar),
            self.method.data or "",
            self.breaks_right,
            self.judged(),
            self.note.data or "",
        )


def edit_values(entry: Entry, said: Wording) -> dict[str, Any]:
    """Return a putt of the log as the fields of its form say it."""
    about = about_values(entry.length_m, entry.breaks_right, entry.method, entry.note, said)
    when = said.calendar.here(entry.created_at).replace(tzinfo=None)
    place = {"course": entry.place.course, "green": entry.place.green, "when": when}
    return about | turn_values(entry.turn) | judged_values(entry.judged) | place
