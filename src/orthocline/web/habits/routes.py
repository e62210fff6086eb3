"""What a golfer does again and again: one page, worked out anew by a job; corrections switched on and off."""

from collections.abc import Callable

from flask import Blueprint, flash, redirect, render_template, request, url_for
from flask_login import login_required
from flask_wtf import FlaskForm
from sqlalchemy.orm import Session
from werkzeug.wrappers import Response
from wtforms import StringField
from wtforms.validators import InputRequired, Length, NumberRange

from orthocline.services.account.access import Viewer
from orthocline.services.account.measures import golfer_of
from orthocline.services.jobs.jobs import ask_for, find_job
from orthocline.services.log.habits import corrections_on, habits_of, switch_off, switch_on
from orthocline.web.database import session
from orthocline.web.habits.view import HabitsView
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.once import entry_key
from orthocline.web.page import is_part
from orthocline.web.security import read_limit
from orthocline.web.shared.numbers import WholeField
from orthocline.wording.jobs import JOB_WORDS

blueprint = Blueprint("habits", __name__)
JOB = "habits"


class CorrectionForm(FlaskForm):
    """Which correction is meant."""

    method = StringField(validators=[InputRequired(), Length(max=40)])
    breaks = WholeField(validators=[InputRequired(), NumberRange(min=-1, max=1)])


@blueprint.get("/habits")
@login_required
@read_limit
def page() -> str:
    """What the log says of its golfer."""
    known = habits_of(viewer(), session())
    on = corrections_on(viewer(), session())
    view = HabitsView(known, on, golfer_of(measures()), wording(), tried="tried" in request.args)
    return render_template("habits/page.html", view=view)


@blueprint.post("/habits/again")
@login_required
@read_limit
def again() -> str | Response:
    """Work it out again, in the background."""
    job = ask_for(viewer(), session(), JOB, key=entry_key())
    if is_part():
        return render_template("jobs/_progress.html", job=job, words=JOB_WORDS[JOB])
    return redirect(url_for("jobs.page", job_id=job.id), 303)


@blueprint.get("/habits/<int:job_id>/worked-out")
@login_required
def worked_out(job_id: int) -> Response:
    """Lead on from what was worked out, or say why it was not."""
    job = find_job(viewer(), session(), job_id)
    if job.state == "failed":
        flash(job.why or "It did not work out. Nothing of yours is changed: ask for it once more.")
    return redirect(url_for(".page", tried=1), 303)


@blueprint.post("/habits/on")
@login_required
def on() -> Response:
    """Switch on a correction that the log suggests."""
    return _switched(switch_on, "It is on: your next call names it where it is meant.")


@blueprint.post("/habits/off")
@login_required
def off() -> Response:
    """Switch off a correction."""
    return _switched(switch_off, "It is off.")


def _switched(switch: Callable[[Viewer, Session, str, int], None], said: str) -> Response:
    form = CorrectionForm()
    if form.validate_on_submit():
        switch(viewer(), session(), form.method.data or "", form.breaks.data or 0)
        flash(said)
    return redirect(url_for(".page"), 303)
