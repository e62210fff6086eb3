"""Every error as a page that says what came, what is allowed and what to do."""

import logging

from flask import Flask, Response, make_response, render_template, request
from flask_wtf.csrf import CSRFError
from werkzeug.exceptions import HTTPException

from orthocline.services.errors import InvalidError, NotAllowedError, NotFoundError
from orthocline.web.database import AWAY, mark_away
from orthocline.web.once import typed_form
from orthocline.web.page import is_part

RETRY_AFTER_S = 5

WORDS = {
    404: ("Nothing here", "There is no such page. The links above lead on."),
    405: ("Not that way", "This page does not take that request. Go back and use its buttons."),
    413: ("Too much", "What was sent is larger than anything a putt needs."),
    429: ("Too many tries", "Wait a minute, then try again."),
    500: ("Something broke", "The fault is ours. Nothing you logged is lost; go back and try again."),
}


def init_app(app: Flask) -> None:
    """Handle every error of the application."""
    app.register_error_handler(NotAllowedError, _not_allowed)
    app.register_error_handler(NotFoundError, lambda error: _page(404, "Nothing here", str(error)))
    app.register_error_handler(InvalidError, lambda error: _page(422, "Check what was entered", str(error)))
    app.register_error_handler(CSRFError, _stale)
    app.register_error_handler(HTTPException, _http)
    for kind in AWAY:
        app.register_error_handler(kind, _database_away)
    app.register_error_handler(Exception, _broken)


def _page(status: int, title: str, message: str) -> tuple[str, int]:
    template = "_error.html" if is_part() else "error.html"
    return render_template(template, title=title, message=message), status


def _not_allowed(error: NotAllowedError) -> tuple[str, int]:
    return _page(403, "Off in Competition", str(error))


def _stale(_error: CSRFError) -> tuple[str, int]:
    return _page(400, "This page was open too long", "Go back, reload it, and send it again.")


def _http(error: HTTPException) -> tuple[str, int]:
    status = error.code or 500
    title, message = WORDS.get(status, ("That did not work", "Go back and try again."))
    return _page(status, title, message)


def _broken(_error: Exception) -> tuple[str, int]:
    logging.getLogger(__name__).exception("unhandled error at %s", request.path)
    return _page(500, *WORDS[500])


def _database_away(error: Exception) -> Response:
    """Answer without a database: what was typed is kept, to be sent again; one line in the log."""
    mark_away()
    cause = str(getattr(error, "orig", None) or error).strip().splitlines()
    logging.getLogger(__name__).error(
        "no database at %s %s: %s", request.method, request.path, cause[0] if cause else type(error).__name__
    )
    template = "_away.html" if is_part() else "away.html"
    response = make_response(render_template(template, typed=typed_form(), address=request.full_path), 503)
    response.headers["Retry-After"] = str(RETRY_AFTER_S)
    if is_part():
        response.headers["HX-Retarget"], response.headers["HX-Reswap"] = "#trouble", "innerHTML"
    return response
