"""Which was it: the read, the line or the pace of one putt of the log, as a page or as a part of another."""

from flask import Blueprint, Response
from flask_login import login_required

from orthocline.services.account.measures import golfer_of
from orthocline.services.log.entries import shown
from orthocline.services.log.learning import which_was_it
from orthocline.services.log.putts import find_putt
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.page import page_or_part
from orthocline.web.security import read_limit
from orthocline.web.shared.log_rows import row
from orthocline.web.which_was_it.view import WhichView

blueprint = Blueprint("which_was_it", __name__)


@blueprint.get("/log/<int:putt_id>/which")
@login_required
@read_limit
def page(putt_id: int) -> Response:
    """What one putt says of its read, its line and its pace."""
    who = golfer_of(measures())
    verdict = which_was_it(viewer(), session(), putt_id, who.golfer)
    putt = row(shown(viewer(), find_putt(viewer(), session(), putt_id)), wording())
    return page_or_part("which_was_it", WhichView(verdict, putt, who, wording()), readable=True)
