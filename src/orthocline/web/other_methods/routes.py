"""Green speed without a ramp, and tuning putts: one address, as a page, as a part, and kept in the book."""

from datetime import UTC, datetime

from flask import Blueprint, make_response, render_template, request, url_for
from werkzeug.datastructures import MultiDict
from werkzeug.wrappers import Response

from orthocline.core.estimate import Estimate
from orthocline.services.account.access import require_open_play
from orthocline.services.account.measures import own_stroke_rate
from orthocline.services.speed.book import day_speed
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.other_methods.request import TUNING, MethodRequest, method_request, ways
from orthocline.web.other_methods.view import MethodView, measured, view
from orthocline.web.page import is_part
from orthocline.web.security import read_limit
from orthocline.web.shared.places import place_in
from orthocline.web.shared.save_forms import SaveForm
from orthocline.web.shared.save_speed import Page, read_address, save_form, save_speed

blueprint = Blueprint("other_methods", __name__)


@blueprint.get("/speed/without-a-ramp")
@read_limit
def page() -> Response:
    """A speed by another way than the ramp."""
    require_open_play(viewer(), "Measuring green speed")
    wanted = method_request(MultiDict(request.args), wording())
    seen = _view(wanted)
    response = make_response(_page(seen, save_form()), 422 if seen.errors else 200)
    response.vary.add("HX-Request")
    if is_part():
        response.headers["HX-Replace-Url"] = f"{url_for('other_methods.page')}?{wanted.sheet.query}"
    return response


@blueprint.post("/speed/without-a-ramp")
def save() -> Page:
    """Keep the speed in the golfer's book."""
    wanted = method_request(MultiDict(request.form), wording())
    return save_speed(
        "other_methods.page",
        wanted.sheet,
        wanted.by,
        lambda: measured(viewer(), wanted, _rate()),
        lambda form: _page(_view(wanted), form),
    )


def _rate() -> Estimate | None:
    own = measures()
    return own_stroke_rate(own) if own else None


def _view(wanted: MethodRequest) -> MethodView:
    who, now = viewer(), datetime.now(UTC)
    day = day_speed(who, session(), now, place_in(wanted.sheet.choices)) if who.golfer else None
    return view(who, wanted, _rate(), day, now)


def _page(seen: MethodView, form: SaveForm) -> str:
    template = "other_methods/_part.html" if is_part() else "other_methods/page.html"
    onward = read_address(seen.speed_ft, seen.request.by) if seen.speed_ft else ""
    return render_template(
        template,
        view=seen,
        save=form,
        ways=ways(),
        is_tuning=seen.request.by == TUNING,
        wording=wording(),
        read_with=onward,
    )
