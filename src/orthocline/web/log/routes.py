"""The log: list, find, edit, delete with undo."""

from flask import Blueprint, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.wrappers import Response

from orthocline.services.errors import InvalidError
from orthocline.services.log.entries import shown
from orthocline.services.log.noting import edit_putt
from orthocline.services.log.putts import delete_putt, find_putt, list_putts, restore_putt
from orthocline.services.share.coaching import notes_of, take_note_away
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.log.forms import EditForm, edit_values
from orthocline.web.log.view import LogView
from orthocline.web.page import is_part
from orthocline.web.shared.log_rows import row
from orthocline.web.shared.numbers import number_asked
from orthocline.web.shared.which_form import WhichForm

blueprint = Blueprint("log", __name__)
Page = str | Response | tuple[str, int]


@blueprint.get("/log")
@login_required
def page() -> str:
    """The golfer's putts, newest first."""
    filters = WhichForm(request.args, meta={"wording": wording()})
    which = filters.which()
    before = request.args.get("before", "")
    listed = list_putts(viewer(), session(), which, before=before)
    notes = {} if viewer().in_competition else notes_of(viewer(), session(), [one.id for one in listed.putts])
    rows = [row(shown(viewer(), putt), wording(), notes.get(putt.id, ())) for putt in listed.putts]
    view = LogView(
        filters, which, listed, rows, wording(), later=bool(before), deleted=number_asked("deleted")
    )
    return render_template("log/_part.html" if is_part() else "log/page.html", view=view)


@blueprint.route("/log/<int:putt_id>/edit", methods=["GET", "POST"])
@login_required
def edit(putt_id: int) -> Page:
    """Change what is written of a putt."""
    entry = shown(viewer(), find_putt(viewer(), session(), putt_id))
    form = EditForm(data=edit_values(entry, wording()), meta={"wording": wording()})
    if form.validate_on_submit():
        try:
            edit_putt(viewer(), session(), putt_id, form.written(entry))
            return redirect(url_for("log.page"), 303)
        except InvalidError as error:
            form[error.field].errors = [str(error)]
    page = render_template("log/edit.html", form=form, putt=row(entry, wording()), entry=entry)
    return page, 422 if form.errors else 200


@blueprint.post("/log/<int:putt_id>/delete")
@login_required
def delete(putt_id: int) -> Response:
    """Delete a putt, with a way back."""
    delete_putt(viewer(), session(), putt_id)
    return redirect(url_for("log.page", deleted=putt_id), 303)


@blueprint.post("/log/<int:putt_id>/restore")
@login_required
def restore(putt_id: int) -> Response:
    """Bring a deleted putt back."""
    restore_putt(viewer(), session(), putt_id)
    return redirect(url_for("log.page"), 303)


@blueprint.post("/log/notes/<int:left_id>/delete")
@login_required
def delete_note(left_id: int) -> Response:
    """Take a coach's note away."""
    take_note_away(viewer(), session(), left_id)
    return redirect(url_for("log.page"), 303)
