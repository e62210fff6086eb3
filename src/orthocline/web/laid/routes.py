"""A simulated level, plate or phone on a hidden putt: one address."""

from dataclasses import replace
from typing import Any

from flask import Blueprint, redirect, render_template, request, url_for
from werkzeug.wrappers import Response

from orthocline.services.train.stand_in import (
    Lay,
    hidden_place,
    level_laid,
    plate_laid,
    putt_at_hand,
    some_seed,
)
from orthocline.web.identity import viewer, wording
from orthocline.web.laid.view import LaidView
from orthocline.web.security import read_limit
from orthocline.web.shared.errand import Laid, errand_of
from orthocline.web.shared.seeds import seed_in
from orthocline.wording.train.laid import LAID_WORDS

blueprint = Blueprint("laid", __name__)
MOST_TIMES = 99
OTHER_WAY = {"across": "along", "along": "across"}


@blueprint.get("/train/stand-in/ground")
@read_limit
def page() -> str | Response:
    """What an instrument reads on a hidden putt, and the way back with it; refused in Competition."""
    errand, seed = errand_of(request.args, wording()), seed_in(request.args)
    if seed is None:
        lies = {name: request.args[name] for name in ("by", "way") if name in request.args}
        fields: dict[str, Any] = {**errand.fields, **lies, "seed": some_seed(viewer())}
        return redirect(url_for(".page", **fields), 303)
    lay = _lay(errand.share)
    laid, both = _laid(seed, lay), errand.straight and lay.by != "plate"
    other = _laid(seed, replace(lay, way=OTHER_WAY[lay.way])) if both else None
    shown = hidden_place(viewer(), seed, lay.share) if "reveal" in request.args else None
    noted = request.args.get("noted", "")
    view = LaidView(seed, putt_at_hand(viewer(), seed), lay, laid, other, errand, noted, shown, wording())
    return render_template("laid/page.html", view=view)


def _laid(seed: int, lay: Lay) -> Laid:
    if lay.by == "plate":
        return Laid("plate", lay.way, fall_rad=plate_laid(viewer(), seed, lay))
    return Laid(lay.by, lay.way, level_laid(viewer(), seed, lay))


def _lay(share: float) -> Lay:
    by, time = request.args.get("by", ""), request.args.get("time", "1")
    number = int(time) if time.isdecimal() and len(time) < len(str(MOST_TIMES)) + 1 else 1
    way = "along" if request.args.get("way") == "along" else "across"
    return Lay(by if by in LAID_WORDS and by != "phone" else "level", way, share, max(number, 1))
