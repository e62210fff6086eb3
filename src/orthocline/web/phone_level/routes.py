"""The phone as a level: a page, and a simulated phone for the desk."""

import math

from flask import Blueprint, redirect, render_template, request, url_for
from werkzeug.wrappers import Response

from orthocline.services.ground.phone_level import LARGEST_SEED, read_level, simulated_phone, some_seed
from orthocline.web.identity import viewer, wording
from orthocline.web.page import is_part
from orthocline.web.phone_level.forms import LevelForm
from orthocline.web.phone_level.view import ENDS, LevelView

blueprint = Blueprint("phone_level", __name__)


@blueprint.get("/level")
def page() -> tuple[str, int]:
    """What two readings of a phone say of the ground; refused in Competition."""
    form = LevelForm(request.args, meta={"wording": wording()})
    readable = form.validate()
    found = read_level(viewer(), form.laid.figure, form.turned.figure)
    seed = _seed()
    hidden = simulated_phone(viewer(), seed)[0] if seed and request.args.get("reveal") else None
    way = form.way.data if form.way.data in ENDS else "across"
    seen = LevelView(found if readable else None, way, form.read.data or "", hidden, wording())
    part = is_part()
    template = "phone_level/_part.html" if part else "phone_level/page.html"
    said = render_template(template, view=seen, form=form, seed=seed, part=part)
    return said, 200 if readable else 422


@blueprint.get("/level/simulated")
def simulated() -> Response:
    """Lay a simulated phone on a hidden place, and go to what it shows; refused in Competition."""
    seed = some_seed(viewer())
    laid, turned = (f"{math.degrees(one):.2f} deg" for one in simulated_phone(viewer(), seed)[1])
    way, read = request.args.get("way"), request.args.get("read")
    address = url_for("phone_level.page", laid=laid, turned=turned, seed=seed, way=way, read=read)
    return redirect(address, 303)


def _seed() -> int | None:
    text = request.args.get("seed", "")
    return int(text) if text.isdecimal() and 0 < int(text) <= LARGEST_SEED else None
