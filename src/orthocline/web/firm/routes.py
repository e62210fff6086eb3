"""How often, how firm: the advice, its curves, the make window: parts of a read, or one page."""

from datetime import UTC, datetime
from urllib.parse import urlencode

from flask import Blueprint, Response, make_response, render_template, request
from werkzeug.datastructures import MultiDict

from orthocline.core.account import USUAL_PASTS
from orthocline.services.account.measures import golfer_of
from orthocline.services.read.reading import how_sure, read_putt
from orthocline.web.firm.forms import GateForm
from orthocline.web.firm.request import Gate
from orthocline.web.firm.view import FirmView
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.page import is_part
from orthocline.web.security import advice_limit
from orthocline.web.shared.asked import Asked, asked
from orthocline.web.shared.lies import own_greens
from orthocline.web.shared.read_form import ReadForm
from orthocline.web.shared.read_start import own_pasts, start_values

blueprint = Blueprint("firm", __name__)


@blueprint.get("/firm")
@advice_limit
def page() -> Response:
    """How often and how firm, of the putt in the address; for htmx the advice alone."""
    return _page("firm/_advice.html")


@blueprint.get("/firm/curves")
@advice_limit
def curves() -> Response:
    """The curves and what a miss leaves."""
    return _page("firm/_curves.html")


@blueprint.get("/firm/golfers")
@advice_limit
def golfers() -> Response:
    """The same putt for golfers of all levels; the page does not wait for it."""
    return _page("firm/_golfers.html")


@blueprint.get("/firm/window")
@advice_limit
def window() -> Response:
    """The make window."""
    return _page("firm/_window.html")


def _page(part: str) -> Response:
    """Return a part for htmx, or the page that has all of them."""
    wanted = asked(request.args, wording(), start_values(), own_pasts(), own_greens)
    form = GateForm(MultiDict(request.args), meta={"wording": wording()})
    gate = form.gate if form.validate() else None
    seen = _view(wanted, gate or Gate(form.usual_m))
    shown = wanted.read.shown if wanted.read else wanted.typed
    said = render_template(
        part if is_part() else "firm/page.html",
        part=part,
        view=seen,
        asked=wanted,
        form=form,
        asked_form=ReadForm(MultiDict(shown), meta={"wording": wording()}),
        back=urlencode(wanted.read.exact if wanted.read else wanted.typed),
    )
    response = make_response(said, 200 if wanted.read and gate else 422)
    response.vary.add("HX-Request")
    return response


def _view(wanted: Asked, gate: Gate) -> FirmView | None:
    """Return what is said of what is asked; None while it cannot be read, or is held back."""
    if wanted.read is None or wanted.putt is None or wanted.read.hidden:
        return None
    who = viewer()
    solved = read_putt(who, wanted.putt)
    sure = how_sure(who, solved, wanted.read.uncertainty(datetime.now(UTC)))
    level = wanted.read.playing.level
    return FirmView(
        who, wanted.read, solved, golfer_of(measures(), level), own_pasts() or USUAL_PASTS, sure, gate
    )
