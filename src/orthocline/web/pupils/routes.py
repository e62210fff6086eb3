"""A coach's pupils: side by side, one by one, their putts with notes, and sessions set for them."""

from collections.abc import Sequence
from datetime import UTC, datetime

from flask import Blueprint, flash, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.wrappers import Response

from orthocline.services.account.access import Viewer, require_open_play
from orthocline.services.errors import InvalidError
from orthocline.services.ground.charts import list_greens
from orthocline.services.log.entries import shown
from orthocline.services.log.putts import LoggedPutt, list_putts, seen_putt
from orthocline.services.share.coaching import (
    ROOM,
    leave_note,
    notes_of,
    set_session,
    take_note_away,
    take_session_away,
)
from orthocline.services.share.looking import pupil_at
from orthocline.services.share.pupils import pupil_of, side_by_side
from orthocline.services.train.drills import shelf
from orthocline.services.train.practice import needs_of, plan_for
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.once import entry_key, typed_fields
from orthocline.web.pupils.forms import NoteForm, SessionForm, in_turn, level_asked, turns_typed
from orthocline.web.pupils.view import PupilView, SideView, shelf_rows
from orthocline.web.security import read_limit
from orthocline.web.shared.green_rows import course_rows
from orthocline.web.shared.log_rows import Row, row
from orthocline.wording.holing.golfers import LEVEL_WORDS

blueprint = Blueprint("pupils", __name__)
Page = str | Response | tuple[str, int]
NEWEST = 8
PLANNED_MIN = 20.0


@blueprint.get("/pupils")
@login_required
@read_limit
def page() -> str:
    """All pupils side by side."""
    level = level_asked(request.args)
    found = side_by_side(viewer(), session(), level, datetime.now(UTC))
    pupils = [PupilView(one, level, shelf(viewer()), wording()) for one in found]
    return render_template(
        "pupils/page.html", view=SideView(pupils, level, wording()), levels=LEVEL_WORDS.items()
    )


@blueprint.get("/pupils/<int:giver_id>")
@login_required
@read_limit
def one(giver_id: int) -> str:
    """One pupil, as far as they let themselves be seen."""
    who, level = _at(giver_id), level_asked(request.args)
    found = pupil_of(who, session(), level, datetime.now(UTC))
    view = PupilView(found, level, shelf(who), wording())
    greens = course_rows(list_greens(who, session()), wording()) if view.sees("greens") else []
    rows = _rows(who, list_putts(who, session()).putts[:NEWEST]) if view.sees("log") else []
    return render_template("pupils/one.html", view=view, rows=rows, courses=greens)


@blueprint.get("/pupils/<int:giver_id>/log")
@login_required
def log(giver_id: int) -> str:
    """A pupil's putts, newest first."""
    who, before = _at(giver_id), request.args.get("before", "")
    listed = list_putts(who, session(), before=before)
    rows = _rows(who, listed.putts)
    shown_too = {"rows": rows, "listed": listed, "later": bool(before)}
    return render_template("pupils/log.html", pupil=_name(who), giver_id=giver_id, **shown_too)


@blueprint.route("/pupils/<int:giver_id>/putts/<int:putt_id>", methods=["GET", "POST"])
@login_required
def putt(giver_id: int, putt_id: int) -> Page:
    """A pupil's putt, and the coach's notes on it."""
    who, form = _at(giver_id), NoteForm()
    if form.validate_on_submit():
        try:
            leave_note(who, session(), putt_id, form.words.data or "", entry_key())
            return redirect(url_for(".putt", giver_id=giver_id, putt_id=putt_id), 303)
        except InvalidError as error:
            form.words.errors = [str(error)]
    found = _rows(who, [seen_putt(who, session(), putt_id)])
    page = render_template("pupils/putt.html", pupil=_name(who), giver_id=giver_id, row=found[0], form=form)
    return page, 422 if form.errors else 200


@blueprint.post("/pupils/<int:giver_id>/notes/<int:left_id>/delete")
@login_required
def delete_note(giver_id: int, left_id: int) -> Response:
    """Take a note back."""
    take_note_away(_at(giver_id), session(), left_id)
    return redirect(url_for(".log", giver_id=giver_id), 303)


@blueprint.route("/pupils/<int:giver_id>/session", methods=["GET", "POST"])
@login_required
@read_limit
def drills(giver_id: int) -> Page:
    """Set a pupil a session of drills; at first it is what the pupil needs most."""
    who, form = _at(giver_id), SessionForm()
    turns = turns_typed(typed_fields())
    if form.validate_on_submit():
        try:
            set_session(who, session(), in_turn(turns), form.words.data or "", entry_key())
            flash(f"Set: {_name(who)} finds it under Train.")
            return redirect(url_for(".one", giver_id=giver_id), 303)
        except InvalidError as error:
            form.take(error)
    if request.method == "GET":
        turns = _planned(who)
    rows = shelf_rows(shelf(who), turns)
    wrong = bool(form.errors or form.drills_error)
    page = render_template("pupils/session.html", pupil=_name(who), giver_id=giver_id, groups=rows, form=form)
    return page, 422 if wrong else 200


@blueprint.post("/pupils/<int:giver_id>/sessions/<int:left_id>/delete")
@login_required
def delete_session(giver_id: int, left_id: int) -> Response:
    """Take a set session back."""
    take_session_away(_at(giver_id), session(), left_id)
    return redirect(url_for(".one", giver_id=giver_id), 303)


def _at(giver_id: int) -> Viewer:
    """Return the coach as who looks at a pupil's data; their own is no pupil's."""
    require_open_play(viewer(), ROOM)
    return pupil_at(viewer(), session(), giver_id)


def _name(who: Viewer) -> str:
    return who.of.giver.name if who.of else who.owner.name


def _rows(who: Viewer, putts: Sequence[LoggedPutt]) -> list[Row]:
    notes = notes_of(who, session(), [one.id for one in putts])
    return [row(shown(who, one), wording(), notes.get(one.id, ())) for one in putts]


def _planned(who: Viewer) -> dict[str, int]:
    """Return the turns of what a pupil needs most, for twenty minutes."""
    now = datetime.now(UTC)
    slots = plan_for(who, session(), PLANNED_MIN, needs_of(who, session(), None, now), now)
    known = shelf(who).drills
    return {one.what: turn for turn, one in enumerate((one for one in slots if one.what in known), start=1)}
