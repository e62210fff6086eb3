"""Two schools side by side: one address, as a page and as the part that changes."""

from flask import Blueprint, Response, request, url_for
from werkzeug.datastructures import MultiDict

from orthocline.services.account.measures import golfer_figures
from orthocline.services.read.reading import read_putt
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.page import page_or_part
from orthocline.web.schools.forms import TwoForm
from orthocline.web.schools.view import TwoView
from orthocline.web.security import read_limit
from orthocline.web.shared.asked import asked
from orthocline.web.shared.lies import own_greens
from orthocline.web.shared.read_start import own_pasts, start_values

blueprint = Blueprint("schools", __name__)


@blueprint.get("/schools")
@read_limit
def page() -> Response:
    """Two schools on the putt in the address; refused in Competition, and while an own read is waited for."""
    wanted = asked(request.args, wording(), start_values(), own_pasts(), own_greens)
    form = TwoForm(MultiDict(request.args), meta={"wording": wording()})
    readable = form.validate() and wanted.read is not None and not wanted.read.hidden
    seen = None
    if readable and wanted.putt:
        solved = read_putt(viewer(), wanted.putt)
        seen = TwoView(wanted, viewer(), golfer_figures(measures()), form.names, solved)
    query = wanted.read.query if wanted.read else ""
    address = f"{url_for('schools.page')}?{query}&one={form.one.data}&other={form.other.data}"
    return page_or_part("schools", seen, readable=readable, address=address, form=form, asked=wanted)
