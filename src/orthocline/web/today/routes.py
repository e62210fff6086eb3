"""Today: the start page."""

from datetime import UTC, datetime
from urllib.parse import urlsplit

from flask import Blueprint, current_app, render_template, request

from orthocline.services.today import today
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.security import read_limit
from orthocline.web.today.view import view

blueprint = Blueprint("today", __name__)


@blueprint.get("/")
@read_limit
def page() -> str:
    """The day's order of work, the last reads, where to begin."""
    who, now = viewer(), datetime.now(UTC)
    day = today(who, session(), now)
    return render_template("today/page.html", view=view(who, day, wording(), now, _phone()))


def _phone() -> str:
    """Return the address at which a phone reaches this: as it is set, or as the desk does; empty for none."""
    told: str = current_app.config["ADDRESS"]
    here = urlsplit(request.host_url)
    alone = (here.hostname or "") in ("127.0.0.1", "localhost", "::1")
    return told or ("" if alone else request.host_url.rstrip("/"))
