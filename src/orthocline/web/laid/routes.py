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


@blueprint.get("/train/stand-in/ground")
@read_limit
def page() -> str | Response:
    """What an instrument reads on a hidden putt, and the way back with it; refused in Competition."""
    errand, seed = errand_of(request.args, wording()), seed_in(request.args)
    if seed is None:
        fields: dict[str, Any] = {**request.args.to_dict(), "seed": some_seed(viewer())}
        return redirect(url_for(".page", **fields), 303)
    lay, other = _lay(errand.share), None
    if lay.by == "plate":
        laid = Laid("plate", lay.way, fall_rad=plate_laid(viewer(), seed, lay))
    else:
        laid, other = _levels(seed, lay)
    shown = hidden_place(viewer(), seed, lay.share) if "reveal" in request.args else None
    noted = request.args.get("noted", "")
    other = other if errand.straight else None
    view = LaidView(seed, putt_at_hand(viewer(), seed), lay, laid, other, errand, noted, shown, wording())
    return render_template("laid/page.html", view=view)


def _levels(seed: int, lay: Lay) -> tuple[Laid, Laid]:
    """Return what a level shows as it is laid, and the other way."""
    ways = (lay.way, "along" if lay.way == "across" else "across")
    laid, other = (Laid(lay.by, way, level_laid(viewer(), seed, replace(lay, way=way))) for way in ways)
    return laid, other


def _lay(share: float) -> Lay:
    by, time = request.args.get("by", ""), request.args.get("time", "1")
    number = int(time) if time.isdecimal() and len(time) < len(str(MOST_TIMES)) + 1 else 1
    way = "along" if request.args.get("way") == "along" else "across"
    return Lay(by if by in LAID_WORDS and by != "phone" else "level", way, share, max(number, 1))
