"""What is noted of a putt: how long it was, how it ended, what was seen of it, what is said of it after."""

from collections.abc import Mapping
from typing import Any
from uuid import UUID

from flask_wtf import FlaskForm
from wtforms import BooleanField, HiddenField, RadioField, SelectField, StringField, SubmitField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import Length, NumberRange, Optional, StopValidation

from orthocline.core.log import FARTHEST_FINISH_M, MOST_HOLES, MOST_PUTTS, Finish, Judged, Seen
from orthocline.core.units import FOOT_M
from orthocline.services.log.entries import METHODS, Result, Turn
from orthocline.services.log.putts import NOTE_LENGTH
from orthocline.web.shared.fields import PostedFigureForm, QuantityField
from orthocline.web.shared.numbers import LARGEST, WholeField
from orthocline.web.shared.places import place_fields
from orthocline.wording.log.methods import method_words
from orthocline.wording.quantities import parse_far_m, parse_near_m
from orthocline.wording.wording import Wording

SIDE = {"left": -1, "on": 0, "right": 1}
NOT_SAID = "–"
LEAST_M, MOST_M = 0.05, 100.0
LENGTHS = f"between 2 in and {MOST_M / FOOT_M:.0f} ft, such as 14 ft, 5 paces or 4.3 m"


def _length(label: str, most: str) -> QuantityField:
    return QuantityField(
        label,
        parse_near_m,
        between=(0.0, FARTHEST_FINISH_M),
        allowed=f"between 0 and {most}, such as 8 in, 2 ft or 20 cm",
    )


def _radio(label: str, words: Mapping[str, str], default: str = "") -> RadioField:
    return RadioField(label, choices=[SelectChoice(*one) for one in words.items()], default=default)


def _either(label: str, yes: str, no: str) -> RadioField:
    return _radio(label, {"": NOT_SAID, "yes": yes, "no": no})


def _truth(said: str | None) -> bool | None:
    return {"yes": True, "no": False}.get(said or "")


def _said(truth: bool | None) -> str:
    return "" if truth is None else "yes" if truth else "no"


class ResultForm(PostedFigureForm):
    """Where the ball stopped, or that it dropped; what was seen of it."""

    along = _length("Past or short", "98 ft (30 m)")
    along_way = _radio("Way", {"past": "past", "short": "short"}, "past")
    across = _length("Left or right", "98 ft (30 m)")
    across_way = _radio("Side", {"left": "left", "right": "right"}, "right")
    started = _radio("It started", {"": NOT_SAID, "left": "left", "on": "on line", "right": "right"})
    passed = _radio("It passed", {"": NOT_SAID, "left": "left", "right": "right"})
    gate = _either("The gate", "touched", "clear")
    struck = _either("Struck", "middle", "off centre")
    device = BooleanField("Rolled by a device")
    holed = SubmitField("Holed")
    missed = SubmitField("Missed")
    kept = SubmitField("Keep the place")

    @property
    def is_placed(self) -> bool:
        """Whether the ball stopped at a place, which has to be said then."""
        return not (self.holed.data or self.missed.data)

    def validate(self, extra_validators: Any = None) -> bool:
        """Return whether the form is right; the place of a ball that has none is not asked for."""
        for field in (self.along, self.across):
            field.optional = not self.is_placed
        return bool(super().validate(extra_validators))

    def result(self) -> Result:
        """Return the result of a form that validates."""
        started, passed = (SIDE.get(field.data or "") for field in (self.started, self.passed))
        seen = Seen(started, passed, _truth(self.gate.data), _truth(self.struck.data))
        device = bool(self.device.data)
        if not self.is_placed:
            known = self.holed.data or self.missed.data
            return Result(bool(self.holed.data) if known else None, None, seen, device)
        along, across = self.along.figure or 0.0, self.across.figure or 0.0
        finish = Finish(
            along if self.along_way.data == "past" else -along,
            across if self.across_way.data == "right" else -across,
        )
        return Result(False, finish, seen, device)


def result_values(result: Result, said: Wording) -> dict[str, Any]:
    """Return a result as the fields of its form say it."""
    finish, seen = result.finish, result.seen
    sides = {number: name for name, number in SIDE.items()}
    return {
        "along": said.exact(finish.along_m) if finish else "",
        "along_way": "short" if finish and finish.along_m < 0 else "past",
        "across": said.exact(finish.across_m) if finish else "",
        "across_way": "left" if finish and finish.across_m < 0 else "right",
        "started": "" if seen.started_right is None else sides[seen.started_right],
        "passed": "" if not seen.passed_right else sides[seen.passed_right],
        "gate": _said(seen.gate_touched),
        "struck": _said(seen.struck_centre),
        "device": result.by_device,
    }


class VisitField(HiddenField):
    """What the putts of one visit to a green share."""

    number: UUID | None = None

    def pre_validate(self, form: Any) -> None:
        """Read it, or say that it is none."""
        del form
        try:
            self.number = UUID(self.data) if self.data else None
        except ValueError as error:
            raise StopValidation("The green of this putt is not known any more: note it anew.") from error


class TurnForm(FlaskForm):
    """Which putt of which hole it is."""

    outing = WholeField("Round", validators=[Optional(), NumberRange(1, LARGEST)])
    hole = WholeField(
        "Hole", validators=[Optional(), NumberRange(1, MOST_HOLES, f"A round has holes 1 to {MOST_HOLES}.")]
    )
    number = WholeField(
        "Putt", validators=[Optional(), NumberRange(1, MOST_PUTTS, f"A green takes 1 to {MOST_PUTTS} putts.")]
    )
    visit = VisitField()

    def turn(self) -> Turn:
        """Return the turn of a form that validates."""
        number = self.number.data or 1
        visit = self.visit.number if number > 1 else None
        return Turn(self.outing.data, self.hole.data, number, visit)


def turn_values(turn: Turn) -> dict[str, Any]:
    """Return a turn as the fields of its form say it."""
    return {
        "outing": turn.outing_id,
        "hole": turn.hole,
        "number": turn.number,
        "visit": str(turn.visit) if turn.visit else "",
    }


class AboutForm(PostedFigureForm):
    """What a golfer writes of a putt: length, break, the way it was read, where, a note."""

    course, green = place_fields()
    length = QuantityField("Length", parse_far_m, between=(LEAST_M, MOST_M), allowed=LENGTHS)
    breaks = _radio("It broke", {"": NOT_SAID, "left": "left", "on": "straight", "right": "right"})
    method = SelectField("Read by", default="")
    note = StringField(
        "Note", validators=[Optional(), Length(max=NOTE_LENGTH, message="At most %(max)d characters.")]
    )

    def __init__(self, *arguments: Any, **more: Any) -> None:
        super().__init__(*arguments, **more)
        named = [SelectChoice(name, method_words(name, self.meta.wording)) for name in METHODS]
        self.method.choices = [SelectChoice("", "not said"), *named]

    @property
    def breaks_right(self) -> int | None:
        """The way it broke."""
        return SIDE.get(self.breaks.data or "")


def about_values(
    length_m: float | None, breaks_right: int | None, method: str, note: str, said: Wording
) -> dict[str, Any]:
    """Return what is written of a putt as the fields of its form say it."""
    sides = {number: name for name, number in SIDE.items()}
    return {
        "length": said.far(length_m) if length_m is not None else "",
        "breaks": "" if breaks_right is None else sides[breaks_right],
        "method": method,
        "note": note,
    }


class NoteForm(AboutForm, ResultForm, TurnForm):
    """A putt from nothing; sent without a button and a place, its finish is noted later."""

    @property
    def is_placed(self) -> bool:
        """Whether the ball stopped at a place, which has to be said then."""
        said = self.kept.data or self.along.data or self.across.data
        return bool(said) and super().is_placed


class JudgedForm(FlaskForm):
    """What the golfer says of a putt after the hole."""

    read = _either("Read", "right", "off")
    line = _either("Line", "right", "off")
    pace = _either("Pace", "right", "off")
    committed = _either("Committed", "yes", "no")

    def judged(self) -> Judged:
        """Return what is said."""
        return Judged(*(_truth(f.data) for f in (self.read, self.line, self.pace, self.committed)))


def judged_values(judged: Judged) -> dict[str, str]:
    """Return what is said of a putt as the fields of its form say it."""
    return {name: _said(getattr(judged, name)) for name in ("read", "line", "pace", "committed")}
