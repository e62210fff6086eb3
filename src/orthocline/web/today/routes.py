"""Today: the start page."""

from datetime import UTC, datetime

from flask import Blueprint, render_template

from orthocline.services.today import today
from orthocline.web.database import session
from orthocline.web.identity import mode, signed_in, wording
from orthocline.web.security import read_limit
from orthocline.web.today.view import view

blueprint = Blueprint("today", __name__)


@blueprint.get("/")
@read_limit
def page() -> str:
    """The day's order of work, the last reads, where to begin."""
    golfer, now = signed_in(), datetime.now(UTC)
    day = today(session() if golfer else None, golfer, mode(), now)
    return render_template("today/page.html", view=view(day, mode(), wording(), now))
