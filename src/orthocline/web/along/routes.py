"""Today taken along: solved by a job, and then looked at."""

import json

from flask import Blueprint, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.exceptions import NotFound
from werkzeug.wrappers import Response

from orthocline.services.account.access import require_open_play
from orthocline.services.carry.pack import KIND, ROOM, newest_pack, pack_task
from orthocline.services.errors import InvalidError
from orthocline.services.ground.charts import greens_at_hand
from orthocline.services.jobs.jobs import ask_for, find_job, result_of
from orthocline.web.along.forms import AlongForm
from orthocline.web.along.view import PackView
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.once import entry_key
from orthocline.web.security import EXPORT_LIMIT, limiter
from orthocline.web.shared.todays import todays_conditions
from orthocline.wording.figures import speed_text

blueprint = Blueprint("along", __name__)


@blueprint.get("/along")
@login_required
def page() -> str:
    """What today is to be solved for; refused in Competition."""
    require_open_play(viewer(), ROOM)
    return _page(_form(posted=False))


@blueprint.post("/along")
@limiter.limit(EXPORT_LIMIT)
@login_required
def solve() -> Response | tuple[str, int]:
    """Have today solved."""
    form = _form(posted=True)
    if not form.validate_on_submit():
        return _page(form), 422
    assert form.speed.figure is not None
    assert form.past.figure is not None
    try:
        task = pack_task(viewer(), session(), form.course.data or "", form.speed.figure, form.past.figure)
    except InvalidError as error:
        form.course.errors = [str(error)]
        return _page(form), 422
    job = ask_for(viewer(), session(), KIND, task, entry_key())
    return redirect(url_for("jobs.page", job_id=job.id), 303)


@blueprint.get("/along/<int:job_id>")
@login_required
def solved(job_id: int) -> str | Response:
    """What was solved, and how exact it is; or why it was not."""
    job = find_job(viewer(), session(), job_id)
    if job.kind != KIND:
        raise NotFound
    if job.state != "done":
        return redirect(url_for("jobs.page", job_id=job_id) if job.is_open else url_for(".page"), 303)
    content = b"".join(result_of(viewer(), session(), job_id))
    view = PackView(json.loads(content), len(content), wording())
    return render_template("along/solved.html", view=view, job=job)


def _form(*, posted: bool) -> AlongForm:
    today, said = todays_conditions(), wording()
    usual = {"speed": speed_text(today.green_speed_ft), "past": said.typed_near(today.past_m)}
    form = AlongForm(request.form if posted else None, data=usual, meta={"wording": said})
    greens = greens_at_hand(viewer(), session())
    form.course.choices = list(dict.fromkeys(one.place.course for one in greens if one.chart.corners))
    if not posted and form.course.choices:
        form.course.data = form.course.choices[0]
    return form


def _page(form: AlongForm) -> str:
    return render_template("along/page.html", form=form, newest=newest_pack(viewer(), session()))
