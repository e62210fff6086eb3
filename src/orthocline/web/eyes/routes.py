"""A putt through the golfer's eyes: one address, as a page, as the part that changes, and as the roll."""

from datetime import UTC, datetime
from urllib.parse import urlsplit

from flask import Blueprint, Response, jsonify, request, url_for
from werkzeug.datastructures import MultiDict

from orthocline.services.account.measures import golfer_figures, own_tempo
from orthocline.services.read.reading import read_putt
from orthocline.web.eyes.forms import LookingForm
from orthocline.web.eyes.view import EyesView
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.page import page_or_part
from orthocline.web.security import sight_limit
from orthocline.web.shared.asked import asked
from orthocline.web.shared.lies import own_greens
from orthocline.web.shared.read_start import own_pasts, start_values

blueprint = Blueprint("eyes", __name__)


@blueprint.get("/eyes")
@sight_limit
def page() -> Response:
    """The putt in the address as its golfer sees it; refused in Competition."""
    seen, form = _seen()
    readable = seen.solved is not None and not form.errors
    # Beside a read the address is the read's.
    alone = urlsplit(request.headers.get("HX-Current-URL", "")).path == url_for("eyes.page")
    address = seen.address if alone else ""
    return page_or_part("eyes", seen, readable=readable, address=address, form=form)


@blueprint.get("/eyes/roll")
@sight_limit
def roll() -> Response | tuple[Response, int]:
    """The ball's way in real time, in units of the drawing; refused in Competition."""
    seen, form = _seen()
    if seen.answer is None or form.errors:
        return jsonify(errors={**seen.asked.errors, **form.errors}), 422
    end = min(seen.answer.aim.time_to_hole_s, seen.answer.track.duration_s)
    return jsonify(duration_s=round(end, 3), spots=seen.rolled, beat_s=own_tempo(measures()).beat_s)


def _seen() -> tuple[EyesView, LookingForm]:
    """Return what is looked at, straight ahead where an address does not say how."""
    wanted = asked(request.args, wording(), start_values(), own_pasts(), own_greens)
    form = LookingForm(MultiDict(request.args), meta={"wording": wording()})
    looking = form.looking if form.validate() else LookingForm(MultiDict(), meta=form.meta).looking
    solved = read_putt(viewer(), wanted.putt) if wanted.putt else None
    golfer = golfer_figures(measures())
    return EyesView(wanted, viewer(), golfer, datetime.now(UTC), solved, looking), form
