"""Files of greens: given, looked at before anything is kept, taken up; and a green written as a file."""

from typing import Any, Final

from flask import Blueprint, Response, flash, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.exceptions import NotFound
from werkzeug.wrappers import Response as AnyResponse

from orthocline.drawing.svg import svg_file
from orthocline.formats.green_files.registry import FORMATS
from orthocline.services.account.access import require_open_play
from orthocline.services.account.measures import own_senses
from orthocline.services.errors import InvalidError
from orthocline.services.ground.charts import (
    ROOM,
    ChartedGreen,
    find_green,
    green_to_change,
    known_of,
)
from orthocline.services.ground.green_export import export_task
from orthocline.services.ground.green_import import (
    GivenGreen,
    give_file,
    given_green,
    import_task,
    take_up,
)
from orthocline.services.jobs.files import file_name
from orthocline.services.jobs.jobs import Progress, ask_for, find_job, forget_job, result_of
from orthocline.web.database import session
from orthocline.web.green_files.forms import GiveForm, LookForm, shown_answers
from orthocline.web.green_files.view import GivenView, overview_of_file
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.once import entry_key
from orthocline.web.security import EXPORT_LIMIT, file_limit, limiter
from orthocline.web.shared.uploads import pieces_of
from orthocline.wording.jobs import JOB_WORDS

blueprint = Blueprint("green_files", __name__)
Page = str | AnyResponse | tuple[str, int]
KIND: Final = "green_import"
FRAMING: Final = ("system", "unit", "first")
"""Answers that change where the places of a file lie."""
TAP: Final = ("tap.x", "tap.y")
"""What a picture that was tapped says."""


@blueprint.get("/greens/files")
@login_required
def page() -> str:
    """Give a file of a green that is not charted yet."""
    require_open_play(viewer(), ROOM)
    return _give_page(GiveForm(), None)


@blueprint.get("/greens/<int:green_id>/files")
@login_required
def green(green_id: int) -> str:
    """Give a file of a green, or take one."""
    return _give_page(GiveForm(), find_green(viewer(), session(), green_id))


@blueprint.post("/greens/files")
@file_limit
@login_required
def give() -> Page:
    """Take in a file of a new green."""
    form = GiveForm()
    return _given(form, None, {"course": form.course.data or "", "green": form.green.data or ""})


@blueprint.post("/greens/<int:green_id>/files")
@file_limit
@login_required
def give_to(green_id: int) -> Page:
    """Take in a file of a green."""
    held = green_to_change(viewer(), session(), green_id)
    place = held.place
    return _given(GiveForm(), held, {"green_id": green_id, "course": place.course, "green": place.green})


@blueprint.get("/greens/files/<int:job_id>")
@login_required
def look(job_id: int) -> str:
    """What was understood of a file, or how far its reading is."""
    job = _job(job_id)
    given = _understood(job)
    return _look_page(job, given, _shown_form(job, given))


@blueprint.post("/greens/files/<int:job_id>")
@file_limit
@login_required
def again(job_id: int) -> Page:
    """Look at the same file with other answers."""
    job = _job(job_id)
    form = LookForm(meta={"wording": wording()})
    given = _understood(job)
    try:
        if form.validate_on_submit():
            answers = form.answers | _tapped(given)
            shown = _shown_form(job, given).middle.data
            if any(answers[name] != job.task.asked[name] for name in FRAMING) and form.middle.data == shown:
                # The middle that was shown is a place of the figures as they were taken before.
                answers["middle"] = None
            task = import_task(viewer(), session(), job.task.file_id, {**job.task.asked, **answers})
            asked = ask_for(viewer(), session(), KIND, task, entry_key())
            return redirect(url_for(".look", job_id=asked.id), 303)
    except InvalidError as error:
        form[error.field if error.field in form else "middle"].errors = [str(error)]
    return _look_page(job, given, form), 422


@blueprint.post("/greens/files/<int:job_id>/keep")
@login_required
def keep(job_id: int) -> AnyResponse:
    """Keep the chart that was understood."""
    job = _job(job_id)
    # A form that is sent twice comes when the file has gone already.
    change = f"from {file_name(viewer(), session(), job.task) or 'a file'}"
    number = take_up(viewer(), session(), job.task, _result(job), change, entry_key())
    flash(f"Charted {change}. Undo on the map takes it back.")
    return redirect(url_for("greens.green", green_id=number), 303)


@blueprint.post("/greens/files/<int:job_id>/leave")
@login_required
def leave(job_id: int) -> AnyResponse:
    """Let a file go, with all that was understood of it."""
    forget_job(viewer(), session(), _job(job_id).id)
    return redirect(url_for("greens.page"), 303)


@blueprint.get("/greens/files/<int:job_id>/overview.svg")
@login_required
def overview(job_id: int) -> Response:
    """The whole file from above, as a picture that can be tapped."""
    given = _understood(_job(job_id))
    sheet = overview_of_file(given) if given else None
    if sheet is None:
        raise NotFound
    return Response(svg_file(sheet[0]), mimetype="image/svg+xml")


@blueprint.post("/greens/<int:green_id>/files/<kind>")
@limiter.limit(EXPORT_LIMIT)
@login_required
def export(green_id: int, kind: str) -> AnyResponse:
    """Ask for a green as a file."""
    task = export_task(viewer(), session(), green_id, kind)
    job = ask_for(viewer(), session(), "green_export", task, entry_key())
    return redirect(url_for("jobs.page", job_id=job.id), 303)


def _given(form: GiveForm, held: ChartedGreen | None, told: dict[str, Any]) -> Page:
    file = request.files.get("file")
    if file is None or not file.filename:
        return _give_page(form, held, "Choose a file."), 422
    error = ""
    try:
        if form.validate_on_submit():
            pieces = pieces_of(file.stream)
            number, kind = give_file(viewer(), session(), file.filename, pieces, told, entry_key())
            task = import_task(viewer(), session(), number, {**told, "kind": kind})
            job = ask_for(viewer(), session(), KIND, task, entry_key())
            return redirect(url_for(".look", job_id=job.id), 303)
    except InvalidError as refused:
        if refused.field in form:
            form[refused.field].errors = [str(refused)]
        else:
            error = str(refused)
    finally:
        file.close()
    return _give_page(form, held, error), 422


def _give_page(form: GiveForm, held: ChartedGreen | None, error: str = "") -> str:
    formats = list(FORMATS.values())
    return render_template("green_files/page.html", form=form, green=held, error=error, formats=formats)


def _look_page(job: Progress, given: GivenGreen | None, form: LookForm) -> str:
    known = None
    if given:
        known = known_of(viewer(), given.understood.chart, own_senses(measures()))
    name = file_name(viewer(), session(), job.task)
    seen = GivenView(job, name, given, known, form, wording())
    return render_template("green_files/look.html", view=seen, job=job, words=JOB_WORDS[KIND])


def _job(job_id: int) -> Progress:
    job = find_job(viewer(), session(), job_id)
    if job.kind != KIND:
        raise NotFound
    return job


def _understood(job: Progress) -> GivenGreen | None:
    if job.state != "done":
        return None
    return given_green(viewer(), session(), job.task, _result(job))


def _result(job: Progress) -> bytes:
    return b"".join(result_of(viewer(), session(), job.id))


def _shown_form(job: Progress, given: GivenGreen | None) -> LookForm:
    lies = (given.understood.middle, given.understood.up_deg) if given else (None, None)
    shown = shown_answers(job.task.asked, *lies)
    return LookForm(formdata=None, data=shown, meta={"wording": wording()})


def _tapped(given: GivenGreen | None) -> dict[str, Any]:
    """Return the middle that was tapped on the picture of the whole file, if one was."""
    sheet = overview_of_file(given) if given else None
    try:
        x, y = (float(request.form[name]) for name in TAP)
    except (KeyError, ValueError):
        return {}
    if sheet is None:
        return {}
    scene, (left, top), metres = sheet
    if not (0.0 <= x <= scene.width and 0.0 <= y <= scene.height):
        return {}
    return {"middle": (left + metres * x, top - metres * y)}
