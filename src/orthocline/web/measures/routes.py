"""My measures: units and words, body, stride and stroke."""

from flask import Blueprint, flash, redirect, render_template, request, url_for
from flask_login import login_required
from flask_wtf import FlaskForm
from werkzeug.datastructures import MultiDict
from werkzeug.wrappers import Response

from orthocline.services.account.measures import keep_measures
from orthocline.services.account.trials import add_slope_pair, add_stride_trial, add_stroke_putt, remove_trial
from orthocline.services.errors import InvalidError
from orthocline.services.train.checks import own_checks
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.measures.forms import MeasuresForm, PairForm, StrideForm, StrokeForm, measures_texts
from orthocline.web.measures.view import view
from orthocline.web.once import entry_key

blueprint = Blueprint("measures", __name__)
Page = str | Response | tuple[str, int]


@blueprint.get("/measures")
@login_required
def page() -> Page:
    """The golfer's own measures."""
    return _page()


@blueprint.post("/measures")
@login_required
def keep() -> Page:
    """Keep units, words and body."""
    form = MeasuresForm(meta={"wording": wording()})
    if not form.validate():
        return _page(measures_form=form)
    keep_measures(viewer(), session(), form.values())
    flash("Kept. Every page follows it.")
    return _back()


@blueprint.post("/measures/stride")
@login_required
def add_stride() -> Page:
    """Keep one more try of pacing along a tape."""
    form = StrideForm(meta={"wording": wording()})
    try:
        if form.validate():
            paces, tape = form.paces.figure or 0.0, form.tape.figure or 0.0
            add_stride_trial(viewer(), session(), paces=paces, tape_m=tape, key=entry_key())
            return _back("stride")
    except InvalidError as error:
        form[error.field].errors = [str(error)]
    return _page(stride_form=form)


@blueprint.post("/measures/stroke")
@login_required
def add_stroke() -> Page:
    """Keep one more putt that calibrates the stroke."""
    form = StrokeForm(meta={"wording": wording()})
    try:
        if form.validate():
            add_stroke_putt(
                viewer(),
                session(),
                stroke_m=form.stroke.figure or 0.0,
                roll_m=form.roll.figure or 0.0,
                green_speed_ft=form.stroke_speed.figure or 0.0,
                key=entry_key(),
            )
            return _back("stroke")
    except InvalidError as error:
        form[error.field].errors = [str(error)]
    return _page(stroke_form=form)


@blueprint.post("/measures/slope")
@login_required
def add_slope() -> Page:
    """Keep a slope felt or seen, and read with a level in the same place."""
    form = PairForm(meta={"wording": wording()})
    try:
        if form.validate():
            guess, level = form.guess.figure or 0.0, form.level.figure or 0.0
            add_slope_pair(
                viewer(), session(), sense=form.sense.data, guess=guess, level=level, key=entry_key()
            )
            return _back("slope")
    except InvalidError as error:
        form[error.field].errors = [str(error)]
    return _page(pair_form=form)


@blueprint.post("/measures/<any(stride, stroke, slope):kind>/<int:trial_id>/remove")
@login_required
def remove(kind: str, trial_id: int) -> Response:
    """Remove one trial."""
    remove_trial(viewer(), session(), kind, trial_id)
    return _back(kind)


def _back(part: str = "") -> Response:
    return redirect(url_for("measures.page", _anchor=part or None), 303)


def _page(
    measures_form: FlaskForm | None = None,
    stride_form: FlaskForm | None = None,
    stroke_form: FlaskForm | None = None,
    pair_form: FlaskForm | None = None,
) -> Page:
    own, said = measures(), wording()
    assert own is not None
    blank = MultiDict(measures_texts(own, said))
    meta = {"wording": said}
    status = 422 if request.method == "POST" else 200
    return render_template(
        "measures/page.html",
        view=view(viewer(), own, own_checks(viewer(), session()), said),
        form=measures_form or MeasuresForm(blank, meta=meta),
        stride_form=stride_form or StrideForm(None, meta=meta),
        stroke_form=stroke_form or StrokeForm(None, meta=meta),
        pair_form=pair_form or PairForm(MultiDict({"sense": "feet"}), meta=meta),
        wording=said,
    ), status
