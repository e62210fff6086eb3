"""Stand-ins for the desk: one address, in which all balls stand."""

import math
from collections.abc import Sequence

from flask import Blueprint, redirect, render_template, request, url_for
from werkzeug.datastructures import MultiDict
from werkzeug.wrappers import Response

from orthocline.core.account import GOLFERS
from orthocline.core.roll import Read
from orthocline.services.account.measures import golfer_of, own_tempo
from orthocline.services.train.stand_in import Struck, hidden_putt, rollers_on, some_seed, strokes_on
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.security import read_limit
from orthocline.web.shared.seeds import seed_in
from orthocline.web.stand_in.forms import BallForm, launch_of, swing_of
from orthocline.web.stand_in.view import MOST_BALLS, StandInView

blueprint = Blueprint("stand_in", __name__)
Figures = tuple[float, float, float]
LONGEST_M = {"stroke": 1.6, "roller": 31.0}
LATEST_S, WIDEST_M = 1.0, 5.0
"""No ball of an address has larger figures."""


@blueprint.get("/train/stand-in")
@read_limit
def page() -> str | Response | tuple[str, int]:
    """A hidden putt and the balls on it; refused in Competition."""
    seed = seed_in(request.args)
    if seed is None:
        return redirect(url_for(".page", seed=some_seed(viewer())), 303)
    usual = {"golfer": golfer_of(measures()).level, **request.args.to_dict()}
    form = BallForm(MultiDict(usual), meta={"wording": wording()})
    solved, kept = hidden_putt(viewer(), seed), _kept(request.args.getlist("ball"), form.by.data or "")
    readable = form.validate()
    added = form.figures if readable and len(kept) < MOST_BALLS else None
    balls = [*kept, added] if added else kept
    view = StandInView(
        seed,
        solved,
        _rolled(form, solved, balls, seed),
        [",".join(f"{one:.6g}" for one in ball) for ball in balls],
        form.by.data or "",
        form.golfer.data or "",
        own_tempo(measures()).beat_s,
        "shown" in request.args,
        wording(),
    )
    return render_template("stand_in/page.html", view=view, form=form), 200 if readable else 422


def _rolled(form: BallForm, solved: Read, balls: Sequence[Figures], seed: int) -> list[Struck]:
    if form.by.data == "roller":
        return rollers_on(viewer(), solved, [launch_of(one, solved) for one in balls])
    golfer = GOLFERS.get(form.golfer.data or "", golfer_of(measures()).golfer)
    swings = [swing_of(one, solved) for one in balls]
    return strokes_on(viewer(), solved, swings, measures(), own_tempo(measures()), golfer, seed)


def _kept(texts: list[str], by: str) -> list[Figures]:
    """Return the balls of an address; what is none is left out."""
    limits = LONGEST_M.get(by, LONGEST_M["stroke"]), LATEST_S, WIDEST_M
    found = (_figures(text, limits) for text in texts[:MOST_BALLS])
    return [one for one in found if one]


def _figures(text: str, limits: Figures) -> Figures | None:
    try:
        length, late, aim = (float(part) for part in text.split(","))
    except ValueError:
        return None
    told = zip((length, late, aim), limits, strict=True)
    sane = all(math.isfinite(one) and abs(one) <= most for one, most in told)
    return (length, late, aim) if sane and length > 0.0 else None
