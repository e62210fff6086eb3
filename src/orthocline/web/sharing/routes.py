"""Who sees what of a golfer's: chosen, given by a code, taken back; and the code of another."""

from datetime import UTC, datetime

from flask import Blueprint, flash, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.wrappers import Response

from orthocline.services.errors import InvalidError
from orthocline.services.share.sharing import (
    choose,
    coaches_of,
    enter_code,
    invitations_of,
    invite_coach,
    look_no_more,
    take_back,
    withdraw,
)
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.security import SIGN_IN_LIMIT, limiter
from orthocline.web.sharing.forms import CodeForm, WhatForm, chosen
from orthocline.wording.share.sharing import what_words

blueprint = Blueprint("sharing", __name__)
Page = str | Response | tuple[str, int]


@blueprint.get("/sharing")
@login_required
def page() -> Page:
    """Who sees what, the codes that are open, and where one of another is entered."""
    return _page()


@blueprint.post("/sharing/invite")
@login_required
def invite() -> Page:
    """Make a code, and show it once."""
    form = WhatForm(prefix="new")
    try:
        code = invite_coach(viewer(), session(), chosen(form), datetime.now(UTC))
    except InvalidError as error:
        form.what.errors = [str(error)]
        return _page(form)
    return _page(code=code)


@blueprint.post("/sharing/codes/<int:invitation_id>/withdraw")
@login_required
def withdraw_code(invitation_id: int) -> Response:
    """Withdraw a code that nobody has used."""
    withdraw(viewer(), session(), invitation_id)
    return redirect(url_for(".page"), 303)


@blueprint.post("/sharing/enter")
@limiter.limit(SIGN_IN_LIMIT)
@login_required
def enter() -> Page:
    """Take up what somebody else lets be seen."""
    form = CodeForm()
    if form.validate():
        try:
            held = enter_code(viewer(), session(), form.code.data or "", datetime.now(UTC))
            flash(f"You see {held.giver.name}'s {what_words(held.what)} from now on.")
            if held.giver.club:
                return redirect(url_for("clubs.one", club_id=held.giver_id), 303)
            return redirect(url_for("pupils.one", giver_id=held.giver_id), 303)
        except InvalidError as error:
            form.code.errors = [str(error)]
    return _page(code_form=form)


@blueprint.post("/sharing/<int:sharing_id>/choose")
@login_required
def choose_what(sharing_id: int) -> Response:
    """Let other things be seen; none at all is taking it back."""
    what = chosen(WhatForm(prefix=str(sharing_id)))
    if not what:
        return _ended(sharing_id)
    choose(viewer(), session(), sharing_id, what)
    return redirect(url_for(".page"), 303)


@blueprint.post("/sharing/<int:sharing_id>/end")
@login_required
def end(sharing_id: int) -> Response:
    """Take it all back."""
    return _ended(sharing_id)


def _ended(sharing_id: int) -> Response:
    take_back(viewer(), session(), sharing_id)
    flash("Taken back: nothing more is seen.")
    return redirect(url_for(".page"), 303)


@blueprint.post("/sharing/of/<int:giver_id>/leave")
@login_required
def leave(giver_id: int) -> Response:
    """Give up seeing somebody else's."""
    look_no_more(viewer(), session(), giver_id)
    return redirect(url_for("pupils.page"), 303)


def _page(form: WhatForm | None = None, code_form: CodeForm | None = None, code: str = "") -> Page:
    now = datetime.now(UTC)
    coaches = [
        (one, WhatForm(None, prefix=str(one.id), data={"what": one.what}))
        for one in coaches_of(viewer(), session())
    ]
    codes = invitations_of(viewer(), session(), now)
    page = render_template(
        "sharing/page.html",
        coaches=coaches,
        codes=[(one.id, what_words(one.what), wording().calendar.moment(one.ends_at)) for one in codes],
        form=form or WhatForm(None, prefix="new", data={"what": ["log", "figures", "drills"]}),
        code_form=code_form or CodeForm(None),
        code=code,
    )
    return page, 422 if request.method == "POST" and not code else 200
