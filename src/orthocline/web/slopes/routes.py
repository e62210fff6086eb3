"""The slope trainer on the green: a guess first, then the level; both are kept as a pair."""

from typing import Any
from urllib.parse import urlencode

from flask import Blueprint, flash, redirect, render_template, request, url_for
from flask_login import login_required
from werkzeug.datastructures import MultiDict
from werkzeug.wrappers import Response

from orthocline.services.account.trials import add_slope_pair
from orthocline.services.errors import InvalidError
from orthocline.services.train.putts import open_trainer
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.once import entry_key
from orthocline.web.security import read_limit
from orthocline.web.slopes.forms import GuessForm, PairForm
from orthocline.web.slopes.view import SlopesView
from orthocline.wording.train.slopes import kept_words

blueprint = Blueprint("slopes", __name__)
Page = str | Response | tuple[str, int]


@blueprint.get("/train/slopes")
@login_required
@read_limit
def page() -> Page:
    """Guess, or lay the level where one guessed; refused in Competition."""
    open_trainer(viewer())
    form = PairForm(MultiDict(request.args), meta={"wording": wording(), "csrf": False})
    guess = GuessForm(MultiDict(request.args), meta={"wording": wording(), "csrf": False})
    guessed = "guess" in request.args and guess.validate()
    return _page(form if guessed else guess, guessed=guessed)


@blueprint.post("/train/slopes")
@login_required
@read_limit
def keep() -> Page:
    """Keep a guess with what the level read in the same place."""
    form = PairForm(meta={"wording": wording()})
    if not form.validate():
        return _page(form, guessed=not form.guess.errors, status=422)
    guess, level = form.guess.figure or 0.0, form.level_slope
    try:
        add_slope_pair(
            *(viewer(), session()),
            sense=form.sense.data,
            guess=guess,
            level=level,
            way=form.way.data,
            key=entry_key(),
        )
    except InvalidError as error:
        form.level.errors = [str(error)]
        return _page(form, guessed=True, status=422)
    flash(kept_words(form.sense.data, guess, level, wording()))
    return redirect(url_for(".page", sense=form.sense.data, way=form.way.data), 303)


def _page(form: GuessForm, *, guessed: bool, status: int = 200) -> Page:
    own = measures()
    assert own is not None, "signed in"
    errand: dict[str, Any] = {"pair": urlencode(dict(form.guessed)), "way": _laid(form.way.data)}
    phone, simulated = (url_for(one, **errand) for one in ("phone_level.page", "laid.page"))
    view = SlopesView(own, wording(), form.sense.data or "feet", guessed, phone, simulated)
    return render_template("slopes/page.html", view=view, form=form), status


def _laid(way: str | None) -> str:
    return "along" if way in ("toes", "heels") else "across"
