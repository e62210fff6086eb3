"""Keep what a page measured in the golfer's book, and go on to the read that asked for it."""

from collections.abc import Callable
from dataclasses import replace
from datetime import UTC, datetime
from urllib.parse import parse_qsl, urlencode

from flask import flash, redirect, request, url_for
from werkzeug.datastructures import MultiDict
from werkzeug.wrappers import Response

from orthocline.core.estimate import Estimate
from orthocline.formats.sheet import Sheet
from orthocline.formats.speed_origin import SpeedOrigin
from orthocline.services.errors import InvalidError
from orthocline.services.ground.places import NOWHERE, place_of
from orthocline.services.speed.book import day_speed, keep_speed, last_place
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.local import local_path
from orthocline.web.once import entry_key, typed_fields
from orthocline.web.shared.places import place_in
from orthocline.web.shared.read_address import speed_values
from orthocline.web.shared.save_forms import SaveForm
from orthocline.wording.figures import speed_text

Page = str | Response | tuple[str, int]


def save_form() -> SaveForm:
    """Return the form as far as it is filled in; the course is the one of the read, or the last measured."""
    values = MultiDict(request.values)
    if "course" not in values:
        last = last_place(viewer(), session()) if viewer().golfer else NOWHERE
        values["course"], values["green"] = last.course, last.green
    return SaveForm(values)


def save_speed(
    page: str,
    sheet: Sheet,
    method: str,
    find: Callable[[], Estimate],
    again: Callable[[SaveForm], str],
    trueness: int | None = None,
) -> Page:
    """Keep a measured speed and go on: to the read that asked for it, else to the book.

    Parameters
    ----------
    page : str
        Endpoint of the page that measured, to come back to signed in or in Open play with nothing lost.
    sheet : Sheet
        What was measured; the book keeps it without the place, which has columns of its own.
    find : callable
        Returns the estimate, or raises `InvalidError`.
    again : callable
        Renders the page again with a form that has errors.
    trueness : int or None
        The measured rating, kept where the golfer says none.
    """
    typed = [(name, value) for name, value in typed_fields() if name != "add"]
    if viewer().golfer is None:
        address = f"{url_for(page)}?{urlencode(typed)}"
        return redirect(url_for("account.sign_in", next=address), 303)
    if viewer().in_competition:
        return redirect(f"{url_for(page)}?{urlencode(typed)}", 303)
    form = save_form()
    if form.validate():
        try:
            return _kept(form, sheet, method, find, trueness)
        except InvalidError as error:
            _tell(form, error)
    return again(form), 422


def _kept(
    form: SaveForm, sheet: Sheet, method: str, find: Callable[[], Estimate], trueness: int | None
) -> Response:
    condition = form.condition()
    note = keep_speed(
        viewer(),
        session(),
        speed_ft=find(),
        method=method,
        place=place_in(form.data),
        measured_at=form.measured_at(wording().calendar),
        evidence=sheet.choosing(course="", green="", next=""),
        condition=replace(condition, trueness=condition.trueness or trueness),
        key=entry_key(),
    )
    flash(f"Speed {speed_text(note.speed_ft)} is in your book, and your next reads use it.")
    day = day_speed(viewer(), session(), datetime.now(UTC), place_of(note))
    if day is None or not _asked_by_a_read():
        return redirect(url_for("speed.page"), 303)
    return redirect(_read_with(day.origin), 303)


def read_address(speed_ft: Estimate, method: str) -> str:
    """Return the address of a read with a speed just found: of the read that asked for it, or a new one."""
    return _read_with(
        SpeedOrigin(round(speed_ft.value, 1), round(speed_ft.within, 1), datetime.now(UTC), method)
    )


def _asked_by_a_read() -> bool:
    return request.values.get("next", "").startswith(url_for("read.page"))


def _read_with(origin: SpeedOrigin) -> str:
    asked = local_path(request.values["next"]) if _asked_by_a_read() else url_for("read.page")
    path, _, query = asked.partition("?")
    return f"{path}?{urlencode(dict(parse_qsl(query)) | speed_values(origin))}"


def _tell(form: SaveForm, error: InvalidError) -> None:
    form._fields.get(error.field, form.course).errors = [str(error)]
