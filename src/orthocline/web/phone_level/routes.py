"""The phone as a level: a page, and a simulated phone for the desk."""

import math
from datetime import UTC, datetime
from typing import Any

from flask import Blueprint, make_response, redirect, render_template, request, url_for
from werkzeug.wrappers import Response

from orthocline.formats.phone_error import KeptError, error_text, kept_error
from orthocline.services.ground.phone_level import read_level
from orthocline.services.train.stand_in import Lay, hidden_place, phone_laid, some_seed
from orthocline.web.identity import viewer, wording
from orthocline.web.page import is_part
from orthocline.web.phone_level.forms import LevelForm
from orthocline.web.phone_level.view import ENDS, LevelView
from orthocline.web.shared.errand import errand_of
from orthocline.web.shared.seeds import seed_in

blueprint = Blueprint("phone_level", __name__)
ERROR_COOKIE, ERROR_KEPT_S = "phone_error", 30 * 86400
"""The error goes with the phone, and so it is kept on it."""


@blueprint.get("/level")
def page() -> Response:
    """What readings of a phone say of the ground, one by the error found before; refused in Competition."""
    form = LevelForm(request.args, meta={"wording": wording()})
    readable = form.validate()
    now, kept = datetime.now(UTC), kept_error(request.cookies.get(ERROR_COOKIE, ""))
    found = read_level(viewer(), form.laid.figure, form.turned.figure, kept.own_error_rad if kept else None)
    seed, errand = seed_in(request.args), errand_of(request.args, wording())
    hidden = hidden_place(viewer(), seed, errand.share) if seed and request.args.get("reveal") else None
    way = form.way.data if form.way.data in ENDS else "across"
    seen = LevelView(found if readable else None, way, errand, hidden, wording(), _lone(form, kept, now))
    part = is_part()
    template = "phone_level/_part.html" if part else "phone_level/page.html"
    said = render_template(template, view=seen, form=form, seed=seed, part=part)
    response = make_response(said, 200 if readable else 422)
    if found and readable and form.turned.figure is not None and not seed:
        text = error_text(found.own_error_rad, now)
        response.set_cookie(ERROR_COOKIE, text, max_age=ERROR_KEPT_S, samesite="Lax", httponly=True)
    return response


def _lone(form: LevelForm, kept: KeptError | None, now: datetime) -> str:
    """Return how old the error is by which a phone that was not turned round is read; empty for none."""
    lone = form.laid.figure is not None and form.turned.figure is None
    return wording().calendar.ago(kept.found_at, now) if kept and lone else ""


@blueprint.get("/level/simulated")
def simulated() -> Response:
    """Lay a simulated phone on a hidden place, and go to what it shows; refused in Competition."""
    seed, errand = seed_in(request.args) or some_seed(viewer()), errand_of(request.args, wording())
    way = "along" if request.args.get("way") == "along" else "across"
    shown = phone_laid(viewer(), seed, Lay("phone", way, errand.share))
    laid, turned = (f"{math.degrees(one):.2f} deg" for one in shown)
    fields: dict[str, Any] = errand.fields | {"way": way}
    return redirect(url_for("phone_level.page", laid=laid, turned=turned, seed=seed, **fields), 303)
