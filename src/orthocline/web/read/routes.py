"""Read a putt: one address, as a page, as the part that changes, and as the roll to watch."""

from collections.abc import Mapping, Sequence
from datetime import UTC, datetime
from urllib.parse import urlencode

from flask import (
    Blueprint,
    Response,
    flash,
    jsonify,
    make_response,
    redirect,
    render_template,
    request,
    url_for,
)
from flask_login import login_required
from werkzeug.wrappers import Response as AnyResponse

from orthocline.core.learning import Correction
from orthocline.core.roll import Read
from orthocline.drawing.roll.hole_frame import way_spots
from orthocline.drawing.roll.plan import plan
from orthocline.services.account.measures import first_calls, golfer_figures, keep_calls, own_tempo
from orthocline.services.errors import InvalidError
from orthocline.services.log.entries import OwnKept
from orthocline.services.log.habits import correction_meant, corrections_on
from orthocline.services.log.noting import save_read, turn_now
from orthocline.services.read.bend import set_bend
from orthocline.services.read.reading import compare_own, read_putt, read_to_roll
from orthocline.services.speed.book import usual_speed_ft
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.once import entry_key, typed_fields
from orthocline.web.page import is_part
from orthocline.web.read.calls_view import chosen
from orthocline.web.read.view import view
from orthocline.web.security import read_limit
from orthocline.web.shared.asked import Asked, asked
from orthocline.web.shared.lies import own_greens
from orthocline.web.shared.read_address import demo_values
from orthocline.web.shared.read_request import ReadRequest
from orthocline.web.shared.read_start import own_pasts, start_values
from orthocline.wording.calls.answers import parse_answer
from orthocline.wording.quantities import QuantityError

blueprint = Blueprint("read", __name__)
ROLL_RATE_HZ = 30


@blueprint.get("/read")
@read_limit
def page() -> Response:
    """The read of the putt in the address."""
    now = datetime.now(UTC)
    wanted = _asked(request.args)
    seen = view(viewer(), wanted, measures(), now, _usual_ft, _corrections())
    template = "read/page.html"
    if is_part():
        template = "read/_frame.html" if wanted.read and wanted.read.held else "read/_part.html"
    status = 200 if wanted.read else 422
    response = make_response(
        render_template(template, view=seen, demo_putt=lambda: demo_values(wording(), now)), status
    )
    response.vary.add("HX-Request")
    if is_part():
        _guide_htmx(response, wanted)
    return response


def _asked(arguments: Mapping[str, str]) -> Asked:
    """Return what whoever asks wants to read, from where their reads start."""
    return asked(arguments, wording(), start_values(), own_pasts(), own_greens)


def _guide_htmx(response: Response, wanted: Asked) -> None:
    """Keep the last drawing where nothing can be read; else let the address follow, unless dragging."""
    if wanted.read is None:
        response.headers["HX-Reswap"] = "none"
    elif wanted.read.held is None:
        response.headers["HX-Replace-Url"] = f"{url_for('read.page')}?{wanted.read.query}"


def _corrections() -> Sequence[Correction]:
    own = measures()
    return corrections_on(viewer(), session()) if own and own.learnt_by is not None else ()


def _usual_ft() -> float | None:
    who = viewer()
    return usual_speed_ft(who, session()) if who.golfer else None


@blueprint.get("/read/roll")
@read_limit
def roll() -> Response | tuple[Response, int]:
    """The ball's way in real time, in units of the drawing; refused in Competition."""
    wanted = _asked(request.args)
    if wanted.putt is None:
        return jsonify(errors=wanted.errors), 422
    solved = read_to_roll(viewer(), wanted.putt)
    frame = plan(solved.putt, solved, wording()).frame
    end = min(solved.aim.time_to_hole_s, solved.track.duration_s)
    rows = solved.track.even_times(0.0, end, max(2, int(end * ROLL_RATE_HZ)))
    spots = way_spots(solved.putt, rows[:, 1:3], frame)
    return jsonify(
        duration_s=round(end, 3), spots=spots.round(1).tolist(), beat_s=own_tempo(measures()).beat_s
    )


def _own_kept(solved: Read, read: ReadRequest) -> OwnKept:
    """Return what the golfer read before the call was shown; the aim where the own read means one."""
    rolled = compare_own(viewer(), solved, read.own, golfer_figures(measures())) if read.own else None
    if rolled is None or read.own is None or not read.own.school.of_aim:
        return OwnKept(None, read.own, read.impression_m)
    meant = correction_meant(_corrections(), solved, read.own.name)
    return OwnKept(rolled.aim_right_m, read.own, read.impression_m, meant.factor if meant else None)


@blueprint.post("/read/calls")
@read_limit
def calls() -> AnyResponse:
    """Choose which calls lead: kept for a golfer, in the address for a visitor."""
    fields = dict(typed_fields())
    wanted, edit = _asked(fields), fields.get("edit", "")
    if wanted.read is None:
        return redirect(f"{url_for('read.page')}?{urlencode(wanted.typed)}", 303)
    own = wanted.read.calls
    first = None if edit == "usual" else chosen(first_calls(measures()) if own is None else own, edit)
    if viewer().golfer:
        keep_calls(viewer(), session(), first)
    led = wanted.read.led_by(None if viewer().golfer else first)
    return redirect(f"{url_for('read.page')}?{led.query}", 303)


@blueprint.post("/read/bend")
@login_required
@read_limit
def bend() -> AnyResponse:
    """Set the bend of the hand gauge on this putt: so many fingers met its aim."""
    fields = dict(typed_fields())
    wanted, typed = _asked(fields), fields.get("fingers", "")
    address = f"{url_for('read.page')}?{wanted.read.query if wanted.read else urlencode(wanted.typed)}"
    if wanted.putt is not None:
        try:
            (fingers,) = parse_answer("hand_gauge", typed, 1.0, wording())
            set_bend(viewer(), session(), wanted.putt, fingers)
            flash("Kept. The hand gauge goes by it, on every green.")
        except QuantityError as error:
            flash(f"The fingers, typed as “{typed}”, {error}.")
        except InvalidError as error:
            flash(f"Typed as “{typed}”: {error}")
    return redirect(address, 303)


@blueprint.post("/log")
@read_limit
def save() -> AnyResponse:
    """Save the read in the form; its finish is asked for next."""
    wanted = _asked(dict(typed_fields()))
    address = f"{url_for('read.page')}?{wanted.read.query if wanted.read else urlencode(wanted.typed)}"
    if viewer().golfer is None:
        return redirect(url_for("account.sign_in", next=address), 303)
    if wanted.read is None or wanted.putt is None:
        return redirect(address, 303)
    solved, now = read_putt(viewer(), wanted.putt), datetime.now(UTC)
    putt = save_read(
        viewer(),
        session(),
        solved,
        place=wanted.read.place,
        own=_own_kept(solved, wanted.read),
        uncertainty=wanted.read.uncertainty(now),
        turn=turn_now(viewer(), session(), now, wanted.putt.length_m),
        key=entry_key(),
    )
    return redirect(url_for("noting.finish", putt_id=putt.id), 303)
