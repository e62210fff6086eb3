"""The log: save, record the finish, list, edit, delete with undo."""

from flask import Blueprint, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.wrappers import Response

from orthocline.core.log import Finish
from orthocline.drawing.log.finish import target
from orthocline.services.errors import InvalidError
from orthocline.services.log.putts import (
    MOST_COUNTED,
    delete_putt,
    edit_putt,
    find_putt,
    list_putts,
    note_putt,
    record_finish,
    restore_putt,
    shown,
)
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.log.forms import EditForm, FilterForm, FinishForm, NoteForm
from orthocline.web.once import entry_key
from orthocline.web.page import is_part
from orthocline.web.shared.log_rows import row
from orthocline.web.shared.places import place_in
from orthocline.wording.wording import Wording

blueprint = Blueprint("log", __name__)
Page = str | Response | tuple[str, int]


@blueprint.get("/log")
@login_required
def page() -> str:
    """The golfer's putts, newest first."""
    return _list_page(NoteForm(meta={"wording": wording()}))


@blueprint.post("/log/note")
@login_required
def note() -> Page:
    """Note a putt without a read, as Competition allows."""
    form = NoteForm(meta={"wording": wording()})
    if not form.validate_on_submit():
        return _list_page(form), 422
    putt = note_putt(
        viewer(),
        session(),
        length_m=form.length.figure or 0.0,
        place=place_in(form.data),
        note=form.note.data or "",
        key=entry_key(),
    )
    return redirect(url_for("log.finish", putt_id=putt.id), 303)


@blueprint.route("/log/<int:putt_id>/finish", methods=["GET", "POST"])
@login_required
def finish(putt_id: int) -> Page:
    """Record where the ball stopped."""
    putt = find_putt(viewer(), session(), putt_id)
    entry = shown(viewer(), putt)
    form = FinishForm(data=_finish_texts(entry.finish, wording()), meta={"wording": wording()})
    if form.is_submitted() and (form.holed.data or form.validate()):
        record_finish(viewer(), session(), putt_id, None if form.holed.data else form.finish())
        return redirect(url_for("log.page"), 303)
    status = 422 if form.errors else 200
    drawn = target(entry.finish, request.args.get("span", ""), wording())
    return render_template(
        "log/finish.html", form=form, putt=row(entry, wording()), target=drawn, wording=wording()
    ), status


@blueprint.route("/log/<int:putt_id>/edit", methods=["GET", "POST"])
@login_required
def edit(putt_id: int) -> Page:
    """Change what is written of a putt."""
    putt = find_putt(viewer(), session(), putt_id)
    entry = shown(viewer(), putt)
    form = EditForm(data={"course": entry.place.course, "green": entry.place.green, "note": entry.note})
    if form.validate_on_submit():
        try:
            edit_putt(viewer(), session(), putt_id, place=place_in(form.data), note=form.note.data or "")
            return redirect(url_for("log.page"), 303)
        except InvalidError as error:
            form[error.field].errors = [str(error)]
    page = render_template("log/edit.html", form=form, putt=row(entry, wording()))
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


def _list_page(note_form: NoteForm) -> str:
    filters = FilterForm(request.args)
    filters.validate()
    result = filters.result.data if not filters.result.errors else ""
    place = filters.place.data if not filters.place.errors else ""
    before = request.args.get("before", "")
    listed = list_putts(viewer(), session(), result=result or "", place=place or "", before=before)
    deleted = request.args.get("deleted", "")
    return render_template(
        "log/_part.html" if is_part() else "log/page.html",
        rows=[row(shown(viewer(), putt), wording()) for putt in listed.putts],
        total=listed.total,
        most_counted=MOST_COUNTED,
        newest=_address(result, place),
        older=_address(result, place, listed.older) if listed.older else "",
        later=bool(before),
        filters=filters,
        filtered=bool(result or place),
        note_form=note_form,
        deleted=int(deleted) if deleted.isdecimal() and len(deleted) < 18 else None,
    )


def _address(result: str | None, place: str | None, before: str = "") -> str:
    return url_for("log.page", result=result or None, place=place or None, before=before or None)


def _finish_texts(finish: Finish | None, said: Wording) -> dict[str, str]:
    """Return the finish recorded so far as the fields say it."""
    if finish is None:
        return {"along": "", "along_way": "past", "across": "", "across_way": "right"}
    return {
        "along": said.exact(finish.along_m),
        "along_way": "past" if finish.along_m >= 0 else "short",
        "across": said.exact(finish.across_m),
        "across_way": "right" if finish.across_m >= 0 else "left",
    }
