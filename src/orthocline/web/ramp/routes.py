"""The ramp: one address, as a page, as the part that changes, and kept in the book."""

import secrets

from flask import Blueprint, make_response, redirect, render_template, request, url_for
from werkzeug.datastructures import MultiDict
from werkzeug.wrappers import Response

from orthocline.core.estimate import Estimate
from orthocline.services.account.access import require_open_play
from orthocline.services.errors import InvalidError
from orthocline.services.speed.book import last_sheet
from orthocline.web.database import session
from orthocline.web.identity import viewer, wording
from orthocline.web.page import is_part
from orthocline.web.ramp.forms import BACK, BACK_ASIDE, OUT, OUT_ASIDE, SEEDS
from orthocline.web.ramp.request import START, RampRequest, ramp_request
from orthocline.web.ramp.view import RampView, measured, view
from orthocline.web.security import read_limit
from orthocline.web.shared.save_forms import SaveForm
from orthocline.web.shared.save_speed import Page, read_address, save_form, save_speed
from orthocline.wording.speed.trueness import trueness_words

blueprint = Blueprint("ramp", __name__)
ANOTHER = "another"


@blueprint.get("/speed/ramp")
@read_limit
def page() -> Response:
    """The ramp of the address, its rolls and the speed they give."""
    require_open_play(viewer(), "Measuring green speed")
    wanted, changed = _wanted()
    if changed and not is_part():
        return redirect(f"{url_for('ramp.page')}?{wanted.sheet.query}", 303)
    seen = view(viewer(), wanted)
    response = make_response(_page(seen, save_form()), 422 if seen.errors else 200)
    response.vary.add("HX-Request")
    if is_part():
        response.headers["HX-Replace-Url"] = f"{url_for('ramp.page')}?{wanted.sheet.query}"
    return response


@blueprint.post("/speed/ramp")
def save() -> Page:
    """Keep the speed in the golfer's book."""
    wanted = ramp_request(MultiDict(request.form), wording(), _own_ramp())

    def find() -> Estimate:
        if wanted.errors:
            raise InvalidError("course", "Mend the marked figures first.")
        return measured(viewer(), wanted).speed_ft

    return save_speed(
        "ramp.page",
        wanted.sheet,
        "ramp",
        find,
        lambda form: _page(view(viewer(), wanted), form),
        trueness=wanted.trueness.rating if wanted.trueness else None,
    )


def _wanted() -> tuple[RampRequest, bool]:
    """Return what is asked for, and whether the simulated ramp added to it."""
    wanted, add = ramp_request(MultiDict(request.args), wording(), _own_ramp()), request.args.get("add", "")
    if add == ANOTHER:
        return wanted.on_another_green(SEEDS[0] + secrets.randbelow(SEEDS[1])), True
    return wanted.simulating(add), bool(add)


def _own_ramp() -> dict[str, str]:
    """Return the figures of the ramp that the golfer used last, for a page that does not give any."""
    who = viewer()
    if who.golfer is None or who.in_competition or set(START) <= set(request.values):
        return {}
    sheet = last_sheet(who, session(), "ramp")
    used = dict(sheet.fields) if sheet else {}
    return {name: used[name] for name in START if name in used}


def _page(seen: RampView, form: SaveForm) -> str:
    template = "ramp/_part.html" if is_part() else "ramp/page.html"
    onward = read_address(seen.speed.speed_ft, "ramp") if seen.speed else ""
    return render_template(
        template,
        view=seen,
        save=form,
        wording=wording(),
        kinds=(OUT, BACK, OUT_ASIDE, BACK_ASIDE),
        trueness_words=trueness_words,
        read_with=onward,
    )
