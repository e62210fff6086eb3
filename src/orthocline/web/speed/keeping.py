"""Keep what a page measured: in the golfer's book, and on to the read that asked for it."""

from collections.abc import Callable, Sequence
from datetime import UTC, datetime
from urllib.parse import parse_qsl, urlencode

from flask import flash, redirect, request, url_for
from werkzeug.datastructures import MultiDict
from werkzeug.wrappers import Response

from orthocline.core.api import Estimate
from orthocline.db.queries import newest_speed
from orthocline.formats.wording import speed_text
from orthocline.services.errors import InvalidError
from orthocline.services.mode import Mode
from orthocline.services.speeds import combined, keep_speed
from orthocline.web.database import session
from orthocline.web.identity import golfer, mode, signed_in
from orthocline.web.local import local_path
from orthocline.web.read.start import speed_values
from orthocline.web.speed.forms import KeepForm

NOT_KEPT = ("csrf_token", "add")
Page = str | Response | tuple[str, int]


def keep_form() -> KeepForm:
    """Return the form as far as it is filled in; the course is the one of the read, or the last measured."""
    values = MultiDict(request.values)
    if "course" not in values:
        course, _, green = values.get("place", "").partition(",")
        who = signed_in()
        last = newest_speed(session(), who.id) if who and not course else None
        values["course"] = last.course if last else course
        values["green"] = last.green if last else green.strip()
    return KeepForm(values)


def keep(
    page: str,
    fields: Sequence[tuple[str, str]],
    method: str,
    find: Callable[[], Estimate],
    again: Callable[..., str],
) -> Page:
    """Keep a measured speed and go on: to the read that asked for it, else to the book.

    Parameters
    ----------
    page : str
        Endpoint of the page that measured, to come back to signed in or in Practice with nothing lost.
    fields : sequence of (str, str)
        What was measured, as the fields of its address.
    find : callable
        Returns the estimate, or raises `InvalidError`.
    again : callable
        Renders the page again with a form that has errors.
    """
    typed = [(name, value) for name, value in request.form.items(multi=True) if name not in NOT_KEPT]
    if signed_in() is None:
        address = f"{url_for(page)}?{urlencode(typed)}"
        return redirect(url_for("account.sign_in", next=address), 303)
    if mode() is Mode.COMPETITION:
        return redirect(f"{url_for(page)}?{urlencode(typed)}", 303)
    form = keep_form()
    if form.validate():
        try:
            return _kept(form, fields, method, find)
        except InvalidError as error:
            _tell(form, error)
    return again(form), 422


def _kept(
    form: KeepForm, fields: Sequence[tuple[str, str]], method: str, find: Callable[[], Estimate]
) -> Response:
    note = keep_speed(
        session(),
        golfer(),
        mode(),
        found=find(),
        method=method,
        course=form.course.data or "",
        green=form.green.data or "",
        measured_at=form.measured_at(),
        evidence=urlencode([(name, value) for name, value in fields if name != "next"]),
        condition=form.condition(),
    )
    flash(f"Speed {speed_text(note.speed_ft)} is in your book, and your next reads use it.")
    onward = request.form.get("next", "")
    if not onward.startswith(url_for("read.page")):
        return redirect(url_for("speed.page"), 303)
    path, _, query = local_path(onward).partition("?")
    values = dict(parse_qsl(query)) | speed_values(combined((note,), datetime.now(UTC)))
    return redirect(f"{path}?{urlencode(values)}", 303)


def _tell(form: KeepForm, error: InvalidError) -> None:
    form._fields.get(error.field, form.course).errors = [str(error)]
