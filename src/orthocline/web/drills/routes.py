"""Drills: the shelf, a drill set up, and a run of it with one tap a ball."""

from datetime import UTC, datetime

from flask import Blueprint, redirect, render_template, request, url_for
from flask_login import login_required
from flask_wtf import FlaskForm
from werkzeug.wrappers import Response
from wtforms import StringField
from wtforms.validators import InputRequired, Length, NumberRange

from orthocline.services.account.measures import golfer_of, own_tempo
from orthocline.services.errors import InvalidError
from orthocline.services.train.checks import own_check
from orthocline.services.train.drills import (
    begin_run,
    find_run,
    going_run,
    history,
    newest_runs,
    note_ball,
    shelf,
    stop_run,
    unnote_ball,
)
from orthocline.web.database import session
from orthocline.web.drills.request import asked_drill, off_of
from orthocline.web.drills.view import DrillView, RunView, ShelfView
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.once import entry_key, typed_fields
from orthocline.web.security import read_limit
from orthocline.web.shared.numbers import WholeField

blueprint = Blueprint("drills", __name__)
Page = str | Response | tuple[str, int]


class BallForm(FlaskForm):
    """What became of which ball."""

    number = WholeField(validators=[InputRequired(), NumberRange(1, 1000)])
    outcome = StringField(validators=[Length(max=40)])
    off = StringField(validators=[Length(max=40)])


@blueprint.get("/train/drills")
@read_limit
def page() -> Page:
    """The shelf; refused in Competition."""
    known = viewer().golfer is not None
    last = newest_runs(viewer(), session()) if known else {}
    going = going_run(viewer(), session()) if known else None
    return render_template("drills/page.html", view=ShelfView(shelf(viewer()), last, going))


@blueprint.get("/train/drills/<name>")
@read_limit
def drill(name: str) -> Page:
    """One drill, set up; refused in Competition."""
    return _drill(name, request.args)


def _drill(name: str, fields: dict[str, str]) -> Page:
    asked = asked_drill(name, fields)
    known = viewer().golfer is not None
    runs = history(viewer(), session(), name) if known else ()
    check = own_check(viewer(), session(), name) if known else None
    view = DrillView(asked, golfer_of(measures()).level, runs, check, wording())
    return render_template("drills/drill.html", view=view), 200 if asked.readable else 422


@blueprint.post("/train/drills/<name>/begin")
@login_required
@read_limit
def begin(name: str) -> Page:
    """Begin a drill."""
    fields = dict(typed_fields())
    asked = asked_drill(name, fields)
    if not asked.readable:
        return _drill(name, fields)
    run = begin_run(viewer(), session(), name, asked.own_m, datetime.now(UTC), key=entry_key())
    return redirect(url_for(".run", run_id=run.id), 303)


@blueprint.get("/train/drills/runs/<int:run_id>")
@login_required
@read_limit
def run(run_id: int) -> Page:
    """A run: the next ball, or how it went."""
    return _run(run_id)


def _run(run_id: int, error: str = "", typed: str = "") -> Page:
    found = find_run(viewer(), session(), run_id, wording().hand)
    check = own_check(viewer(), session(), found.row.drill)
    view = RunView(found, golfer_of(measures()).level, own_tempo(measures()), check, wording(), error, typed)
    return render_template("drills/run.html", view=view), 422 if error else 200


@blueprint.post("/train/drills/runs/<int:run_id>/ball")
@login_required
def ball(run_id: int) -> Page:
    """Note what became of a ball; twice is once."""
    form = BallForm()
    if not form.validate():
        return redirect(url_for(".run", run_id=run_id), 303)
    number, outcome, typed = form.number.data or 1, form.outcome.data or "", form.off.data or ""
    try:
        off = off_of(find_run(viewer(), session(), run_id).drill, typed)
        note_ball(viewer(), session(), run_id, number, outcome, datetime.now(UTC), off)
    except InvalidError as error:
        return _run(run_id, str(error), typed)
    return redirect(url_for(".run", run_id=run_id), 303)


@blueprint.post("/train/drills/runs/<int:run_id>/back")
@login_required
def back(run_id: int) -> Response:
    """Take back what was noted last."""
    form = BallForm()
    if form.validate():
        unnote_ball(viewer(), session(), run_id, form.number.data or 0)
    return redirect(url_for(".run", run_id=run_id), 303)


@blueprint.post("/train/drills/runs/<int:run_id>/stop")
@login_required
def stop(run_id: int) -> Response:
    """End a run before its last ball."""
    stop_run(viewer(), session(), run_id, datetime.now(UTC))
    return redirect(url_for(".run", run_id=run_id), 303)
