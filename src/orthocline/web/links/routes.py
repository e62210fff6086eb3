"""Single things by link: given by a golfer, opened by anybody until it ends."""

from collections.abc import Mapping
from datetime import UTC, datetime
from urllib.parse import urlsplit

from flask import Blueprint, current_app, flash, redirect, render_template, url_for
from flask_login import login_required
from werkzeug.exceptions import NotFound
from werkzeug.wrappers import Response

from orthocline.services.errors import InvalidError
from orthocline.services.share.links import LIVES, give_link, giver_of, shared_by, withdraw_links
from orthocline.web.database import session
from orthocline.web.identity import hold_key, viewer, wording
from orthocline.web.once import typed_fields
from orthocline.web.shared.asked import asked
from orthocline.web.shared.lies import own_greens
from orthocline.web.shared.numbers import number_asked
from orthocline.web.shared.pocket import link_of, take_challenge, token_of
from orthocline.web.shared.read_start import own_pasts, start_values

blueprint = Blueprint("links", __name__)
Page = str | Response | tuple[str, int]
USUAL_DAYS = 7
KINDS = ("read", "challenge", "green")


@blueprint.post("/links/<any(read, challenge, green):kind>")
@login_required
def give(kind: str) -> Page:
    """Make a link, and show it."""
    days = number_asked("days") or USUAL_DAYS
    try:
        return _give(kind, dict(typed_fields()), days)
    except InvalidError as error:
        return render_template("links/refused.html", why=str(error)), 422


def _give(kind: str, fields: Mapping[str, str], days: int) -> str:
    green_id, question_id = number_asked("green"), number_asked("question")
    if kind == "read":
        address, green_id = _read_address(fields)
    elif kind == "green":
        green_id = green_id or 0
        address = url_for("greens.green", green_id=green_id)
    else:
        address = _challenge_address(fields.get("at", ""))
    link = give_link(
        *(viewer(), session(), kind, address, datetime.now(UTC), days),
        green_id=green_id,
        question_id=question_id if kind == "challenge" else None,
    )
    token = token_of(link, current_app.config["SECRET_KEY"])
    return render_template(
        "links/given.html",
        kind=kind,
        address=url_for(".follow", token=token, _external=True),
        ends=wording().calendar.moment(link.ends_at),
        fields=[(name, text) for name, text in fields.items() if name != "days"],
        lives=LIVES,
        days=days,
        score=link.score,
    )


def _read_address(fields: Mapping[str, str]) -> tuple[str, int | None]:
    """Return where a read is, and the green that it lies on, if any."""
    wanted = asked(fields, wording(), start_values(), own_pasts(), own_greens)
    if wanted.read is None:
        raise InvalidError("read", next(iter(wanted.errors.values()), "There is no read to link to."))
    on = wanted.read.lie.on.green_id if wanted.read.lie else None
    return f"{url_for('read.page')}?{wanted.read.query}", on


def _challenge_address(at: str) -> str:
    """Return where a question is: it leads to the trainer, and nowhere else."""
    if urlsplit(at).path != url_for("train.putt") or not at.startswith("/train/"):
        raise InvalidError("at", "That is no question of the trainer.")
    return at


@blueprint.get("/shared/<token>")
def follow(token: str) -> Response:
    """Open what a link opens, for this browser, and go there."""
    link = link_of(token, current_app.config["SECRET_KEY"])
    name = giver_of(session(), link, datetime.now(UTC))
    if link.kind not in KINDS:
        raise NotFound
    single = shared_by(link)
    if single:
        hold_key(link.giver_id, link.version, single, link.ends_at)
    if link.kind == "challenge":
        take_challenge(link, name)
    until = wording().calendar.moment(link.ends_at)
    flash(f"{name} shows you this {'putt' if link.kind != 'green' else 'green'}, until {until}.")
    return redirect(link.address, 303)


@blueprint.post("/links/withdraw")
@login_required
def withdraw() -> Response:
    """Let all links that were given open nothing from now on."""
    withdraw_links(viewer())
    flash("All links that you gave are over.")
    return redirect(url_for("sharing.page"), 303)
