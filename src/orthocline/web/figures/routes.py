"""The figures of a log: one page, its part, and each chart's figures as CSV."""

from collections.abc import Callable, Mapping
from datetime import UTC, datetime

from flask import Blueprint, Response, request
from flask_login import login_required
from werkzeug.exceptions import NotFound

from orthocline.core.account import USUAL_LEVEL
from orthocline.core.log import STATISTICS
from orthocline.formats.figures_csv import RANGED, bands_csv, csv_text, months_csv, ranged
from orthocline.services.log.figures import log_figures
from orthocline.services.log.putts import Which
from orthocline.web.database import session
from orthocline.web.figures.forms import FiguresForm
from orthocline.web.figures.view import FiguresView
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.page import page_or_part
from orthocline.web.security import read_limit

blueprint = Blueprint("figures", __name__)


@blueprint.get("/figures")
@login_required
@read_limit
def page() -> Response:
    """The figures of the golfer's log, or of some of its putts, perhaps beside those of others."""
    return page_or_part("figures", _view(), readable=True)


@blueprint.get("/figures/<chart>.csv")
@login_required
@read_limit
def as_csv(chart: str) -> Response:
    """The figures behind a chart."""
    if chart not in CHARTS:
        raise NotFound
    response = Response(CHARTS[chart](_view()), mimetype="text/csv")
    response.headers.set("Content-Disposition", "attachment", filename=f"orthocline-{chart}.csv")
    return response


def _view() -> FiguresView:
    form = FiguresForm(request.args, meta={"wording": wording()})
    which = form.which()
    other = form.other(which, datetime.now(UTC))
    own = measures()
    level = own.golfer_level if own else USUAL_LEVEL
    asked: list[Which] = [which] if other is None else [which, other]
    found = log_figures(viewer(), session(), level, asked, wording().calendar.zone)
    beside = found[1] if other is not None else None
    return FiguresView(found[0], beside, level, wording(), form, which)


def _figures_csv(view: FiguresView) -> str:
    head = ("figure", "unit", "rests_on_what", *RANGED)
    rows = ([one.name, one.unit, one.counts, *ranged(view.found.figures[one.name])] for one in STATISTICS)
    return csv_text(head, rows)


def _finishes_csv(view: FiguresView) -> str:
    putts, places = view.found.putts, view.found.newest("stopped", view.found.count)
    columns = (putts.length_m, putts.along_m, putts.right_m)
    rows = zip(*(column[places].round(4).tolist() for column in columns), strict=True)
    return csv_text(("length_m", "finish_along_m", "finish_right_m"), rows)


def _starts_csv(view: FiguresView) -> str:
    putts, places = view.found.putts, view.found.newest("traced", view.found.count)
    columns = (putts.length_m, putts.start_rad)
    rows = zip(*(column[places].round(6).tolist() for column in columns), strict=True)
    return csv_text(("length_m", "start_right_rad"), rows)


def _methods_csv(view: FiguresView) -> str:
    names = (f"{what}_{name}" for what in ("holed", "gained_strokes", "own_read_share") for name in RANGED)
    rows = (
        [one.method, *ranged(one.holed), *ranged(one.gained), *ranged(one.aimed)]
        for one in view.found.by_method
    )
    return csv_text(("method", *names), rows)


CHARTS: Mapping[str, Callable[[FiguresView], str]] = {
    "figures": _figures_csv,
    "lengths": lambda view: bands_csv(view.found.bands(view.edges_m)),
    "months": lambda view: months_csv(view.found.months),
    "finishes": _finishes_csv,
    "starts": _starts_csv,
    "methods": _methods_csv,
}
"""What there is to take along, by name."""
