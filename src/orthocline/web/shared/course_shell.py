"""The page for the course, the same for everybody: it may be kept on a phone."""

from flask import render_template

from orthocline.core.instruments import Gives
from orthocline.core.log import FARTHEST_FINISH_M, LONGEST_PUTT_M, MOST_HOLES, MOST_PUTTS
from orthocline.core.roll import RANGES
from orthocline.formats.chart_document import CHARTED
from orthocline.wording.instruments import instrument_choice
from orthocline.wording.wording import USUAL_WORDING

LIMITS = {
    "length_m": (0, LONGEST_PUTT_M),
    "finish_m": (0, FARTHEST_FINISH_M),
    "hole": (1, MOST_HOLES),
    "putt": (1, MOST_PUTTS),
    "slope": (0, RANGES.tilt[1]),
    "green_speed_ft": RANGES.green_speed_ft,
}
"""Between what a figure lies that is typed on the page; the server asks again."""


def course_shell() -> str:
    """Return the page."""
    names = [name for name, gives in CHARTED.items() if gives in (Gives.SLOPE, Gives.FELT)]
    by = [(name, instrument_choice(name, USUAL_WORDING)) for name in names]
    return render_template("course/page.html", instruments=by, limits=LIMITS)
