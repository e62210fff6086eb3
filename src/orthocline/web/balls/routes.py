"""Watched balls: one address, as a page and as the part that changes."""

from collections.abc import Mapping
from datetime import UTC, datetime

from flask import Blueprint, Response, make_response, render_template, request

from orthocline.core.instruments import FIRST_LOOK
from orthocline.services.account.measures import golfer_figures
from orthocline.services.read.reading import read_putt
from orthocline.web.balls.request import ball_of
from orthocline.web.balls.view import BallView
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.page import is_part
from orthocline.web.security import read_limit
from orthocline.web.shared.read_start import own_pasts, start_values

blueprint = Blueprint("balls", __name__)


@blueprint.get("/balls")
@read_limit
def page() -> Response:
    """What a watched ball says of the putt in the address; refused in Competition."""
    wanted = ball_of(request.args.to_dict(), wording(), _start(request.args), own_pasts())
    solved = read_putt(viewer(), wanted.asked.putt) if wanted.asked.putt else None
    seen = BallView(viewer(), wanted, golfer_figures(measures()), wording(), datetime.now(UTC), solved)
    template = "balls/_part.html" if is_part() else "balls/page.html"
    status = 200 if solved and wanted.ball else 422
    response = make_response(render_template(template, view=seen), status)
    response.vary.add("HX-Request")
    if is_part() and status == 200 and not (seen.read and seen.read.held):
        response.headers["HX-Replace-Url"] = seen.address
    return response


def _start(arguments: Mapping[str, str]) -> dict[str, str]:
    """Return what a putt starts from of which nothing is said: a first look, which any ball betters."""
    looked = {} if "side" in arguments else {"side_from": FIRST_LOOK, "rise_from": FIRST_LOOK}
    return {**start_values(), **looked}
