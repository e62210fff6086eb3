"""Work in the background: how far it is, as a page and as a part for any page; cancel; the result."""

from flask import Blueprint, Response, redirect, render_template, url_for
from flask_login import login_required
from werkzeug.wrappers import Response as AnyResponse

from orthocline.services.jobs.jobs import cancel_job, find_job, result_of
from orthocline.services.jobs.registry import KINDS
from orthocline.web.database import session, streamed
from orthocline.web.identity import viewer
from orthocline.web.page import is_part
from orthocline.wording.jobs import JOB_WORDS

blueprint = Blueprint("jobs", __name__)


@blueprint.get("/jobs/<int:job_id>")
@login_required
def page(job_id: int) -> str | AnyResponse:
    """How far a job is, asked for again and again by the page itself until it has ended."""
    job = find_job(viewer(), session(), job_id)
    words = JOB_WORDS[job.kind]
    if words.page and job.state in ("done", "failed"):
        return _on(url_for(words.page, job_id=job_id))
    template = "jobs/_progress.html" if is_part() else "jobs/page.html"
    return render_template(template, job=job, words=words)


def _on(address: str) -> AnyResponse:
    """Lead on to another page, from a page or from a part of one."""
    return Response(headers={"HX-Redirect": address}) if is_part() else redirect(address, 303)


@blueprint.post("/jobs/<int:job_id>/cancel")
@login_required
def cancel(job_id: int) -> AnyResponse:
    """Cancel a job."""
    cancel_job(viewer(), session(), job_id)
    return redirect(url_for("jobs.page", job_id=job_id), 303)


@blueprint.get("/jobs/<int:job_id>/result")
@login_required
def result(job_id: int) -> Response:
    """What a job has made, sent as it is read."""
    job = find_job(viewer(), session(), job_id)
    name, media_type = KINDS[job.kind].file_of(job.task)
    pieces = streamed(result_of(viewer(), session(), job_id))
    response = Response(pieces, mimetype=media_type)
    response.headers.set("Content-Disposition", "attachment", filename=name)
    return response
