"""Today: the start page."""

from datetime import UTC, datetime

from flask import Blueprint, render_template

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
    return render_template("today/page.html", view=view(who, day, wording(), now))
