"""The trainer: its room, sessions of questions, and questions by a link, which anyone may be asked."""

from collections.abc import Mapping
from dataclasses import replace
from urllib.parse import urlencode

from flask import Blueprint, flash, make_response, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.wrappers import Response

from orthocline.core.train import Given
from orthocline.services.account.measures import own_senses
from orthocline.services.errors import InvalidError
from orthocline.services.ground.charts import ChartedGreen, greens_at_hand
from orthocline.services.train.putts import OWN, mark
from orthocline.services.train.record import due_now
from orthocline.services.train.sessions import TrainedQuestion, answer, ask_next, begin, given_of, going, stop
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer
from orthocline.web.once import entry_key, typed_fields
from orthocline.web.page import page_or_part
from orthocline.web.security import read_limit
from orthocline.web.shared.pocket import challenge_at
from orthocline.web.train.forms import BeginForm, question_fields
from orthocline.web.train.request import asked_view, linked, moved_fields, now, own_question
from orthocline.web.train.view import AnswerView, OfQuestion, QuestionView
from orthocline.wording.quantities import QuantityError

blueprint = Blueprint("train", __name__)
AnyResponse = Response | tuple[str, int] | str


@blueprint.get("/train")
def page() -> AnyResponse:
    """The room: begin or go on, what has come back, and where else to train; refused in Competition."""
    return _room()


def _room(form: BeginForm | None = None) -> AnyResponse:
    golfer = viewer().golfer
    held = going(viewer(), session()) if golfer else None
    due = due_now(viewer(), session(), now()) if golfer else 0
    said = render_template("train/page.html", form=form or _begin_form(), going=held, due=due)
    return said, 422 if form else 200


def _begin_form() -> BeginForm:
    greens = greens_at_hand(viewer(), session()) if viewer().golfer else ()
    read_of = [one for one in greens if one.chart.has_ground and one.chart.outline]
    return BeginForm().offer({f"{OWN}{one.id}": f"{_whose(one)}: {one.place.nearest}" for one in read_of})


def _whose(green: ChartedGreen) -> str:
    return green.of.giver.name if green.of else "Yours"


@blueprint.post("/train/begin")
@login_required
@read_limit
def start() -> AnyResponse:
    """Begin a session, and ask its first question."""
    form = _begin_form()
    if not form.validate():
        return _room(form)
    try:
        begin(
            *(viewer(), session(), form.asks.data, form.ground.data, int(form.wanted.data), now()),
            key=entry_key(),
        )
    except InvalidError as error:
        form[error.field].errors = [str(error)]
        return _room(form)
    return _next()


@blueprint.post("/train/next")
@login_required
@read_limit
def next_one() -> AnyResponse:
    """Ask the next question, or go on with the one that waits."""
    return _next()


def _next() -> Response:
    row = ask_next(viewer(), session(), now(), own_senses(measures()))
    if row is None:
        return redirect(url_for(".page"), 303)
    return redirect(url_for(".question", question_id=row.id), 303)


@blueprint.post("/train/stop")
@login_required
def end() -> Response:
    """End the session that goes on."""
    stop(viewer(), session(), now())
    flash("Ended. What you answered is kept.")
    return redirect(url_for(".page"), 303)


@blueprint.get("/train/asked/<int:question_id>")
@login_required
@read_limit
def question(question_id: int) -> Response:
    """A question of one's own: as it waits, or with its answer."""
    asked, row = own_question(question_id)
    view = asked_view(asked, row, request.args)
    given = given_of(row)
    if given is None:
        address = url_for(".question", question_id=question_id)
        return _shown(view, f"{address}?{urlencode(view.draft.fields)}")
    return _answered(view, given, again="again" in request.args)


@blueprint.post("/train/asked/<int:question_id>")
@login_required
@read_limit
def answer_it(question_id: int) -> Response:
    """Answer a question once, or move an answer that is not given yet."""
    asked, row = own_question(question_id)
    fields = dict(typed_fields())
    view = asked_view(asked, row, fields)
    address = url_for(".question", question_id=question_id)
    if row.answered_at is None and (moved := moved_fields(view, fields)) is not None:
        return redirect(f"{address}?{urlencode(moved)}", 303)
    try:
        given = given_of(row) or view.parsed()
        kept = answer(viewer(), session(), row, view.asked, given, view.golfer, now())
    except (QuantityError, InvalidError) as error:
        return _refused(view, row, fields, error)
    return redirect(address if kept else f"{address}?again=1", 303)


@blueprint.get("/train/putt")
@read_limit
def putt() -> Response:
    """A question by its link, which keeps nothing; refused in Competition."""
    asked = linked()
    view = asked_view(asked, None, request.args)
    return _shown(view, _link(".putt", view, view.draft.fields))


@blueprint.post("/train/putt")
@read_limit
def answer_linked() -> Response:
    """Answer a question by its link, or move an answer that is not given yet; nothing is kept."""
    fields = dict(typed_fields())
    view = asked_view(linked(), None, fields)
    moved = moved_fields(view, fields)
    if moved is not None:
        return redirect(_link(".putt", view, moved), 303)
    try:
        view.parsed()
    except QuantityError as error:
        return _refused(view, None, fields, error)
    return redirect(_link(".answered_linked", view, view.draft.fields), 303)


@blueprint.get("/train/putt/answer")
@read_limit
def answered_linked() -> Response:
    """A question by its link with an answer, which keeps nothing; refused in Competition."""
    view = asked_view(linked(), None, request.args)
    try:
        given = view.parsed()
        return _answered(view, given)
    except (QuantityError, InvalidError) as error:
        return _refused(view, None, request.args, error)


def _link(endpoint: str, view: OfQuestion, fields: Mapping[str, str]) -> str:
    question = question_fields(view.asked.question)
    return (
        f"{url_for(endpoint)}?{urlencode(question | {k: v for k, v in fields.items() if k not in question})}"
    )


def _shown(view: QuestionView, address: str, *, readable: bool = True) -> Response:
    return page_or_part("train/question", view, readable=readable, address=address)


def _refused(
    view: QuestionView, row: TrainedQuestion | None, fields: Mapping[str, str], error: Exception
) -> Response:
    """Return the question with what is wrong with its answer; nothing typed is lost."""
    said = f"Your answer {error}." if isinstance(error, QuantityError) else str(error)
    return _shown(asked_view(view.asked.question, row, fields, said), "", readable=False)


def _answered(view: QuestionView, given: Given, *, again: bool = False) -> Response:
    found = mark(viewer(), view.asked, given, view.golfer)
    if view.row and view.row.off is not None:
        # What was kept holds, whatever is known of the golfer by now.
        found = replace(found, off=view.row.off)
    shown = AnswerView(
        asked=view.asked,
        golfer=view.golfer,
        wording=view.wording,
        row=view.row,
        going=view.going,
        given=given,
        found=found,
        again=again,
        challenger=challenge_at(view.challenge),
    )
    address = request.full_path if request.method == "GET" else ""
    return make_response(page_or_part("train/answer", shown, readable=True, address=address))
