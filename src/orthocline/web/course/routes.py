"""On the course: a page that needs no signal, what a phone has to know, and what comes in from it."""

from datetime import UTC, datetime
from typing import Any

from flask import Blueprint, jsonify, request
from flask_login import login_required
from flask_wtf.csrf import generate_csrf
from werkzeug.wrappers import Response

from orthocline.formats.phone_document import UnreadableError, sent_of
from orthocline.services.account.access import Viewer
from orthocline.services.carry.arrivals import take_in
from orthocline.services.carry.pack import newest_pack
from orthocline.services.errors import ChangedError, DomainError, NotAllowedError, NotFoundError
from orthocline.services.log.noting import next_putt
from orthocline.services.log.outings import open_outing
from orthocline.web.database import session
from orthocline.web.identity import leave_cookie, viewer, wording
from orthocline.web.security import ENTRY_LIMIT, limiter
from orthocline.web.shared.course_shell import course_shell

blueprint = Blueprint("course", __name__)
blueprint.after_request(leave_cookie)
STATUS = {NotAllowedError: 403, NotFoundError: 404, ChangedError: 409}


@blueprint.get("/course")
def page() -> str:
    """The page for the course."""
    return course_shell()


@blueprint.get("/course/state")
def state() -> Response:
    """What a phone has to know while it has a signal: who asks, in which mode, and what is newest."""
    who, now = viewer(), datetime.now(UTC)
    told: dict[str, Any] = {"golfer": None, "sun": request.cookies.get("sun") == "1"}
    if who.golfer is not None:
        until = who.golfer.competition_until if who.in_competition else None
        units = wording().units
        told |= {
            "golfer": {"id": who.golfer.id, "name": who.golfer.name},
            "token": generate_csrf(),
            "competition_until": until.isoformat() if until else None,
            "pack": None if who.in_competition else newest_pack(who, session()),
            "units": {"metric": units.metric, "degrees": units.degrees},
            "round": _round(who, now),
        }
    return _fresh(jsonify(told))


@blueprint.post("/course/entries")
@limiter.limit(ENTRY_LIMIT)
@login_required
def enter() -> Response | tuple[Response, int]:
    """Keep one thing that was entered on a phone, once."""
    try:
        take_in(viewer(), session(), sent_of(request.get_data()))
    except UnreadableError as error:
        return jsonify(message=f"This cannot be read here: {error}"), 400
    except DomainError as error:
        choices = error.choices if isinstance(error, ChangedError) else {}
        return jsonify(message=str(error), choices=choices), STATUS.get(type(error), 422)
    return jsonify(kept=True)


def _round(who: Viewer, now: datetime) -> dict[str, Any] | None:
    """Return the round or practice that goes on, with the putt that comes next in it."""
    going = open_outing(who, session(), now)
    if going is None:
        return None
    turn = next_putt(who, session(), now, outing_id=going.id).turn
    return {
        "id": str(going.key),
        "kind": going.kind,
        "course": going.course.name if going.course else "",
        "competition": going.competition,
        "hole": turn.hole,
        "number": turn.number,
        "visit": str(turn.visit) if turn.visit else None,
    }


def _fresh(response: Response) -> Response:
    response.headers["Cache-Control"] = "no-store"
    return response
