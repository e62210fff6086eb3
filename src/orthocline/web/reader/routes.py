"""Which reader one is: what twelve answers say, and a school that suits."""

from flask import Blueprint, render_template, url_for
from flask_login import login_required

from orthocline.services.train.record import reader_test
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.reader.view import ReaderView
from orthocline.web.security import read_limit

blueprint = Blueprint("reader", __name__)


@blueprint.get("/train/reader")
@login_required
@read_limit
def page() -> str:
    """What the newest twelve answers say; refused in Competition."""
    view = ReaderView(reader_test(viewer(), session()), wording(), url_for("measures.page"))
    return render_template("reader/page.html", view=view)
