"""The switch between Open play and Competition, the sun setting and the single keys."""

from datetime import UTC, datetime

from flask import Blueprint, current_app, redirect, request, url_for
from flask import session as cookie
from werkzeug.wrappers import Response

from orthocline.services.account.access import Mode
from orthocline.services.account.competition import end_of, set_mode
from orthocline.web.identity import COMPETITION, viewer
from orthocline.web.local import local_path

blueprint = Blueprint("mode", __name__)


@blueprint.post("/mode")
def switch() -> Response:
    """Put the golfer, or the visitor's browser, into the mode asked for."""
    chosen = Mode.COMPETITION if request.form.get("mode") == Mode.COMPETITION.value else Mode.OPEN_PLAY
    who, now = viewer(), datetime.now(UTC)
    if who.golfer:
        set_mode(who, chosen, now)
    elif chosen is Mode.COMPETITION:
        cookie[COMPETITION] = end_of(None, now).isoformat()
    else:
        cookie.pop(COMPETITION, None)
    return redirect(local_path(request.form.get("next")), 303)


@blueprint.post("/sun")
def sun() -> Response:
    """Turn the sun setting (black on white, heavier) on or off in this browser."""
    return _set("sun", local_path(request.form.get("next")), on=request.form.get("sun") == "on")


@blueprint.post("/keys")
def keys() -> Response:
    """Turn the single keys on or off in this browser."""
    return _set("keys", url_for("about.keys"), on=request.form.get("keys") == "on")


def _set(name: str, onward: str, *, on: bool) -> Response:
    """Go on with a setting of this browser kept in a cookie of its own for a year."""
    response = redirect(onward, 303)
    secure = current_app.config["SECURE"]
    response.set_cookie(
        name, "1" if on else "0", max_age=31536000, samesite="Lax", httponly=True, secure=secure
    )
    return response
