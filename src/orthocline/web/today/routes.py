"""Today: the start page."""

from flask import Blueprint, render_template

from orthocline.services.today import today
from orthocline.web.database import session
from orthocline.web.identity import mode, signed_in
from orthocline.web.today.view import view

blueprint = Blueprint("today", __name__)


@blueprint.get("/")
def page() -> str:
    """The day's order of work, the last reads, where to begin."""
    golfer = signed_in()
    day = today(session(), golfer, mode()) if golfer else today(None, None, mode())
    return render_template("today/page.html", view=view(day, mode()))
