"""The HTTP API, version 1: putts read, greens and putts of the log, for programs with a token."""

import tempfile
from collections.abc import Iterator
from itertools import islice
from typing import IO, Any, Final

from flask import Blueprint, Response, current_app, jsonify, request
from pydantic import ValidationError

from orthocline.core.log import Finish
from orthocline.formats.api_documents import (
    GreenDocument,
    GreensDocument,
    NewPutt,
    NotedPutt,
    PuttsDocument,
    PuttsQuery,
)
from orthocline.formats.chart_document import chart_document
from orthocline.formats.json_lines import answers as line_answers
from orthocline.formats.json_lines import dump
from orthocline.formats.putt_document import DocumentError, PuttDocument, parse_question
from orthocline.formats.read_document import ReadDocument
from orthocline.services.account.access import require_open_play
from orthocline.services.errors import InvalidError
from orthocline.services.ground.charts import ChartedGreen, find_green, greens_at_hand
from orthocline.services.ground.places import Place
from orthocline.services.log.entries import Result
from orthocline.services.log.noting import note_putt
from orthocline.services.log.putts_out import line_page
from orthocline.services.read.answers import aim_line, answer_to
from orthocline.web.api.spec import LINES, SENT, described, document
from orthocline.web.database import let_go, session
from orthocline.web.programs import LINES_LIMIT, ONCE_LIMIT, PREFIX, asker, asks, fault, program
from orthocline.web.security import csrf, limiter

blueprint = Blueprint("api", __name__, url_prefix=PREFIX)
csrf.exempt(blueprint)
limited = limiter.shared_limit(ONCE_LIMIT, scope="api", key_func=asker)
Told = Response | tuple[Response, int]
BLOCK: Final = 64
"""So many answers are sent at once."""
PIECE: Final = 1 << 16


@blueprint.post("/read")
@limited
@asks("reads")
@described(body=PuttDocument, HTTP_200=(ReadDocument, "the read"))
def read() -> Told:
    """Read a putt: all that the model says of it."""
    require_open_play(program().viewer, "The read")
    try:
        return jsonify(answer_to(parse_question(request.get_data())).document)
    except DocumentError as error:
        return fault(str(error), error.member), 422 if error.formed else 400


@blueprint.post("/reads")
@limiter.limit(LINES_LIMIT, key_func=asker)
@asks("reads")
@described(HTTP_200=(None, "an aim for each line, or its error"))
def reads() -> Told:
    """Read many putts: a document a line in, its aim or its error a line out, in their order."""
    require_open_play(program().viewer, "The read")
    if request.mimetype not in SENT:
        return fault(f"Send lines of JSON, as {LINES}."), 415
    let_go()
    # Taken in whole first, to disk: a client that sends all before it takes anything must not wait for ever.
    lines = tempfile.TemporaryFile()  # noqa: SIM115 - closed once all is answered
    while piece := request.stream.read(PIECE):
        lines.write(piece)
    lines.seek(0)
    return Response(_answered(lines), mimetype=LINES)


def _answered(lines: IO[bytes]) -> Iterator[str]:
    with lines:
        told = (f"{dump(one)}\n" for one in line_answers(lines, aim_line))
        while block := "".join(islice(told, BLOCK)):
            yield block


@blueprint.get("/greens")
@limited
@asks("greens")
@described(HTTP_200=(GreensDocument, "the greens at hand"))
def greens() -> Told:
    """List your greens, and those of your clubs."""
    found = greens_at_hand(program().viewer, session())
    return jsonify(greens=[_green(one) for one in found])


@blueprint.get("/greens/<int:green_id>")
@limited
@asks("greens")
@described(HTTP_200=(GreenDocument, "the green"))
def green(green_id: int) -> Told:
    """Return a green with its chart."""
    found = find_green(program().viewer, session(), green_id)
    told = _green(found) | {"character": found.character, "chart": chart_document(found.chart)}
    return jsonify(told)


def _green(one: ChartedGreen) -> dict[str, Any]:
    of = one.of.giver.name if one.of else None
    return {"id": one.id, "course": one.place.course, "green": one.place.green, "of": of}


@blueprint.get("/putts")
@limited
@asks("putts")
@described(query=PuttsQuery, HTTP_200=(PuttsDocument, "a page of the log"))
def putts() -> Told:
    """Return a page of your log, newest first."""
    try:
        asked = PuttsQuery.model_validate(request.args.to_dict())
    except ValidationError as error:
        return _refused(error)
    lines, older = line_page(program().viewer, session(), asked.before or "")
    return jsonify(putts=lines, older=older or None)


@blueprint.post("/putts")
@limited
@asks("note")
@described(body=NewPutt, HTTP_201=(NotedPutt, "it is noted"))
def note() -> Told:
    """Note a putt in your log; the same id again is the same putt."""
    try:
        told = NewPutt.model_validate_json(request.get_data())
    except ValidationError as error:
        return _refused(error)
    try:
        noted = note_putt(
            program().viewer,
            session(),
            length_m=told.length_m,
            place=Place(told.course, told.green),
            result=_result(told),
            breaks={"left": -1, "on": 0, "right": 1}.get(told.breaks or ""),
            note=told.note,
            at=told.at,
            key=told.id,
        )
    except InvalidError as error:
        return fault(str(error), f"/{error.field}"), 422
    return jsonify(id=str(noted.key)), 201


def _result(told: NewPutt) -> Result:
    """Return how a putt ended; raises InvalidError for an end that none has."""
    if (told.finish_along_m is None) != (told.finish_right_m is None):
        raise InvalidError("finish_along_m", "A finish has both figures: beyond the hole, and to its right.")
    if told.finish_along_m is None or told.finish_right_m is None:
        return Result(told.holed)
    if told.holed:
        raise InvalidError("holed", "A ball that dropped has no finish.")
    return Result(False, Finish(told.finish_along_m, told.finish_right_m))


def _refused(error: ValidationError) -> Told:
    """Return what a program is told of what has not the form."""
    first = error.errors(include_url=False, include_input=False)[0]
    member = "".join(f"/{one}" for one in first["loc"])
    return fault(str(first["msg"]), member), 400


@blueprint.get("/openapi.json")
def openapi() -> Response:
    """Describe all of it."""
    return jsonify(document(current_app._get_current_object()))  # type: ignore[attr-defined]
