"""Note a putt: where it stopped, the next one, what is said of it after the hole."""

from datetime import UTC, datetime

from flask import Blueprint, Response, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.wrappers import Response as AnyResponse

from orthocline.drawing.log.finish import target
from orthocline.services.errors import InvalidError
from orthocline.services.log.entries import Entry, shown
from orthocline.services.log.noting import (
    first_of_visit,
    judge_putt,
    next_putt,
    note_putt,
    record_result,
)
from orthocline.services.log.outings import find_outing
from orthocline.services.log.putts import find_putt
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.noting.view import NoteView
from orthocline.web.once import entry_key
from orthocline.web.page import is_part
from orthocline.web.shared.log_rows import row
from orthocline.web.shared.note_forms import (
    JudgedForm,
    NoteForm,
    ResultForm,
    about_values,
    judged_values,
    result_values,
    turn_values,
)
from orthocline.web.shared.numbers import number_asked
from orthocline.web.shared.places import place_in

blueprint = Blueprint("noting", __name__)
Page = str | AnyResponse | tuple[str, int]


@blueprint.get("/log/note")
@login_required
def note_page() -> str:
    """The putt that comes next: in the round that goes on, or after the one that was noted just now."""
    before = number_asked("after")
    putt = find_putt(viewer(), session(), before) if before else None
    anew = "new" in request.args
    then = next_putt(viewer(), session(), _now(), putt, number_asked("round"), anew=anew)
    about = about_values(then.length_m, None, "", "", wording())
    values = about | turn_values(then.turn) | {"course": then.place.course, "green": then.place.green}
    form = NoteForm(formdata=None, data=values, meta={"wording": wording()})
    return _note_page(form, shown(viewer(), putt) if putt else None)


@blueprint.post("/log/note")
@login_required
def note() -> Page:
    """Note a putt without a read, as Competition allows."""
    form = NoteForm(meta={"wording": wording()})
    if not form.validate_on_submit():
        return _note_page(form), 422
    try:
        putt = note_putt(
            viewer(),
            session(),
            length_m=form.length.figure,
            place=place_in(form.data),
            turn=form.turn(),
            result=form.result(),
            method=form.method.data or "",
            breaks=form.breaks_right,
            note=form.note.data or "",
            key=entry_key(),
        )
    except InvalidError as error:
        form[error.field].errors = [str(error)]
        return _note_page(form), 422
    return redirect(url_for("noting.note_page", after=putt.id), 303)


@blueprint.route("/log/<int:putt_id>/finish", methods=["GET", "POST"])
@login_required
def finish(putt_id: int) -> Page:
    """Record where the ball of a putt in the log stopped."""
    entry = shown(viewer(), find_putt(viewer(), session(), putt_id))
    form = ResultForm(data=result_values(entry.result, wording()), meta={"wording": wording()})
    if form.validate_on_submit():
        record_result(viewer(), session(), putt_id, form.result())
        return redirect(url_for("noting.note_page", after=putt_id), 303)
    drawn = target(entry.result.finish, request.args.get("span", ""), wording())
    page = render_template(
        "noting/finish.html", form=form, putt=row(entry, wording()), target=drawn, wording=wording()
    )
    return page, 422 if form.errors else 200


@blueprint.post("/log/<int:putt_id>/judged")
@login_required
def judged(putt_id: int) -> AnyResponse:
    """Keep what is said of a putt after the hole."""
    form = JudgedForm()
    if form.validate_on_submit():
        judge_putt(viewer(), session(), putt_id, form.judged())
    if is_part():
        return Response(status=204)
    return redirect(url_for("noting.note_page", after=number_asked("after") or putt_id), 303)


def _note_page(form: NoteForm, before: Entry | None = None) -> str:
    asked, of_first = None, 0
    if before and before.result.holed:
        first = first_of_visit(viewer(), session(), before.turn) or find_putt(viewer(), session(), before.id)
        of_first = first.id
        asked = JudgedForm(formdata=None, data=judged_values(shown(viewer(), first).judged))
    number = form.outing.data
    outing = find_outing(viewer(), session(), number) if number and not form.outing.errors else None
    span = request.args.get("span", "")
    view = NoteView(form, wording(), span, outing, before, asked, of_first)
    return render_template("noting/note.html", view=view, wording=wording())


def _now() -> datetime:
    return datetime.now(UTC)
