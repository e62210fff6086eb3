"""Clubs: founded, entered by a code, their greens and the speed that their keepers post."""

from datetime import UTC, datetime

from flask import Blueprint, flash, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.wrappers import Response

from orthocline.services.account.access import Viewer, require_open_play
from orthocline.services.errors import InvalidError
from orthocline.services.ground.charts import ROOM, list_greens
from orthocline.services.share.clubs import (
    clubs_of,
    delete_club,
    found_club,
    invite_member,
    leave_club,
    members_of,
    post_speed,
    remove_member,
    take_post_back,
)
from orthocline.services.share.looking import club_at, club_kept
from orthocline.services.speed.book import day_speed, list_speeds
from orthocline.services.speed.posted import posted_speeds
from orthocline.web.clubs.forms import FoundForm, PostForm
from orthocline.web.clubs.view import ClubView
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.once import entry_key
from orthocline.web.shared.green_rows import course_rows
from orthocline.wording.figures import speed_text

blueprint = Blueprint("clubs", __name__)
Page = str | Response | tuple[str, int]
POSTS_SHOWN = 8


@blueprint.get("/clubs")
@login_required
def page() -> Page:
    """The golfer's clubs, and a new one."""
    return _list_page(FoundForm())


@blueprint.post("/clubs")
@login_required
def found() -> Page:
    """Found a club."""
    form = FoundForm()
    if form.validate():
        try:
            number = found_club(viewer(), session(), form.name.data or "", entry_key())
            return redirect(url_for(".one", club_id=number), 303)
        except InvalidError as error:
            form.name.errors = [str(error)]
    return _list_page(form), 422


@blueprint.get("/clubs/<int:club_id>")
@login_required
def one(club_id: int) -> Page:
    """A club: the speed of the day, its greens, who keeps it."""
    return _page(_at(club_id))


@blueprint.post("/clubs/<int:club_id>/speed")
@login_required
def post(club_id: int) -> Page:
    """Post the day's speed."""
    who, form = _kept(club_id), PostForm(meta={"wording": wording()})
    if form.validate_on_submit():
        try:
            speed_ft = form.speed.figure or 0.0
            post_speed(who, session(), form.course.data or "", speed_ft, datetime.now(UTC), entry_key())
            flash(f"Speed {speed_text(speed_ft)} is posted: every member's next read knows it.")
            return redirect(url_for(".one", club_id=club_id), 303)
        except InvalidError as error:
            form[error.field].errors = [str(error)]
    return _page(who, form=form), 422


@blueprint.post("/clubs/<int:club_id>/speed/<int:post_id>/delete")
@login_required
def delete_post(club_id: int, post_id: int) -> Response:
    """Take a posted speed back."""
    take_post_back(_kept(club_id), session(), post_id)
    return redirect(url_for(".one", club_id=club_id), 303)


@blueprint.post("/clubs/<int:club_id>/invite")
@login_required
def invite(club_id: int) -> Page:
    """Make a code for members, or for another keeper, and show it once."""
    who, keeper = _kept(club_id), request.form.get("keeper") == "1"
    try:
        code = invite_member(who, session(), datetime.now(UTC), keeper=keeper)
    except InvalidError as error:
        return _page(who, wrong=str(error)), 422
    lasts = "It makes one keeper, within a day" if keeper else "It lets members in for a month"
    return _page(who, code=code, lasts=lasts)


@blueprint.post("/clubs/<int:club_id>/members/<int:member_id>/remove")
@login_required
def remove(club_id: int, member_id: int) -> Page:
    """Remove a member."""
    who = _kept(club_id)
    try:
        remove_member(who, session(), member_id)
    except InvalidError as error:
        return _page(who, wrong=str(error)), 422
    return redirect(url_for(".one", club_id=club_id), 303)


@blueprint.post("/clubs/<int:club_id>/leave")
@login_required
def leave(club_id: int) -> Page:
    """Leave a club."""
    try:
        leave_club(viewer(), session(), club_id)
    except InvalidError as error:
        return _page(_at(club_id), wrong=str(error)), 422
    return redirect(url_for(".page"), 303)


@blueprint.post("/clubs/<int:club_id>/delete")
@login_required
def delete(club_id: int) -> Response:
    """Delete a club, for all its members."""
    who = _kept(club_id)
    name = who.of.giver.name if who.of else ""
    delete_club(who, session())
    flash(f"{name} is deleted, with its greens and speeds.")
    return redirect(url_for(".page"), 303)


def _at(club_id: int) -> Viewer:
    return club_at(viewer(), session(), club_id)


def _kept(club_id: int) -> Viewer:
    return club_kept(viewer(), session(), club_id)


def _list_page(form: FoundForm) -> str:
    return render_template("clubs/page.html", clubs=clubs_of(viewer(), session()), form=form)


def _page(
    who: Viewer, *, form: PostForm | None = None, code: str = "", lasts: str = "", wrong: str = ""
) -> str:
    require_open_play(who, ROOM)
    now = datetime.now(UTC)
    posts = list_speeds(who, session())[:POSTS_SHOWN]
    newest = posts[0].id if posts else None
    worth = next((one for one in posted_speeds(viewer(), session()) if one.id == newest), None)
    view = ClubView(
        who,
        worth,
        posts,
        course_rows(list_greens(who, session()), wording()),
        members_of(who, session()),
        wording(),
        now,
    )
    form = form or _post_form(view, now)
    return render_template("clubs/one.html", view=view, form=form, code=code, lasts=lasts, wrong=wrong)


def _post_form(view: ClubView, now: datetime) -> PostForm:
    """Return the form of a keeper, filled in with what they measured themselves today, if anything."""
    day = day_speed(viewer(), session(), now) if view.keeps else None
    own = [note for note in day.notes if not note.by] if day and not day.stale else []
    course = view.posts[0].place.course if view.posts else own[0].place.course if own else ""
    told = {"course": course, "speed": speed_text(own[0].speed_ft.value) if own else ""}
    return PostForm(None, data=told, meta={"wording": wording()})
