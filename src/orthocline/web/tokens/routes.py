"""Tokens for programs: made, shown once, revoked; and a page of what can be asked by them."""

from flask import Blueprint, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.wrappers import Response

from orthocline.services.errors import InvalidError
from orthocline.services.share.tokens import SCOPES, make_token, revoke_token, tokens_of
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.security import SIGN_IN_LIMIT, limiter
from orthocline.web.tokens.forms import TokenForm
from orthocline.wording.share.programs import examples

blueprint = Blueprint("tokens", __name__)
Page = str | Response | tuple[str, int]


@blueprint.get("/account/tokens")
@login_required
def page() -> Page:
    """The golfer's tokens, and a new one."""
    return _page(TokenForm(None))


@blueprint.post("/account/tokens")
@limiter.limit(SIGN_IN_LIMIT)
@login_required
def make() -> Page:
    """Make a token, and show it once."""
    form = TokenForm()
    if form.validate():
        try:
            token = make_token(viewer(), session(), form.name.data or "", form.scopes.data or ())
            return _page(TokenForm(None), token)
        except InvalidError as error:
            form[error.field].errors = [str(error)]
    return _page(form), 422


@blueprint.post("/account/tokens/<int:token_id>/revoke")
@login_required
def revoke(token_id: int) -> Response:
    """Revoke a token."""
    revoke_token(viewer(), session(), token_id)
    return redirect(url_for(".page"), 303)


@blueprint.get("/programs")
def programs() -> str:
    """What programs can ask, each as one line."""
    base = request.url_root.rstrip("/")
    return render_template("tokens/programs.html", asked=examples(base), scopes=SCOPES)


def _page(form: TokenForm, token: str = "") -> str:
    calendar = wording().calendar
    rows = [
        (
            one.id,
            one.name,
            ", ".join(SCOPES[scope] for scope in SCOPES if scope in one.scopes),
            calendar.day(one.made_at),
            calendar.moment(one.used_at) if one.used_at else "",
        )
        for one in tokens_of(viewer(), session())
    ]
    return render_template("tokens/page.html", rows=rows, form=form, token=token)
