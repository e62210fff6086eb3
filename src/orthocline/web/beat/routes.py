"""The beat: a metronome for the stroke's tempo and the one-second count."""

from flask import Blueprint, render_template, request
from werkzeug.datastructures import MultiDict

from orthocline.drawing.speed.beat import stroke_plan
from orthocline.services.speed.beat import stroke_beat
from orthocline.web.beat.forms import START, BeatForm
from orthocline.web.identity import viewer, wording

blueprint = Blueprint("beat", __name__)


@blueprint.get("/beat")
def page() -> tuple[str, int]:
    """The beat of the address; it runs in the browser."""
    form = BeatForm(MultiDict({**START, **request.args}), meta={"wording": wording()})
    readable = form.validate()
    beat = stroke_beat(viewer(), form.back.figure if readable else None)
    plan = stroke_plan(wording(), form.mark.figure, form.stroke.figure)
    return render_template("beat/page.html", form=form, beat=beat, plan=plan), 200 if readable else 422
