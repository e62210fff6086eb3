"""Putts in and out: a file is tried line by line before anything is kept; the log as CSV and JSON lines."""

from collections.abc import Callable, Iterable, Iterator, Mapping
from typing import Any, Final

from flask import Blueprint, Response, flash, redirect, render_template, request, url_for
from flask_login import login_required
from flask_wtf import FlaskForm
from werkzeug.exceptions import NotFound
from werkzeug.wrappers import Response as AnyResponse

from orthocline.formats.putt_files import LARGEST_BYTES, csv_pieces, json_pieces
from orthocline.formats.putt_line import described
from orthocline.services.errors import InvalidError
from orthocline.services.jobs.files import file_name
from orthocline.services.jobs.jobs import Progress, ask_for, find_job, forget_job, result_of
from orthocline.services.log.putts_in import Trial, give_putts, trial_of
from orthocline.services.log.putts_out import putt_lines
from orthocline.web.database import session, streamed
from orthocline.web.identity import viewer, wording
from orthocline.web.log_files.view import TrialView
from orthocline.web.once import entry_key
from orthocline.web.security import EXPORT_LIMIT, file_limit, limiter
from orthocline.web.shared.numbers import number_asked
from orthocline.web.shared.uploads import pieces_of
from orthocline.web.shared.which_form import WhichForm
from orthocline.wording.jobs import JOB_WORDS

blueprint = Blueprint("log_files", __name__)
Page = str | AnyResponse | tuple[str, int]
TRIAL, KEEPING = "putts_trial", "putts_keep"
Pieces = Callable[[Iterable[dict[str, Any]]], Iterator[str]]
OUT: Final[Mapping[str, tuple[str, Pieces]]] = {
    "csv": ("text/csv", csv_pieces),
    "jsonl": ("application/jsonl", json_pieces),
}
"""How the log is written, by the ending of the file."""


@blueprint.get("/log/files")
@login_required
def page() -> str:
    """Give a file of putts, or take the log along."""
    return _give_page()


@blueprint.post("/log/files")
@file_limit
@login_required
def give() -> Page:
    """Take in a file of putts, and try it."""
    file = request.files.get("file")
    if file is None or not file.filename or not FlaskForm().validate_on_submit():
        return _give_page("Choose a file."), 422
    try:
        task = give_putts(viewer(), session(), file.filename, pieces_of(file.stream), entry_key())
    except InvalidError as refused:
        return _give_page(str(refused)), 422
    finally:
        file.close()
    job = ask_for(viewer(), session(), TRIAL, task, entry_key())
    return redirect(url_for(".look", job_id=job.id), 303)


@blueprint.get("/log/files/<int:job_id>")
@login_required
def look(job_id: int) -> str:
    """What a file would do, line by line, or how far its trial is."""
    job = _job(job_id, TRIAL)
    view = TrialView(_trial(job), number_asked("from") or 0, wording()) if job.state == "done" else None
    name = file_name(viewer(), session(), job.task)
    return render_template("log_files/look.html", job=job, view=view, name=name, words=JOB_WORDS[TRIAL])


@blueprint.post("/log/files/<int:job_id>/keep")
@login_required
def keep(job_id: int) -> AnyResponse:
    """Keep the putts of a file that was tried, and is right."""
    job = _job(job_id, TRIAL)
    if job.state != "done" or not _trial(job).right:
        return redirect(url_for(".look", job_id=job_id), 303)
    kept = ask_for(viewer(), session(), KEEPING, job.task, entry_key())
    return redirect(url_for("jobs.page", job_id=kept.id), 303)


@blueprint.get("/log/files/<int:job_id>/kept")
@login_required
def kept(job_id: int) -> AnyResponse:
    """Lead on from a file that was kept, or say why it was not."""
    job = _job(job_id, KEEPING)
    flash("The putts of the file are in your log." if job.state == "done" else job.why or "Nothing was kept.")
    return redirect(url_for("log.page" if job.state == "done" else ".page"), 303)


@blueprint.post("/log/files/<int:job_id>/leave")
@login_required
def leave(job_id: int) -> AnyResponse:
    """Let a file go."""
    forget_job(viewer(), session(), _job(job_id, TRIAL).id)
    return redirect(url_for(".page"), 303)


@blueprint.get("/log/putts.<ending>")
@limiter.limit(EXPORT_LIMIT)
@login_required
def take(ending: str) -> AnyResponse:
    """The putts that are asked for as a file."""
    if ending not in OUT:
        raise NotFound
    media_type, pieces = OUT[ending]
    which = WhichForm(request.args, meta={"wording": wording()}).which()
    text = pieces(putt_lines(viewer(), session(), which))
    response = Response(streamed(piece.encode() for piece in text), mimetype=media_type)
    response.headers.set("Content-Disposition", "attachment", filename=f"orthocline-putts.{ending}")
    return response


def _give_page(error: str = "") -> str:
    return render_template(
        "log_files/page.html", error=error, columns=list(described()), most_mb=LARGEST_BYTES // 1_000_000
    )


def _job(job_id: int, kind: str) -> Progress:
    job = find_job(viewer(), session(), job_id)
    if job.kind != kind:
        raise NotFound
    return job


def _trial(job: Progress) -> Trial:
    return trial_of(b"".join(result_of(viewer(), session(), job.id)))
