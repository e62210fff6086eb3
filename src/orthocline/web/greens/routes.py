"""Greens: the list of them by course, and each one's map, where it is charted."""

from collections.abc import Mapping
from dataclasses import replace
from datetime import UTC, datetime

import numpy as np
from flask import Blueprint, Response, make_response, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.wrappers import Response as AnyResponse

from orthocline.core.chart import Chart, ChartError
from orthocline.core.relief import Outline, oval
from orthocline.services.account.access import Share, Viewer, require_open_play
from orthocline.services.account.measures import golfer_figures, own_senses
from orthocline.services.errors import InvalidError
from orthocline.services.ground.charts import (
    ROOM,
    Edit,
    describe_green,
    edit_chart,
    find_green,
    green_to_change,
    known_of,
    list_greens,
    new_green,
    redo_edit,
    undo_edit,
)
from orthocline.services.ground.maps import look_at
from orthocline.services.read.reading import read_putt
from orthocline.services.share.looking import club_at, clubs_seen
from orthocline.services.speed.book import day_speed
from orthocline.web.database import session
from orthocline.web.greens.edits import edit_of
from orthocline.web.greens.forms import AboutForm, NewForm
from orthocline.web.greens.putt import map_putt
from orthocline.web.greens.request import LOOKING, map_asked
from orthocline.web.greens.view import MapView
from orthocline.web.identity import admitted, measures, viewer, wording
from orthocline.web.once import entry_key, typed_fields
from orthocline.web.page import is_part, page_or_part
from orthocline.web.security import read_limit
from orthocline.web.shared.answered import Answered
from orthocline.web.shared.asked import asked
from orthocline.web.shared.green_rows import course_rows
from orthocline.web.shared.lies import own_greens
from orthocline.web.shared.numbers import number_asked
from orthocline.web.shared.places import place_in
from orthocline.web.shared.placing import moved_of
from orthocline.web.shared.read_start import own_pasts, start_values
from orthocline.wording.figures import speed_text
from orthocline.wording.ground.greens import fall_words

blueprint = Blueprint("greens", __name__)
Page = str | AnyResponse | tuple[str, int]
USUAL_SPEED_FT = 10.0
UNDRAWN = oval(20.0, 20.0)
"""Where a green whose edge is not drawn yet would lie."""


@blueprint.get("/greens")
def page() -> str:
    """The golfer's courses and greens; for a stranger, what they are for."""
    require_open_play(viewer(), ROOM)
    return _list_page(NewForm(meta={"wording": wording()}))


@blueprint.post("/greens")
@login_required
def new() -> Page:
    """Chart a green by its size."""
    form = NewForm(meta={"wording": wording()})
    if form.validate_on_submit():
        deep_m, wide_m = form.deep.figure or 0.0, form.wide.figure or 0.0
        try:
            number = new_green(_charter(), session(), place_in(form.data), deep_m=deep_m, wide_m=wide_m)
            return redirect(url_for("greens.green", green_id=number, tool="slope"), 303)
        except InvalidError as error:
            form[error.field].errors = [str(error)]
    return _list_page(form), 422


@blueprint.get("/greens/<int:green_id>")
@admitted
@read_limit
def green(green_id: int) -> Response:
    """A green's map, as it would be after what is being dragged."""
    arguments = request.args.to_dict()
    held = arguments.get("held") == "1"
    seen = _view(green_id, arguments, preview=held)
    if held and is_part():
        return make_response(render_template("greens/_stage.html", view=seen))
    return page_or_part("greens", seen, readable=True, address="" if held else seen.address)


@blueprint.post("/greens/<int:green_id>")
@login_required
@read_limit
def edit(green_id: int) -> AnyResponse:
    """Keep an edit of a green's chart."""
    arguments = dict(typed_fields())
    try:
        edited = edit_chart(viewer(), session(), green_id, lambda chart: _edit(chart, arguments), entry_key())
        left = _after(arguments, edited) if edited else arguments
    except InvalidError as error:
        seen = replace(_view(green_id, arguments), typed=arguments, errors={error.field: str(error)})
        return page_or_part("greens", seen, readable=False)
    seen = _view(green_id, left)
    if is_part():
        return page_or_part("greens", seen, readable=True, address=seen.address)
    return redirect(seen.address, 303)


@blueprint.get("/greens/<int:green_id>/at")
@admitted
@read_limit
def under(green_id: int) -> str:
    """The slope under the pointer, in words; nothing off the green, or before anything is read."""
    held = find_green(viewer(), session(), green_id)
    known = known_of(viewer(), held.chart, own_senses(measures()))
    moved = moved_of(request.args)
    at = (moved.right_m, moved.beyond_m) if moved else None
    if known is None or at is None or not known.outline.holds(np.array([at]))[0]:
        return ""
    looked = look_at(viewer(), known, at)
    return fall_words(looked.fall, looked.height_m, wording())


@blueprint.post("/greens/<int:green_id>/undo")
@login_required
def undo(green_id: int) -> AnyResponse:
    """Undo the last edit of a chart."""
    undo_edit(viewer(), session(), green_id)
    return _again(green_id)


@blueprint.post("/greens/<int:green_id>/redo")
@login_required
def redo(green_id: int) -> AnyResponse:
    """Do again what was undone last."""
    redo_edit(viewer(), session(), green_id)
    return _again(green_id)


@blueprint.route("/greens/<int:green_id>/about", methods=["GET", "POST"])
@login_required
def about(green_id: int) -> Page:
    """Change a green's name and what is said of it."""
    held = green_to_change(viewer(), session(), green_id)
    form = AboutForm(data={"green": held.place.green, "character": held.character, "note": held.note})
    if form.validate_on_submit():
        try:
            told = {one.name: one.data or "" for one in (form.character, form.note)}
            describe_green(viewer(), session(), green_id, name=form.green.data or "", **told)
            return redirect(url_for("greens.green", green_id=green_id), 303)
        except InvalidError as error:
            form[error.field].errors = [str(error)]
    return render_template("greens/about.html", form=form, green=held), 422 if form.errors else 200


def _charter() -> Viewer:
    """Return who charts a new green: the golfer, or as its keeper the club that the form names."""
    club = number_asked("club")
    return viewer() if club is None else club_at(viewer(), session(), club)


def _list_page(form: NewForm) -> str:
    if viewer().golfer is None:
        return render_template("greens/list.html", courses=[], clubs=[], form=form, wording=wording())
    rows = course_rows(list_greens(viewer(), session()), wording())
    clubs = [
        (who.of.giver, course_rows(list_greens(who, session()), wording()))
        for who in clubs_seen(viewer(), session(), Share.GREENS)
        if who.of
    ]
    of = _charter().of
    told = {"courses": rows, "clubs": clubs, "of_club": of.giver if of else None}
    return render_template("greens/list.html", form=form, wording=wording(), **told)


def _again(green_id: int) -> AnyResponse:
    arguments = {name: text for name, text in typed_fields() if name in ("tool", "by", "spot")}
    seen = _view(green_id, arguments)
    if is_part():
        return page_or_part("greens", seen, readable=True, address=seen.address)
    return redirect(seen.address, 303)


def _outline(chart: Chart) -> Outline:
    return chart.outline or UNDRAWN


def _edit(chart: Chart, arguments: Mapping[str, str]) -> Edit | None:
    outline = _outline(chart)
    looked = map_asked(arguments, chart, outline, wording())
    return edit_of(arguments, looked, chart, outline, wording())


def _after(arguments: Mapping[str, str], edited: Edit) -> dict[str, str]:
    """Return the fields that are left of an address after an edit."""
    left = {name: arguments[name] for name in ("tool", "by", "chosen") if name in arguments}
    return left if edited.chosen is None else {**left, "chosen": edited.chosen}


def _view(green_id: int, arguments: Mapping[str, str], *, preview: bool = False) -> MapView:
    who, said, now = viewer(), wording(), datetime.now(UTC)
    held = find_green(who, session(), green_id)
    chart = _previewed(held.chart, arguments) if preview else held.chart
    outline = _outline(chart)
    wanted = map_asked(arguments, chart, outline, said)
    if not held.kept and wanted.tool not in LOOKING:
        wanted = wanted.with_tool(LOOKING[0])
    day = day_speed(who, session(), now, held.place) if who.golfer else None
    own = own_senses(measures())
    seen = MapView(
        who,
        replace(held, chart=chart),
        outline,
        known_of(who, chart, own),
        wanted,
        said,
        day.speed_ft.value if day else USUAL_SPEED_FT,
        f"speed {speed_text(day.speed_ft.value)}" if day else f"speed {USUAL_SPEED_FT:g}, not measured",
        {},
        {},
        url_for("greens.green", green_id=green_id),
        held=preview,
    )
    return _with_putt(seen, arguments)


def _with_putt(seen: MapView, arguments: Mapping[str, str]) -> MapView:
    """Return the page with the putt that is placed on its map, and its call."""
    if seen.asked.tool != "putt" or seen.known is None:
        return seen
    placed = map_putt(arguments, seen.green.chart.pins, seen.outline, seen.known, seen.wording)
    place = seen.green.place
    fields = {**placed.read_fields(seen.green.id), "course": place.course, "green": place.green}
    wanted = asked(fields, seen.wording, start_values(), own_pasts(), own_greens)
    solved = read_putt(seen.viewer, wanted.putt) if wanted.putt else None
    wrong = wanted.errors.get("length") or wanted.errors.get("on")
    errors = {"ball": wrong} if wrong else {}
    answered = Answered(wanted, seen.viewer, golfer_figures(measures()), datetime.now(UTC), solved)
    placed = replace(placed, errors={**errors, **placed.errors})
    return replace(seen, putt=placed, answered=answered)


def _previewed(chart: Chart, arguments: Mapping[str, str]) -> Chart:
    """Return a chart as it would be after an edit that is not kept yet; as it is where that makes none."""
    try:
        edited = _edit(chart, arguments)
        return edited.chart if edited else chart
    except (InvalidError, ChartError):
        return chart
