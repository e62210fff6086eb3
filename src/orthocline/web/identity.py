"""Who is asking, and in which mode."""

from collections.abc import Callable
from datetime import UTC, datetime
from functools import wraps
from typing import Any, Final, ParamSpec, TypeVar, cast

from flask import g, request
from flask import session as cookie
from flask_login import LoginManager, UserMixin, current_user, login_required, login_user, logout_user
from flask_wtf.csrf import generate_csrf
from werkzeug.wrappers import Response

from orthocline.services.account.access import Key, Share, Viewer
from orthocline.services.account.accounts import Golfer, golfer_in_session, live_where_seen
from orthocline.services.account.competition import mode_until
from orthocline.services.account.measures import Measures, own_measures, wording_of
from orthocline.web.database import is_away, session
from orthocline.wording.wording import USUAL_WORDING, Wording

Asked = ParamSpec("Asked")
Answer = TypeVar("Answer")
login_manager = LoginManager()
COMPETITION: Final = "competition_until"
"""Where a visitor's cookie says until when they are in Competition."""

KEYS: Final = "keys"
"""Where a browser's cookie has what links opened."""
MOST_KEYS: Final = 20


class User(UserMixin):
    """A signed-in golfer, as Flask-Login wants one."""

    def __init__(self, golfer: Golfer) -> None:
        self.golfer = golfer
        self.id = f"{golfer.id}.{golfer.session_version}"


@login_manager.user_loader
def _load(user_id: str) -> User | None:
    """Return the golfer whose session it is, unless all of theirs were ended since."""
    number, _, version = user_id.partition(".")
    golfer = golfer_in_session(session(), int(number), version) if number.isdecimal() else None
    return User(golfer) if golfer else None


def sign_in_as(golfer: Golfer, *, stays: bool = False) -> None:
    """Begin a session of a golfer's own: nothing that was in the cookie before stays.

    It ends with the browser, or where it `stays` after a month: a phone closes its browser by itself.
    """
    cookie.clear()
    if stays:
        cookie.permanent = True
    g.pop("csrf_token", None)  # made for the session before
    g.pop("viewer", None)
    login_user(User(golfer))
    # From the beginning, so that pages asked for at once make no two of them.
    generate_csrf()
    live_where_seen(Viewer(golfer), request.form.get("time_zone", ""))


def sign_out_here() -> None:
    """End the session of this browser, with all that is in its cookie."""
    logout_user()
    cookie.clear()
    g.pop("viewer", None)


def keep_private(response: Response) -> Response:
    """Let nobody who comes after find a signed-in golfer's page in the browser's store.

    A file that ships with the application asks for nobody, and may be kept.
    """
    if "_login_user" in g and g._login_user.is_authenticated:
        response.headers["Cache-Control"] = "no-store"
    return response


def leave_cookie(response: Response) -> Response:
    """Let the session's cookie stay as it is: what is asked in the background crosses no signing in."""
    cookie.modified = False
    return response


def signed_in() -> Golfer | None:
    """Return the golfer who is signed in, if anybody is and it can be known."""
    if is_away():
        return None
    user: Any = current_user
    return user.golfer if user.is_authenticated else None


def viewer() -> Viewer:
    """Return whoever asks, in the mode of the golfer or of a visitor's browser as the request came."""
    if "viewer" not in g:
        who = signed_in()
        until = who.competition_until if who else _visitors_end()
        now = datetime.now(UTC)
        g.viewer = Viewer(who, mode_until(until, now), keys=_keys(now))
    return cast(Viewer, g.viewer)


def _visitors_end() -> datetime | None:
    """Return until when a visitor's browser is in Competition; the cookie is signed, and read with care."""
    try:
        return datetime.fromisoformat(cookie.get(COMPETITION, ""))
    except ValueError:
        return None


def hold_key(giver_id: int, version: int, single: tuple[Share, int], ends_at: datetime) -> None:
    """Keep in this browser's cookie what a link opens, until its end; of many the newest."""
    new = [giver_id, version, single[0].value, single[1], int(ends_at.timestamp())]
    kept = [one for one in cookie.get(KEYS, ()) if one[:4] != new[:4]]
    cookie[KEYS] = [*kept, new][-MOST_KEYS:]
    g.pop("viewer", None)


def _keys(now: datetime) -> tuple[Key, ...]:
    """Return what links put into this browser that has not ended; the cookie is signed."""
    held = [one for one in cookie.get(KEYS, ()) if one[4] > now.timestamp()]
    return tuple(Key(giver, version, Share(what), number) for giver, version, what, number, _ in held)


def admitted(view: Callable[Asked, Answer]) -> Callable[Asked, Answer]:
    """Ask a stranger to sign in, unless a link let them in: what it opens the service knows."""
    sign_in_first = login_required(view)

    @wraps(view)
    def checked(*args: Asked.args, **more: Asked.kwargs) -> Answer:
        opened = any(key.number in more.values() for key in viewer().keys)
        return (view if opened else sign_in_first)(*args, **more)

    return checked


def measures() -> Measures | None:
    """Return the signed-in golfer's own measures, looked up once a request."""
    who = viewer()
    if who.golfer is None:
        return None
    if "measures" not in g:
        g.measures = own_measures(who, session())
    return cast(Measures, g.measures)


def wording() -> Wording:
    """Return how whoever asks says and types figures."""
    own, who = measures(), signed_in()
    return wording_of(own, who.time_zone) if own and who else USUAL_WORDING
