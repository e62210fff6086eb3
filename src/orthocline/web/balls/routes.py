"""Watched balls: one address, as a page and as the part that changes."""

from collections.abc import Mapping
from datetime import UTC, datetime

from flask import Blueprint, Response, request

from orthocline.core.instruments import FIRST_LOOK
from orthocline.services.account.measures import golfer_figures
from orthocline.services.read.reading import read_putt
from orthocline.web.balls.request import ball_of
from orthocline.web.balls.view import BallView
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.page import page_or_part
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
    held = seen.read is not None and seen.read.held is not None
    readable = solved is not None and wanted.ball is not None
    return page_or_part("balls", seen, readable=readable, address="" if held else seen.address)


def _start(arguments: Mapping[str, str]) -> dict[str, str]:
    """Return what a putt starts from of which nothing is said: a first look, which any ball betters."""
    looked = {} if "side" in arguments else {"side_from": FIRST_LOOK, "rise_from": FIRST_LOOK}
    return {**start_values(), **looked}
