"""The straight putt: one address, as a page and as the part that changes."""

from datetime import UTC, datetime

from flask import Blueprint, Response, request, url_for

from orthocline.services.account.measures import golfer_figures
from orthocline.services.read.reading import read_putt
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.page import page_or_part
from orthocline.web.security import read_limit
from orthocline.web.shared.read_start import own_pasts, start_values
from orthocline.web.straight.request import straight_of
from orthocline.web.straight.view import StraightView

blueprint = Blueprint("straight", __name__)


@blueprint.get("/straight")
@read_limit
def page() -> Response:
    """Where the straight putt begins on the green of the putt in the address; refused in Competition."""
    wanted = straight_of(request.args.to_dict(), wording(), start_values(), own_pasts())
    solved = read_putt(viewer(), wanted.asked.putt) if wanted.asked.putt else None
    seen = StraightView(viewer(), wanted, golfer_figures(measures()), wording(), datetime.now(UTC), solved)
    address = f"{url_for('straight.page')}?{seen.read.query}" if seen.read and not wanted.turn_deg else ""
    return page_or_part("straight", seen, readable=bool(solved) and not wanted.error, address=address)
