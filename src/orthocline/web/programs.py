"""Programs that ask by a token: who they ask for, what is answered to a fault, and how much they may ask."""

from collections.abc import Callable
from datetime import UTC, datetime
from functools import wraps
from typing import Final, ParamSpec, TypeVar, cast

from flask import Response, g, jsonify, request
from flask_limiter.util import get_remote_address
from werkzeug.datastructures import WWWAuthenticate
from werkzeug.exceptions import Forbidden, Unauthorized

from orthocline.services.share.tokens import SCOPES, Program, program_of
from orthocline.web.database import session

PREFIX: Final = "/api/1"
ONCE_LIMIT, LINES_LIMIT = "240 per minute", "12 per minute"
Asked = ParamSpec("Asked")
Answer = TypeVar("Answer")


def is_program() -> bool:
    """Return whether a program asks, not a browser."""
    return request.path.startswith(f"{PREFIX}/")


def fault(message: str, member: str = "") -> Response:
    """Return what a program is told of a fault."""
    return jsonify(error={"member": member, "message": message})


def program() -> Program:
    """Return the program that asks; raises Unauthorized for one without a token that holds."""
    if "program" not in g:
        given = request.authorization
        token = given.token if given is not None and given.type == "bearer" else None
        found = program_of(session(), token, datetime.now(UTC)) if token else None
        if found is None:
            raise Unauthorized(
                "Send a token of yours as “Authorization: Bearer …”.",
                www_authenticate=WWWAuthenticate("bearer"),
            )
        g.program = found
    return cast(Program, g.program)


def asker() -> str:
    """Return who is counted by the limits: the token that is shown, else where it comes from."""
    try:
        return f"token {program().token_id}"
    except Unauthorized:
        return get_remote_address()


def asks(scope: str) -> Callable[[Callable[Asked, Answer]], Callable[Asked, Answer]]:
    """Let a program in whose token is for this."""

    def let_in(view: Callable[Asked, Answer]) -> Callable[Asked, Answer]:
        @wraps(view)
        def checked(*args: Asked.args, **more: Asked.kwargs) -> Answer:
            if scope not in program().scopes:
                raise Forbidden(f"This token is not made to {SCOPES[scope]}.")
            return view(*args, **more)

        return checked

    return let_in
