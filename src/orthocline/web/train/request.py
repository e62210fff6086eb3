"""What is asked: a question by its link, or one of a golfer's own session."""

import math
from collections.abc import Mapping
from datetime import UTC, datetime

from flask import request
from werkzeug.datastructures import MultiDict

from orthocline.core.train import Question
from orthocline.services.account.measures import golfer_figures, own_senses
from orthocline.services.errors import NotFoundError
from orthocline.services.train.putts import MISSING, putt_asked
from orthocline.services.train.sessions import TrainedQuestion, find_question, going_of, question_of
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.train.forms import DraftForm, MoveForm, QuestionForm
from orthocline.web.train.view import QuestionView


def now() -> datetime:
    """The moment."""
    return datetime.now(UTC)


def linked() -> Question:
    """Return the question of the address; raises NotFoundError where there is none such."""
    question = QuestionForm(MultiDict(request.args), meta={"wording": wording()}).question
    if question is None:
        raise NotFoundError(MISSING)
    return question


def asked_view(
    question: Question, row: TrainedQuestion | None, fields: Mapping[str, str], error: str = ""
) -> QuestionView:
    """Return a question with an answer that is not given yet; what cannot be chosen is as at first."""
    draft = _valid(fields)
    asked = putt_asked(viewer(), session(), question, own_senses(measures()))
    held = going_of(viewer(), session(), row) if row else None
    return QuestionView(
        asked=asked,
        golfer=golfer_figures(measures()),
        wording=wording(),
        row=row,
        going=held,
        draft=draft,
        error=error,
    )


def _valid(fields: Mapping[str, str]) -> DraftForm:
    # What is typed beside the answers that can be tapped goes by another name, so that a tap holds.
    fields = {"answer": fields.get("typed", ""), **fields}
    form = DraftForm(MultiDict(fields), meta={"wording": wording()})
    if not form.validate():
        held = {name: text for name, text in fields.items() if name not in form.errors}
        form = DraftForm(MultiDict(held), meta={"wording": wording()})
    return form


def own_question(question_id: int) -> tuple[Question, TrainedQuestion]:
    """Return a question of the golfer's own; raises NotFoundError where it is not theirs."""
    row = find_question(viewer(), session(), question_id)
    return question_of(row), row


def moved_fields(view: QuestionView, fields: Mapping[str, str]) -> dict[str, str] | None:
    """Return the draft after what was done to it; None where it is an answer."""
    form = MoveForm(MultiDict(fields), meta={"wording": wording()})
    if not form.validate():
        return view.draft.fields
    if form.spot:
        return view.tapped(form.spot)
    if form.step.data or form.along.data:
        return view.stepped(form.step.data or 0, form.along.data or 0)
    if form.turn.data is not None and math.isfinite(form.turn.data):
        return view.draft.fields | {"answer": f"{form.turn.data % 360.0:g}"}
    if form.walk.data:
        return view.draft.fields | {"stop": form.walk.data}
    return None
