"""A practice session: planned, begun, paused and taken up again."""

from datetime import UTC, datetime

from flask import Blueprint, redirect, render_template, request, url_for
from flask_login import login_required
from flask_wtf import FlaskForm
from werkzeug.wrappers import Response
from wtforms.validators import InputRequired, NumberRange

from orthocline.core.drills import Slot
from orthocline.services.errors import InvalidError
from orthocline.services.share.coaching import begin_session, sessions_of, take_session_away
from orthocline.services.train.drills import shelf
from orthocline.services.train.practice import (
    begin_practice,
    done_with,
    end_practice,
    going_practice,
    needs_of,
    pause,
    plan_for,
    take_up,
)
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.once import entry_key
from orthocline.web.practice.view import PracticeView
from orthocline.web.security import read_limit
from orthocline.web.shared.numbers import WholeField
from orthocline.web.shared.set_sessions import session_row
from orthocline.wording.quantities import QuantityError, parse_number

blueprint = Blueprint("practice", __name__)
Page = str | Response | tuple[str, int]
USUAL = "10"


class DoneForm(FlaskForm):
    """Which part is done."""

    number = WholeField(validators=[InputRequired(), NumberRange(1, 1000)])


@blueprint.get("/train/practice")
@read_limit
def page() -> Page:
    """The session that goes on, or one for the minutes at hand; refused in Competition."""
    return _page(request.args.get("minutes", USUAL))


@blueprint.post("/train/practice/begin")
@login_required
@read_limit
def begin() -> Page:
    """Begin a session."""
    typed = request.form.get("minutes", USUAL)
    try:
        begin_practice(
            *(viewer(), session(), _minutes(typed), measures(), datetime.now(UTC)), key=entry_key()
        )
    except (InvalidError, QuantityError):
        return _page(typed)
    return redirect(url_for(".page"), 303)


@blueprint.post("/train/practice/done")
@login_required
def done() -> Response:
    """Be done with a part, and on to the next one."""
    form = DoneForm()
    if form.validate():
        done_with(viewer(), session(), form.number.data or 0, datetime.now(UTC))
    return redirect(url_for(".page"), 303)


@blueprint.post("/train/practice/<any(pause, on, end):what>")
@login_required
def change(what: str) -> Response:
    """Pause it, take it up again, or end it."""
    change = {"pause": pause, "on": take_up, "end": end_practice}[what]
    change(viewer(), session(), datetime.now(UTC))
    return redirect(url_for(".page"), 303)


@blueprint.post("/train/practice/set/<int:left_id>/begin")
@login_required
@read_limit
def begin_set(left_id: int) -> Response:
    """Begin a session that a coach set."""
    begin_session(viewer(), session(), left_id, datetime.now(UTC), key=entry_key())
    return redirect(url_for(".page"), 303)


@blueprint.post("/train/practice/set/<int:left_id>/delete")
@login_required
def delete_set(left_id: int) -> Response:
    """Take a session that a coach set away."""
    take_session_away(viewer(), session(), left_id)
    return redirect(url_for(".page"), 303)


def _page(typed: str) -> Page:
    now, golfer, error = datetime.now(UTC), viewer().golfer, ""
    slots: tuple[Slot, ...] = ()
    known = shelf(viewer())
    going = going_practice(viewer(), session(), now) if golfer else None
    needs = needs_of(viewer(), session(), measures(), now) if golfer else {}
    if going is None:
        try:
            slots = plan_for(viewer(), session(), _minutes(typed), needs, now)
        except QuantityError as wrong:
            error = f"Minutes {wrong}."
        except InvalidError as wrong:
            error = str(wrong)
    left = sessions_of(viewer(), session()) if golfer else []
    from_coach = [session_row(one, known, wording()) for one in left]
    view = PracticeView(typed, going.slots if going else slots, needs, known, going, error, from_coach)
    return render_template("practice/page.html", view=view), 422 if error else 200


def _minutes(typed: str) -> float:
    return parse_number(typed, "a number such as 10")
