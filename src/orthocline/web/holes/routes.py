"""Holes of the day: a study of a green asked for, how far it is, its map and fair holes, its sheet."""

from datetime import UTC, datetime

from flask import Blueprint, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.wrappers import Response as AnyResponse

from orthocline.core.study import FROM_EDGE_M
from orthocline.services.account.measures import own_senses
from orthocline.services.carry.prints import ask_print
from orthocline.services.errors import InvalidError
from orthocline.services.ground.charts import find_green, green_to_change
from orthocline.services.ground.studies import delete_study, find_study, list_studies, restore_study
from orthocline.services.ground.study_asked import ask_study, progress_of, study_of_job
from orthocline.services.speed.book import day_speed
from orthocline.web.database import session
from orthocline.web.holes.forms import StudyForm
from orthocline.web.holes.view import USUAL_FIGURE, HolesView, StudyRow
from orthocline.web.identity import admitted, measures, viewer, wording
from orthocline.web.once import entry_key
from orthocline.web.security import read_limit
from orthocline.web.shared.numbers import number_asked
from orthocline.wording.figures import speed_text
from orthocline.wording.ground.holes import FIGURES
from orthocline.wording.jobs import JOB_WORDS

blueprint = Blueprint("holes", __name__)
Page = str | AnyResponse | tuple[str, int]


@blueprint.get("/greens/<int:green_id>/holes")
@admitted
def page(green_id: int) -> str:
    """The studies of a green, and the form of a new one."""
    held = find_green(viewer(), session(), green_id)
    day = day_speed(viewer(), session(), datetime.now(UTC), held.place) if viewer().golfer else None
    told = {"speed": speed_text(day.speed_ft.value)} if day else {}
    return _page(green_id, StudyForm(None, data={**told, "faster": True}, meta={"wording": wording()}))


@blueprint.post("/greens/<int:green_id>/holes")
@login_required
def ask(green_id: int) -> Page:
    """Ask for a study."""
    green_to_change(viewer(), session(), green_id)
    form = StudyForm(meta={"wording": wording()})
    if form.validate_on_submit():
        speed_ft, level, faster = form.speed.figure or 0.0, form.level.data, form.faster.data
        try:
            told = {"faster": faster, "key": entry_key()}
            study_id = ask_study(viewer(), session(), green_id, speed_ft, level, **told)
            return redirect(url_for(".one", study_id=study_id), 303)
        except InvalidError as error:
            form["level" if error.field == "level" else "speed"].errors = [str(error)]
    return _page(green_id, form), 422


@blueprint.get("/holes/<int:study_id>")
@admitted
@read_limit
def one(study_id: int) -> str:
    """A study: its map and its fair holes, or how far it is."""
    found = find_study(viewer(), session(), study_id, own_senses(measures()))
    if found.holes is None or found.known is None:
        job = progress_of(viewer(), session(), found)
        return render_template("holes/waits.html", studied=found, job=job, words=JOB_WORDS["study"])
    shows = request.args.get("show", "")
    speed = number_asked("at") or 0
    view = HolesView(
        found,
        found.holes,
        found.known,
        wording(),
        shows if shows in FIGURES else USUAL_FIGURE,
        speed if speed < len(found.speeds_ft) else 0,
        FROM_EDGE_M,
        url_for(".one", study_id=study_id),
    )
    return render_template("holes/one.html", view=view)


@blueprint.get("/holes/made/<int:job_id>")
@login_required
def made(job_id: int) -> AnyResponse:
    """Lead on to what was worked out, whose page says why where it was not."""
    return redirect(url_for(".one", study_id=study_of_job(viewer(), session(), job_id)), 303)


@blueprint.post("/holes/<int:study_id>/print")
@login_required
def keep(study_id: int) -> AnyResponse:
    """Keep a study as a sheet, and print it."""
    made = ask_print(viewer(), session(), "holes", {"study_id": study_id}, entry_key())
    return redirect(url_for("prints.one", print_id=made.id), 303)


@blueprint.post("/holes/<int:study_id>/delete")
@login_required
def delete(study_id: int) -> AnyResponse:
    """Delete a study, with a way back."""
    green_id = delete_study(viewer(), session(), study_id)
    return redirect(url_for(".page", green_id=green_id, deleted=study_id), 303)


@blueprint.post("/holes/<int:study_id>/restore")
@login_required
def restore(study_id: int) -> AnyResponse:
    """Bring a deleted study back."""
    return redirect(url_for(".page", green_id=restore_study(viewer(), session(), study_id)), 303)


def _page(green_id: int, form: StudyForm) -> str:
    held = find_green(viewer(), session(), green_id)
    rows = [StudyRow.of(one, wording().calendar) for one in list_studies(viewer(), session(), green_id)]
    told = {"green": held, "rows": rows, "deleted": number_asked("deleted")}
    return render_template("holes/page.html", form=form, **told)
