"""Pocket cards: one address, drawn as they are printed; kept and printed by a job."""

from datetime import UTC, datetime
from urllib.parse import parse_qsl

from flask import Blueprint, Response, redirect, request, url_for
from flask_login import login_required
from werkzeug.datastructures import MultiDict
from werkzeug.wrappers import Response as AnyResponse

from orthocline.services.account.measures import golfer_figures
from orthocline.services.carry.cards import CardsAsked, faces, usual_cards
from orthocline.services.carry.prints import ask_print
from orthocline.services.errors import InvalidError
from orthocline.web.cards.forms import CardsForm
from orthocline.web.cards.view import CardsView, typed_cards
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.once import entry_key
from orthocline.web.page import page_or_part
from orthocline.web.security import EXPORT_LIMIT, limiter, read_limit
from orthocline.web.shared.paper import typed_fields_of
from orthocline.web.shared.todays import todays_conditions

blueprint = Blueprint("cards", __name__)


@blueprint.get("/cards")
@read_limit
def page() -> Response:
    """The cards of the address, as they are printed; refused in Competition."""
    return _page(_form(request.args))


@blueprint.post("/cards")
@limiter.limit(EXPORT_LIMIT)
@login_required
def keep() -> AnyResponse:
    """Keep the cards of an address, and have them printed."""
    form = _form(MultiDict(parse_qsl(request.form.get("cards", ""))))
    if not form.validate():
        return _page(form)
    asked = {**form.asked.document, "day": wording().calendar.day(datetime.now(UTC))}
    try:
        kept = ask_print(viewer(), session(), "cards", asked, entry_key())
    except InvalidError as error:
        return _page(form, str(error))
    return redirect(url_for("prints.one", print_id=kept.id), 303)


def _form(given: MultiDict[str, str]) -> CardsForm:
    """Return the form of an address, whose fields stand for all that it leaves out."""
    filled = MultiDict(given)
    for name, one in typed_cards(_usual(), wording()).items():
        if name not in filled:
            filled.setlist(name, one if isinstance(one, list) else [one])
    return CardsForm(filled, meta={"wording": wording()})


def _usual() -> CardsAsked:
    """Return the cards of whoever asks for nothing: the book's speed, the golfer's own pace."""
    today = todays_conditions()
    return usual_cards((today.green_speed_ft,), today.past_m, metric=wording().units.metric)


def _page(form: CardsForm, error: str = "") -> Response:
    asked = form.asked if form.validate() else None
    readable = asked is not None and not error
    day = wording().calendar.day(datetime.now(UTC))
    made = faces(viewer(), asked, golfer_figures(measures()), wording(), day) if asked else []
    view = CardsView(asked, tuple(made), typed_fields_of(form))
    return page_or_part("cards", view, readable=readable, address=view.address, form=form, error=error)
