"""The page for the course, the same for everybody: it may be kept on a phone."""

from flask import render_template

from orthocline.core.instruments import Gives
from orthocline.formats.chart_document import CHARTED
from orthocline.wording.instruments import instrument_choice
from orthocline.wording.wording import USUAL_WORDING


def course_shell() -> str:
    """Return the page."""
    names = [name for name, gives in CHARTED.items() if gives in (Gives.SLOPE, Gives.FELT)]
    by = [(name, instrument_choice(name, USUAL_WORDING)) for name in names]
    return render_template("course/page.html", instruments=by)
