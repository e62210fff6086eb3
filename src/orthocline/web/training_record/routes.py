"""What training says of a golfer."""

from datetime import UTC, datetime

from flask import Blueprint, render_template
from flask_login import login_required

from orthocline.services.train.record import record_of
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.security import read_limit
from orthocline.web.training_record.view import RecordView

blueprint = Blueprint("training_record", __name__)


@blueprint.get("/train/record")
@login_required
@read_limit
def page() -> str:
    """Levels, biases and what comes back; refused in Competition."""
    now = datetime.now(UTC)
    view = RecordView(record_of(viewer(), session(), now), wording(), now)
    return render_template("training_record/page.html", view=view)
