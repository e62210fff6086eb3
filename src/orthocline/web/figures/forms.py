"""Which putts the figures are of, and which others stand beside them."""

from dataclasses import replace
from datetime import datetime, timedelta
from typing import Any

from wtforms import SelectField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import Optional

from orthocline.services.log.entries import METHODS
from orthocline.services.log.putts import Which
from orthocline.web.shared.which_form import A_DAY, DayField, WhichForm
from orthocline.wording.log.methods import method_words

BESIDE = {
    "": "nothing",
    "rounds": "the last ten rounds",
    "month": "the last thirty days",
    "round": "rounds alone",
    "practice": "practice alone",
    "span": "another time",
}
LAST_ROUNDS, LAST_DAYS = 10, timedelta(days=30)
BY = "by:"


class FiguresForm(WhichForm):
    """Which putts, and what stands beside them."""

    beside = SelectField("Beside", default="")
    beside_since = DayField("Its first day", validators=[Optional()])
    beside_until = DayField("Its last day", validators=[Optional()])

    def __init__(self, *arguments: Any, **more: Any) -> None:
        super().__init__(*arguments, **more)
        methods = {f"{BY}{name}": f"read by: {method_words(name, self.wording)}" for name in METHODS}
        self.beside.choices = [SelectChoice(*one) for one in (BESIDE | methods).items()]

    def other(self, which: Which, now: datetime) -> Which | None:
        """Return the putts that stand beside, the same but for one thing; None for none."""
        chosen = "" if self.beside.errors else self.beside.data or ""
        if chosen.startswith(BY):
            return replace(which, method=chosen.removeprefix(BY))
        if chosen in ("round", "practice"):
            return replace(which, kind=chosen)
        if chosen == "rounds":
            return replace(which, rounds=LAST_ROUNDS, since=None, until=None)
        if chosen == "month":
            return replace(which, since=now - LAST_DAYS, until=None, rounds=None)
        if chosen == "span":
            return self._span(which)
        return None

    def _span(self, which: Which) -> Which | None:
        """Return the same putts at another time; None while no day of it is said."""
        first, last = (
            None if field.errors else field.data for field in (self.beside_since, self.beside_until)
        )
        if first is None and last is None:
            return None
        return replace(which, since=self._start(first), until=self._start(last, A_DAY), rounds=None)
