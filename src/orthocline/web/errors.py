"""Every error as a page that says what came, what is allowed and what to do."""

import structlog
from flask import Flask, Response, make_response, render_template, request
from flask_limiter.errors import RateLimitExceeded
from flask_wtf.csrf import CSRFError
from werkzeug.exceptions import HTTPException, RequestURITooLarge, SecurityError

from orthocline.services.errors import InvalidError, NotAllowedError, NotFoundError
from orthocline.web.database import AWAY, mark_away, take_back
from orthocline.web.once import sent_from_here, typed_form
from orthocline.web.page import is_part
from orthocline.web.plain import plain_page
from orthocline.web.programs import fault, is_program
from orthocline.web.security import retry_after_s
from orthocline.web.watching import request_id

RETRY_AFTER_S = 5
log = structlog.get_logger("orthocline.web")
LONGEST_ADDRESS = 4096
STRANGE_HOST = plain_page(
    "Not by that name", "This server is not called so. Whoever runs it names it in ORTHOCLINE_HOSTS."
)

WORDS = {
    400: ("That cannot be read", "Something in the request is odd. Go back, reload the page, and try again."),
    404: ("Nothing here", "There is no such page. The links above lead on."),
    405: ("Not that way", "This page does not take that request. Go back and use its buttons."),
    413: ("Too much", "What was sent is larger than anything a putt needs."),
    414: ("That address is too long", "An address has at most 4,000 characters. Go back and say it shorter."),
    500: ("Something broke", "The fault is ours. Nothing you logged is lost; go back and try again."),
}


def init_app(app: Flask) -> None:
    """Handle every error of the application."""
    app.register_error_handler(NotAllowedError, _not_allowed)
    app.register_error_handler(NotFoundError, lambda error: _page(404, "Nothing here", str(error)))
    app.register_error_handler(InvalidError, lambda error: _page(422, "Check what was entered", str(error)))
    app.register_error_handler(CSRFError, _stale)
    app.register_error_handler(SecurityError, lambda _: (STRANGE_HOST, 400))
    app.register_error_handler(RateLimitExceeded, _too_many)
    app.register_error_handler(HTTPException, _http)
    app.before_request(_refuse_long_address)
    for kind in AWAY:
        app.register_error_handler(kind, _database_away)
    app.register_error_handler(Exception, _broken)


def _refuse_long_address() -> None:
    if len(request.full_path) > LONGEST_ADDRESS:
        raise RequestURITooLarge


def _page(status: int, title: str, message: str) -> tuple[str | Response, int]:
    if is_program():
        return fault(message), status
    template = "_error.html" if is_part() else "error.html"
    try:
        return render_template(template, title=title, message=message), status
    except AWAY as error:  # the frame of a page says who is signed in
        return _database_away(error), 503


def _not_allowed(error: NotAllowedError) -> tuple[str | Response, int]:
    return _page(403, "Off in Competition", str(error))


def _stale(_error: CSRFError) -> tuple[str | Response, int]:
    """Refuse a form without its guard; one that a page of ours sent, open for too long, can be sent again."""
    title, typed = "This page was open too long", typed_form()
    if typed is None or not sent_from_here():
        return _page(400, title, "Go back, reload it, and send it again.")
    return render_template("stale.html", title=title, typed=typed), 400


def _http(error: HTTPException) -> tuple[str | Response, int] | Response:
    status = error.code or 500
    if is_program():
        return _told_program(error, status)
    title, message = WORDS.get(status, ("That did not work", "Go back and try again."))
    return _page(status, title, message)


def _told_program(error: HTTPException, status: int) -> Response:
    """Return a fault as programs read it, with what its headers must say."""
    response = make_response(fault(error.description or "That did not work."), status)
    needed = ("WWW-Authenticate", "Allow")
    response.headers.extend([one for one in error.get_headers() if one[0] in needed])
    return response


def _too_many(_error: RateLimitExceeded) -> Response:
    wait = retry_after_s()
    seconds = "a second" if wait == 1 else f"{wait} seconds"
    message = f"More came from your address than a person sends. Wait {seconds}, then go on."
    if is_part():
        return _aside(make_response(message, 429), wait)
    return _later(make_response(_page(429, "Too many at once", message)), wait)


def _later(response: Response, wait_s: int) -> Response:
    response.headers["Retry-After"] = str(wait_s)
    return response


def _aside(response: Response, wait_s: int) -> Response:
    """Let a part of a page stay as it is, and say at its top what the matter is."""
    response.headers["HX-Retarget"], response.headers["HX-Reswap"] = "#trouble", "innerHTML"
    return _later(response, wait_s)


def _broken(_error: Exception) -> tuple[str | Response, int]:
    log.exception("unhandled error", method=request.method, route=str(request.url_rule))
    take_back()
    title, message = WORDS[500]
    return _page(500, title, f"{message} If it stays, tell whoever runs this: number {request_id()}.")


def _database_away(error: Exception) -> Response:
    """Answer without a database: what was typed is kept, to be sent again; one line in the log."""
    mark_away()
    cause = str(getattr(error, "orig", None) or error).strip().splitlines()
    why = cause[0] if cause else type(error).__name__
    log.error("no database", method=request.method, route=str(request.url_rule), why=why)
    if is_program():
        return _later(make_response(fault("The database is away: try again."), 503), RETRY_AFTER_S)
    if is_part():
        return _aside(make_response(render_template("_away.html"), 503), RETRY_AFTER_S)
    page = render_template("away.html", typed=typed_form(), address=request.full_path)
    return _later(make_response(page, 503), RETRY_AFTER_S)
