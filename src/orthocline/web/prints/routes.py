"""What a golfer carries: cards and books, read on the phone or taken as files, in Competition too."""

from flask import Blueprint, Response, redirect, render_template, url_for
from flask_login import login_required
from werkzeug.wrappers import Response as AnyResponse

from orthocline.services.carry.prints import (
    carried,
    delete_print,
    list_prints,
    print_file,
    print_of_job,
    restore_print,
)
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.prints.view import PrintRow, pages_of
from orthocline.web.shared.numbers import number_asked
from orthocline.wording.jobs import JOB_WORDS

blueprint = Blueprint("prints", __name__)
MEDIA = {"pdf": "application/pdf", "svg": "image/svg+xml", "png": "image/png"}


@blueprint.get("/prints")
@login_required
def page() -> str:
    """Everything that the golfer carries, newest first."""
    rows = [PrintRow.of(one, wording().calendar) for one in list_prints(viewer(), session())]
    return render_template("prints/page.html", rows=rows, deleted=number_asked("deleted"))


@blueprint.get("/prints/<int:print_id>")
@login_required
def one(print_id: int) -> str:
    """A print page by page, as large as the screen; or how far its making is."""
    found = carried(viewer(), session(), print_id)
    pages = pages_of(found)
    return render_template(
        "prints/one.html", carried=found, pages=pages, job=found.job, words=JOB_WORDS["print"]
    )


@blueprint.get("/prints/made/<int:job_id>")
@login_required
def made(job_id: int) -> AnyResponse:
    """Lead on to what was made, whose page says why where it was not."""
    return redirect(url_for(".one", print_id=print_of_job(viewer(), session(), job_id).id), 303)


@blueprint.get("/prints/<int:print_id>/<any(pdf, svg, png):kind>")
@login_required
def file(print_id: int, kind: str) -> Response:
    """A print as a file: PDF, or one page as SVG or PNG."""
    number = number_asked("page") or 1
    content = print_file(viewer(), session(), print_id, kind, number)
    response = Response(content, mimetype=MEDIA[kind])
    name = f"orthocline-{print_id}{'' if kind == 'pdf' else f'-{number}'}.{kind}"
    response.headers.set("Content-Disposition", "attachment", filename=name)
    return response


@blueprint.post("/prints/<int:print_id>/delete")
@login_required
def delete(print_id: int) -> AnyResponse:
    """Delete a print, with a way back."""
    delete_print(viewer(), session(), print_id)
    return redirect(url_for(".page", deleted=print_id), 303)


@blueprint.post("/prints/<int:print_id>/restore")
@login_required
def restore(print_id: int) -> AnyResponse:
    """Bring a deleted print back."""
    restore_print(viewer(), session(), print_id)
    return redirect(url_for(".page"), 303)
