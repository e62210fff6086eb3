"""A green book: one address, a page looked at; kept and printed by a job."""

from collections.abc import Sequence
from datetime import UTC, datetime
from urllib.parse import parse_qsl

from flask import Blueprint, Response, redirect, request, url_for
from flask_login import login_required
from werkzeug.datastructures import MultiDict
from werkzeug.wrappers import Response as AnyResponse
from wtforms.fields.choices import SelectChoice

from orthocline.core.cards import LARGEST_MAP, LARGEST_PAGE_M
from orthocline.services.carry.book import book_page_of
from orthocline.services.carry.prints import ask_print
from orthocline.services.errors import InvalidError
from orthocline.services.ground.charts import ChartedGreen, greens_at_hand
from orthocline.web.book.forms import BookForm
from orthocline.web.book.view import BookView
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.once import entry_key
from orthocline.web.page import page_or_part
from orthocline.web.security import EXPORT_LIMIT, limiter, read_limit
from orthocline.web.shared.paper import typed_fields_of

blueprint = Blueprint("book", __name__)
Arguments = MultiDict[str, str]


@blueprint.get("/book")
@login_required
@read_limit
def page() -> Response:
    """The book of the address, one page of it drawn; refused in Competition."""
    return _page(request.args)


@blueprint.post("/book")
@limiter.limit(EXPORT_LIMIT)
@login_required
def keep() -> AnyResponse:
    """Keep the book of an address, and have it printed."""
    given = MultiDict(parse_qsl(request.form.get("book", "")))
    form = _form(given, _greens(given)[1])
    if not form.validate():
        return _page(given)
    try:
        asked = {**form.asked.document, "day": _day()}
        kept = ask_print(viewer(), session(), "book", asked, entry_key())
    except InvalidError as error:
        return _page(given, str(error))
    return redirect(url_for("prints.one", print_id=kept.id), 303)


def _day() -> str:
    return wording().calendar.day(datetime.now(UTC))


def _greens(given: Arguments) -> tuple[list[str], list[ChartedGreen]]:
    """Return the golfer's courses with charted greens, and the greens of the one that is asked for."""
    charted = [one for one in greens_at_hand(viewer(), session()) if one.chart.corners]
    courses = list(dict.fromkeys(one.place.course for one in charted))
    asked = given.get("course", "")
    course = asked if asked in courses else next(iter(courses), "")
    return courses, [one for one in charted if one.place.course == course]


def _form(given: Arguments, greens: Sequence[ChartedGreen]) -> BookForm:
    """Return the form of an address, whose fields stand for all that it leaves out."""
    filled = MultiDict(given)
    usual = {
        "shows": "arrows",
        "made_from": "all",
        "scale": f"{LARGEST_MAP:.0f}",
        "wide": wording().typed_near(LARGEST_PAGE_M[0]),
        "tall": wording().typed_near(LARGEST_PAGE_M[1]),
        "paper": "a4",
    }
    for name, text in usual.items():
        filled.setdefault(name, text)
    if not given.get("sent"):
        filled.setlist("green", [str(one.id) for one in greens])
        filled.setlist("also", ["pins", "notes"])
    filled["sent"], filled["course"] = "1", greens[0].place.course if greens else ""
    form = BookForm(filled, meta={"wording": wording()})
    form.green.choices = [SelectChoice(one.id, one.place.green) for one in greens]
    return form


def _page(given: Arguments, error: str = "") -> Response:
    courses, greens = _greens(given)
    form = _form(given, greens)
    asked = form.asked if form.validate() else None
    looked = _looked(given, asked.greens) if asked else None
    drawn = book_page_of(viewer(), session(), asked, looked, _day()) if asked and looked else None
    view = BookView(courses, form.course.data or "", greens, asked, looked, drawn, typed_fields_of(form))
    readable = (asked is not None or not greens) and not error
    return page_or_part("book", view, readable=readable, address=view.address, form=form, error=error)


def _looked(given: Arguments, greens: Sequence[int]) -> int:
    """Return the number of the green that is looked at: the one asked for, or the first."""
    asked = given.get("look", "")
    return next((one for one in greens if str(one) == asked), greens[0])
