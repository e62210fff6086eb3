"""One database session a request, committed at the edge."""

from typing import cast

from flask import Flask, current_app, g
from sqlalchemy import create_engine
from sqlalchemy.orm import Session, sessionmaker
from werkzeug.wrappers import Response

EXTENSION = "orthocline_sessions"


def init_app(app: Flask) -> None:
    """Give the application its sessions; no connection is made before the first query."""
    engine = create_engine(app.config["DATABASE_URL"], pool_pre_ping=True)
    app.extensions[EXTENSION] = app.config.get("SESSIONS") or sessionmaker(engine, expire_on_commit=False)
    app.after_request(_commit)
    app.teardown_request(_close)


def session() -> Session:
    """Return the request's session."""
    if "session" not in g:
        g.session = current_app.extensions[EXTENSION]()
    return cast(Session, g.session)


def _commit(response: Response) -> Response:
    if "session" in g:
        if response.status_code < 400:
            g.session.commit()
        else:
            g.session.rollback()
    return response


def _close(_error: BaseException | None) -> None:
    if "session" in g:
        g.pop("session").close()
