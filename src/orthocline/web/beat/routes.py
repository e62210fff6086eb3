"""The beat: a metronome for the stroke's tempo and the count to the beat mark."""

from flask import Blueprint, flash, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.datastructures import MultiDict
from werkzeug.wrappers import Response

from orthocline.drawing.speed.beat import stroke_plan
from orthocline.services.account.measures import keep_tempo, own_tempo
from orthocline.services.speed.beat import stroke_beat
from orthocline.web.beat.forms import BeatForm, tempo_texts
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer, wording

blueprint = Blueprint("beat", __name__)
FIELDS = ("back", "beat", "mark", "stroke")


@blueprint.get("/beat")
def page() -> tuple[str, int]:
    """The beat of the address, or the golfer's own; it runs in the browser."""
    form = _form()
    readable = form.validate()
    own = own_tempo(measures())
    tempo = form.tempo() if readable else own
    beat = stroke_beat(viewer(), tempo)
    said = {"form": form, "beat": beat, "tempo": tempo, "is_own": tempo == own, "wording": wording()}
    plan = stroke_plan(wording(), form.mark.figure, form.stroke.figure, tempo.beat_s)
    return render_template("beat/page.html", plan=plan, **said), 200 if readable else 422


@blueprint.post("/beat")
@login_required
def keep() -> Response:
    """Keep tempo and beat as the golfer's own; a figure that cannot be read is told where it stands."""
    form = _form()
    if form.validate():
        keep_tempo(viewer(), session(), form.tempo())
        flash("Your tempo and your beat are kept: reads say their beat mark by them.")
    typed = {name: form[name].data for name in FIELDS if form[name].data}
    return redirect(url_for("beat.page", **typed), 303)


def _form() -> BeatForm:
    own = tempo_texts(own_tempo(measures()))
    return BeatForm(MultiDict({**own, **request.values}), meta={"wording": wording()})
