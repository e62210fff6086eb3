"""Grain by its clues: one address, as a page and as the part that changes."""

from collections.abc import Mapping
from datetime import UTC, datetime
from typing import Final

from flask import Blueprint, Response, request
from werkzeug.datastructures import MultiDict

from orthocline.services.account.measures import golfer_figures
from orthocline.web.grain.forms import HOURS, GrainForm, field_of
from orthocline.web.grain.view import GrainView
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.page import page_or_part
from orthocline.web.security import read_limit
from orthocline.web.shared.asked import asked
from orthocline.web.shared.placing import moved_of, nudged_of
from orthocline.web.shared.read_start import own_pasts, start_values
from orthocline.wording.ground.grain import CLUE_WORDS

blueprint = Blueprint("grain", __name__)
USUAL_GRASS: Final = "mixed"
"""Grass whose clues can be seen, where none is named."""


@blueprint.get("/grain")
@read_limit
def page() -> Response:
    """What clues of grain say, and do to the putt in the address; refused in Competition."""
    arguments = _placed(request.args.to_dict())
    form = GrainForm(MultiDict(arguments))
    valid = form.validate()
    if valid and form.clues() and not arguments.get("grain"):
        arguments["grain"] = USUAL_GRASS
    wanted = asked(arguments, wording(), start_values(), own_pasts())
    figures = golfer_figures(measures())
    seen = GrainView(viewer(), wanted, form, valid, figures, wording(), datetime.now(UTC))
    return page_or_part("grain", seen, readable=valid and wanted.read is not None, address=seen.address)


def _placed(arguments: Mapping[str, str]) -> dict[str, str]:
    """Return the address with a clue where it was dragged or nudged to, at the nearest hour."""
    moved, nudged = moved_of(arguments), nudged_of(arguments)
    if moved and moved.handle in CLUE_WORDS:
        return {**arguments, field_of(moved.handle): _hour(round(moved.toward_deg / 30.0))}
    if nudged and nudged.handle in CLUE_WORDS:
        field = field_of(nudged.handle)
        before = arguments.get(field, "")
        if before.isdecimal() and int(before) in HOURS:
            return {**arguments, field: _hour(int(before) + (nudged.right or nudged.up))}
    return dict(arguments)


def _hour(number: int) -> str:
    return str((number - 1) % 12 + 1)
