"""Rounds and practices: list, begin, end, change, delete with undo; a round typed from its card."""

from datetime import UTC, datetime
from typing import Any

from flask import Blueprint, flash, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.wrappers import Response

from orthocline.core.log import MOST_HOLES
from orthocline.services.errors import InvalidError
from orthocline.services.log.cards import keep_card
from orthocline.services.log.outings import (
    MOST_LISTED,
    begin_outing,
    delete_outing,
    edit_outing,
    end_outing,
    find_outing,
    list_outings,
    open_outing,
    outing_row,
    putts_of_outing,
    restore_outing,
)
from orthocline.services.train.drills import runs_of_practice
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.once import entry_key
from orthocline.web.rounds.forms import BeginForm, CardForm, EditForm, HoleForm
from orthocline.web.rounds.view import greens_of, round_row
from orthocline.web.shared.numbers import number_asked
from orthocline.web.shared.times import instant
from orthocline.wording.train.drills import score_words

blueprint = Blueprint("rounds", __name__)
Page = str | Response | tuple[str, int]


@blueprint.get("/rounds")
@login_required
def page() -> str:
    """The golfer's rounds and practices, newest first."""
    return _list_page(None)


@blueprint.post("/rounds")
@login_required
def begin() -> Page:
    """Begin a round or a practice."""
    form = BeginForm()
    if not form.validate_on_submit():
        return _list_page(form), 422
    told = (form.kind.data, form.course.data or "", datetime.now(UTC), entry_key())
    try:
        begun = begin_outing(viewer(), session(), *told, competition=bool(form.competition.data))
    except InvalidError as error:
        form[error.field].errors = [str(error)]
        return _list_page(form), 422
    if begun.competition:
        place = wording().calendar.place
        flash(f"Competition: reading and measuring are off until you end the round, or midnight ({place}).")
    return redirect(url_for("noting.note_page", round=begun.id), 303)


@blueprint.get("/rounds/<int:outing_id>")
@login_required
def page_of(outing_id: int) -> str:
    """A round or practice with its putts, green by green."""
    outing = find_outing(viewer(), session(), outing_id)
    going = open_outing(viewer(), session(), datetime.now(UTC))
    greens = greens_of(viewer(), putts_of_outing(viewer(), session(), outing_id), wording())
    told = round_row(
        outing_row(viewer(), session(), outing), wording(), goes_on=bool(going and going.id == outing.id)
    )
    drills = _drills(outing_id) if outing.kind == "practice" and not viewer().in_competition else []
    return render_template("rounds/one.html", outing=told, kind=outing.kind, greens=greens, drills=drills)


def _drills(outing_id: int) -> list[tuple[str, str]]:
    """Return the drills of a practice in words, each with its address."""
    runs = runs_of_practice(viewer(), session(), outing_id)
    return [
        (
            f"{one.drill.name}: {score_words(one.row.points, one.row.best)}",
            url_for("drills.run", run_id=one.row.id),
        )
        for one in runs
    ]


@blueprint.post("/rounds/<int:outing_id>/end")
@login_required
def end(outing_id: int) -> Response:
    """End a round or practice."""
    if end_outing(viewer(), session(), outing_id, datetime.now(UTC)):
        flash("The round is over, and with it Competition: it is open play again.")
    return redirect(url_for(".page_of", outing_id=outing_id), 303)


@blueprint.route("/rounds/<int:outing_id>/edit", methods=["GET", "POST"])
@login_required
def edit(outing_id: int) -> Page:
    """Change what is said of a round or practice."""
    outing = find_outing(viewer(), session(), outing_id)
    course = outing.course.name if outing.course else ""
    begun = wording().calendar.here(outing.begun_at).replace(tzinfo=None)
    told = {"kind": outing.kind, "course": course, "when": begun, "holes": outing.holes, "note": outing.note}
    form = EditForm(data=told)
    if form.validate_on_submit():
        try:
            edit_outing(
                viewer(),
                session(),
                outing_id,
                kind=form.kind.data,
                course=form.course.data or "",
                begun_at=instant(form.when.data, wording().calendar),
                holes=form.holes.data,
                note=form.note.data or "",
            )
            return redirect(url_for(".page_of", outing_id=outing_id), 303)
        except InvalidError as error:
            form[error.field].errors = [str(error)]
    page = render_template("rounds/edit.html", form=form, outing=outing)
    return page, 422 if form.errors else 200


@blueprint.post("/rounds/<int:outing_id>/delete")
@login_required
def delete(outing_id: int) -> Response:
    """Delete a round or practice with its putts, with a way back."""
    delete_outing(viewer(), session(), outing_id)
    return redirect(url_for(".page", deleted=outing_id), 303)


@blueprint.post("/rounds/<int:outing_id>/restore")
@login_required
def restore(outing_id: int) -> Response:
    """Bring a deleted round or practice back."""
    restore_outing(viewer(), session(), outing_id)
    return redirect(url_for(".page_of", outing_id=outing_id), 303)


@blueprint.get("/rounds/card")
@login_required
def card() -> str:
    """The card of a round, to be typed."""
    now = wording().calendar.here(datetime.now(UTC)).replace(tzinfo=None)
    return _card_page(CardForm(formdata=None, data={"when": now, "course": _usual_course()}), _lines())


@blueprint.post("/rounds/card")
@login_required
def keep() -> Page:
    """Keep a round typed from its card."""
    form, lines = CardForm(), _lines(request.form)
    right = [form.validate(), *(line.validate() for line in lines)]
    error = ""
    if all(right):
        try:
            told = [hole for one in lines if (hole := one.told)]
            begun_at = instant(form.when.data, wording().calendar)
            kept = keep_card(viewer(), session(), form.course.data or "", begun_at, told, entry_key())
            return redirect(url_for(".page_of", outing_id=kept.id), 303)
        except InvalidError as refused:
            if refused.field in form:
                form[refused.field].errors = [str(refused)]
            else:
                error = str(refused)
    return _card_page(form, lines, error), 422


def _lines(typed: Any = None) -> list[HoleForm]:
    return [HoleForm(number, typed, meta={"wording": wording()}) for number in range(1, MOST_HOLES + 1)]


def _card_page(form: CardForm, lines: list[HoleForm], error: str = "") -> str:
    return render_template("rounds/card.html", form=form, lines=lines, error=error, wording=wording())


def _list_page(form: BeginForm | None) -> str:
    going = open_outing(viewer(), session(), datetime.now(UTC))
    deleted, after = number_asked("deleted"), number_asked("after") or 0
    rows = [
        round_row(one, wording(), goes_on=bool(going and going.id == one.outing.id))
        for one in list_outings(viewer(), session(), after)
    ]
    return render_template(
        "rounds/page.html",
        rows=rows,
        form=form or BeginForm(formdata=None, data={"course": _usual_course()}),
        deleted=deleted,
        midnight_at=wording().calendar.place,
        later=after > 0,
        older=after + MOST_LISTED if len(rows) == MOST_LISTED else None,
    )


def _usual_course() -> str:
    """Return where the last round or practice was."""
    last = next(iter(list_outings(viewer(), session())), None)
    return last.outing.course.name if last and last.outing.course else ""
