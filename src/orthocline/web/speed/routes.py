"""The speed book: speeds by course, green and time, with their trend."""

from datetime import UTC, datetime

from flask import Blueprint, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.datastructures import MultiDict
from werkzeug.wrappers import Response

from orthocline.core.speed import STANDARD_RAMP
from orthocline.drawing.speed.ramp import ramp_plan
from orthocline.services.account.access import require_open_play
from orthocline.services.errors import InvalidError
from orthocline.services.ground.places import Place
from orthocline.services.speed.book import (
    day_speed,
    delete_speed,
    describe_speed,
    find_speed,
    list_courses,
    list_speeds,
    restore_speed,
    usual_speed_ft,
)
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.shared.numbers import number_asked
from orthocline.web.shared.places import place_in
from orthocline.web.shared.save_forms import PlaceForm, place_values
from orthocline.web.speed.view import book_view, row

blueprint = Blueprint("speed", __name__)
Page = str | Response | tuple[str, int]


@blueprint.get("/speed")
def page() -> str:
    """The day's speed, its trend, and the golfer's book; for a stranger, where to begin."""
    require_open_play(viewer(), "The speed book")
    who, now = viewer(), datetime.now(UTC)
    courses = list_courses(who, session()) if who.golfer else ()
    course = request.args.get("course", "")
    day = day_speed(who, session(), now, Place(course if course in courses else "")) if who.golfer else None
    posted = [note for note in day.notes if note.by] if day else []
    mine = [*posted, *list_speeds(who, session(), day.place.course)] if day else []
    mine.sort(key=lambda note: note.measured_at, reverse=True)
    usual_ft = usual_speed_ft(who, session()) if day else None
    return render_template(
        "speed/page.html",
        view=book_view(mine, courses, day, usual_ft, wording().calendar, now),
        first=ramp_plan(STANDARD_RAMP, None, (), (), wording()),
        wording=wording(),
        deleted=number_asked("deleted"),
    )


@blueprint.route("/speed/<int:note_id>/edit", methods=["GET", "POST"])
@login_required
def edit(note_id: int) -> Page:
    """Change what is written of a speed."""
    require_open_play(viewer(), "The speed book")
    note = find_speed(viewer(), session(), note_id)
    form = PlaceForm(request.form if request.method == "POST" else MultiDict(place_values(note)))
    if form.validate_on_submit():
        try:
            describe_speed(
                viewer(),
                session(),
                note_id,
                place=place_in(form.data),
                condition=form.condition(),
            )
            return redirect(url_for("speed.page"), 303)
        except InvalidError as error:
            form[error.field].errors = [str(error)]
    return render_template(
        "speed/edit.html", form=form, row=row(note, wording().calendar)
    ), 422 if form.errors else 200


@blueprint.post("/speed/<int:note_id>/delete")
@login_required
def delete(note_id: int) -> Response:
    """Delete a speed, with a way back."""
    delete_speed(viewer(), session(), note_id)
    return redirect(url_for("speed.page", deleted=note_id), 303)


@blueprint.post("/speed/<int:note_id>/restore")
@login_required
def restore(note_id: int) -> Response:
    """Bring a deleted speed back."""
    restore_speed(viewer(), session(), note_id)
    return redirect(url_for("speed.page"), 303)
