"""The walk: one address, as a page and as the part that changes."""

from collections.abc import Mapping
from datetime import UTC, datetime
from urllib.parse import parse_qsl

from flask import Blueprint, Response, make_response, redirect, render_template, request
from werkzeug.datastructures import MultiDict
from werkzeug.wrappers import Response as AnyResponse

from orthocline.core.ground import Kind
from orthocline.core.instruments import FIRST_LOOK
from orthocline.services.account.measures import golfer_figures
from orthocline.services.ground.walk import keep_guess
from orthocline.services.read.reading import read_putt
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.look.forms import MeasuredForm
from orthocline.web.look.request import ASKS, Walk, walk_of
from orthocline.web.look.view import LookView, Refused
from orthocline.web.once import entry_key, typed_fields
from orthocline.web.page import is_part
from orthocline.web.security import read_limit
from orthocline.web.shared.asked import asked
from orthocline.web.shared.demo_looks import demo_looks
from orthocline.web.shared.read_start import own_pasts, start_values

blueprint = Blueprint("look", __name__)


@blueprint.get("/look")
@read_limit
def page() -> Response:
    """The walk round the putt in the address; in Competition the order of looks and the clock alone."""
    return _page(_walk(request.args.to_dict()))


@blueprint.post("/look/measured")
@read_limit
def measured() -> AnyResponse:
    """Note what a level or a phone reads where a guess was asked for, and keep the two as a pair."""
    fields = dict(typed_fields())
    walk, ask = _walk(dict(parse_qsl(fields.get("walk", "")))), ASKS.get(fields.get("ask", ""))
    if ask is None or ask.kind not in (Kind.SIDE, Kind.GRADE) or walk.asked.read is None:
        return redirect(walk.address(), 303)
    form = MeasuredForm(MultiDict(fields), meta={"wording": wording()})
    if not form.validate():
        return _page(walk, Refused(fields["ask"], form.size.data or "", str(form.size.errors[0])))
    by = "phone" if fields.get("by") == "phone" else "level"
    found = walk.measured(ask, form.size.figure or 0.0, by, as_laid="way" in fields)
    keep_guess(viewer(), session(), ask.by, found.guess, found.reading, entry_key())
    return redirect(walk.noting(ask, found.reading).address(), 303)


def _walk(arguments: Mapping[str, str]) -> Walk:
    return walk_of(asked(arguments, wording(), _start(arguments), own_pasts()), arguments)


def _page(wanted: Walk, refused: Refused | None = None) -> Response:
    who, now = viewer(), datetime.now(UTC)
    solved = None
    if wanted.asked.putt and not who.in_competition:
        solved = read_putt(who, wanted.asked.putt)
    seen = LookView(who, wanted, golfer_figures(measures()), wording(), now, solved, refused)
    template = "look/_part.html" if is_part() else "look/page.html"
    status = 200 if wanted.asked.read and not refused else 422
    said = render_template(template, view=seen, part=is_part(), looks=lambda: demo_looks(wording()))
    response = make_response(said, status)
    response.vary.add("HX-Request")
    if is_part() and wanted.asked.read:
        response.headers["HX-Replace-Url"] = wanted.address()
    return response


def _start(arguments: Mapping[str, str]) -> dict[str, str]:
    """Return what a walk starts from: a putt of which nothing is known but a glance."""
    glance = {"side_from": FIRST_LOOK, "rise_from": FIRST_LOOK}
    if "side" in arguments:
        return start_values() | glance
    level = wording().typed_slope(0.0)
    return start_values() | glance | {"side": level, "rise": level}
