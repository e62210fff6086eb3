"""One database session a request, committed at the edge."""

from collections.abc import Iterator
from typing import Any, cast

from flask import Flask, current_app, g, stream_with_context
from sqlalchemy import Engine, create_engine
from sqlalchemy.exc import InterfaceError, OperationalError, TimeoutError
from sqlalchemy.orm import Session, sessionmaker
from werkzeug.wrappers import Response

EXTENSION, ENGINE = "orthocline_sessions", "orthocline_engine"
AWAY = (OperationalError, InterfaceError, TimeoutError)
"""What a database that is gone, full, overloaded or too slow raises: nothing was changed, try again."""
POOL: dict[str, Any] = {
    "pool_pre_ping": True,
    "pool_size": 8,
    "max_overflow": 8,
    "pool_timeout": 3,
    # An error does not say what was asked for: it may end in a log.
    "hide_parameters": True,
    "connect_args": {
        "connect_timeout": 3,
        "options": "-c statement_timeout=5s -c lock_timeout=4s -c idle_in_transaction_session_timeout=30s",
    },
}
"""Connections of one worker. A dead one is noticed before it is used, and all that died with it go."""


def init_app(app: Flask) -> Engine:
    """Give the application its sessions, and return the connections; none is made before the first query."""
    pool = create_engine(app.config["DATABASE_URL"], **POOL)
    app.extensions[ENGINE] = pool
    app.extensions[EXTENSION] = app.config.get("SESSIONS") or sessionmaker(pool, expire_on_commit=False)
    app.after_request(_commit)
    app.teardown_request(_close)
    return pool


def session() -> Session:
    """Return the request's session."""
    if "session" not in g:
        g.session = current_app.extensions[EXTENSION]()
    return cast(Session, g.session)


def streamed(pieces: Iterator[bytes]) -> Iterator[bytes]:
    """Return what is sent piece by piece, and close the session that reads it after the last."""
    reading = session()

    def sent() -> Iterator[bytes]:
        try:
            yield from pieces
        finally:
            reading.close()

    return stream_with_context(sent())


def let_go() -> None:
    """Give the database back before something that takes long and asks it nothing more."""
    if "session" in g:
        g.session.commit()
        g.pop("session").close()


def take_back() -> None:
    """Take back what the request wrote, so that its session can be asked again after it failed."""
    if "session" in g:
        g.session.rollback()


def engine() -> Engine:
    """Return the application's connections, for what is counted or read beside the request's session."""
    return cast(Engine, current_app.extensions[ENGINE])


def is_away() -> bool:
    """Return whether the database failed in this request: then nothing may ask it again."""
    return "database_away" in g


def mark_away() -> None:
    """Say that the database failed in this request."""
    g.database_away = True


def _commit(response: Response) -> Response:
    if "session" not in g or is_away():
        return response
    try:
        if response.status_code < 400:
            g.session.commit()
        else:
            g.session.rollback()
    except AWAY as error:
        g.session.rollback()
        return current_app.make_response(current_app.handle_user_exception(error))
    return response


def _close(_error: BaseException | None) -> None:
    if "session" in g:
        g.pop("session").close()
