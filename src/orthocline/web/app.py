"""The application factory."""

from collections.abc import Mapping
from datetime import timedelta
from typing import Any

from flask import Flask, Response
from flask_compress import Compress
from flask_talisman import Talisman
from markupsafe import Markup
from werkzeug.middleware.proxy_fix import ProxyFix

from orthocline.drawing.scene import Scene
from orthocline.drawing.svg import svg
from orthocline.web import (
    about,
    account,
    along,
    api,
    balls,
    beat,
    book,
    cards,
    clubs,
    course,
    database,
    drills,
    errors,
    eyes,
    figures,
    firm,
    grain,
    green_files,
    greens,
    habits,
    health,
    holes,
    installed,
    jobs,
    laid,
    links,
    log,
    log_files,
    look,
    measures,
    mode,
    noting,
    other_methods,
    phone_level,
    practice,
    prints,
    pupils,
    ramp,
    read,
    reader,
    rounds,
    schools,
    sharing,
    slopes,
    speed,
    stand_in,
    straight,
    today,
    tokens,
    train,
    training_record,
    watching,
    which_was_it,
)
from orthocline.web.identity import keep_private, login_manager
from orthocline.web.page import fill_page
from orthocline.web.security import CONTENT_SECURITY_POLICY, admit_files, csrf, limiter
from orthocline.web.shared.numbers import RowNumber
from orthocline.web.shipped import may_be_kept, shipped_name
from orthocline.wording.figures import speed_text, tidy, unbroken

LEAST_SECRET = 32
KEPT_S = 31536000
"""A year."""
DEFAULTS: Mapping[str, Any] = {
    "DEMO": False,
    "SECURE": False,
    "PROXIES": 0,
    "ADDRESS": "",
    "SLOW_MS": 100,
    "METRICS_TOKEN": "",
    "TRUSTED_HOSTS": ["127.0.0.1", "localhost"],
    "MAX_CONTENT_LENGTH": 128 * 1024,
    "SESSION_COOKIE_SAMESITE": "Lax",
    "SESSION_COOKIE_HTTPONLY": True,
    # A session that stays is told so once: later answers could cross another signing in.
    "SESSION_REFRESH_EACH_REQUEST": False,
    "PERMANENT_SESSION_LIFETIME": timedelta(days=30),
    "WTF_CSRF_TIME_LIMIT": None,
    "RATELIMIT_STORAGE_URI": "database://",
    "COMPRESS_ALGORITHM": ["br", "gzip"],
    "COMPRESS_LEVEL": 1,
    "COMPRESS_MIMETYPES": ["text/html", "text/css", "text/javascript", "application/json", "image/svg+xml"],
}
FEATURES = (
    *(about, account, along, api, balls, beat, book, cards, clubs, course, drills, eyes, figures, firm),
    *(grain, green_files, greens, habits, health, holes, installed, jobs, laid, links, log, log_files, look),
    *(
        measures,
        mode,
        noting,
        other_methods,
        phone_level,
        practice,
        prints,
        pupils,
        ramp,
        read,
        reader,
        rounds,
    ),
    *(schools, sharing, slopes, speed, stand_in, straight, today, tokens, train, training_record),
    which_was_it,
)


class Application(Flask):
    """Flask, but only what carries its content's mark in its address (see `asset`), and type, may be kept."""

    def get_send_file_max_age(self, _filename: str | None) -> int | None:
        """Return for how many seconds a browser may keep a shipped file without asking."""
        return KEPT_S if may_be_kept() else None

    def send_static_file(self, filename: str) -> Response:
        """Return a shipped file by its marked name."""
        return super().send_static_file(shipped_name(filename))


def create_app(config: Mapping[str, Any]) -> Flask:
    """Return the application.

    Parameters
    ----------
    config : mapping
        ``SECRET_KEY`` (32 characters or more), ``DATABASE_URL``; ``DEMO`` (whether the demo golfer may be
        signed in by one button), ``PROXIES`` (how many stand in front and name the client), ``TRUSTED_HOSTS``
        (names that it is reached by), ``SECURE`` (cookies over TLS alone), ``ADDRESS`` (where phones reach
        it), ``SLOW_MS`` (a query of so long is said) and ``METRICS_TOKEN`` (lets others read what is
        counted). Others override `DEFAULTS`.

    Raises
    ------
    ValueError
        For a secret that is missing or too short. Nothing is connected to here.
    """
    app = Application(__name__)
    app.config.from_mapping(DEFAULTS, **config)
    if len(app.config.get("SECRET_KEY") or "") < LEAST_SECRET:
        raise ValueError(f"SECRET_KEY needs {LEAST_SECRET} random characters or more")
    app.url_map.converters["int"] = RowNumber
    app.jinja_options = {"trim_blocks": True, "lstrip_blocks": True}
    watching.init_app(app)
    # Its context processor would ask for the golfer on every page, also on those that must not.
    login_manager.init_app(app, add_context_processor=False)
    app.before_request(admit_files)
    csrf.init_app(app)
    limiter.init_app(app)
    Compress(app)
    secure, proxies = app.config["SECURE"], app.config["PROXIES"]
    app.config["SESSION_COOKIE_SECURE"] = secure
    if secure:
        app.config["SESSION_COOKIE_NAME"] = "__Host-session"
    # TLS ends at the proxy, which also sends the plain address on to the secure one.
    Talisman(
        app,
        content_security_policy=CONTENT_SECURITY_POLICY,
        force_https=False,
        session_cookie_secure=secure,
        strict_transport_security=secure,
    )
    if proxies:
        app.wsgi_app = ProxyFix(app.wsgi_app, x_for=proxies, x_proto=proxies)  # type: ignore[method-assign]
    app.after_request(keep_private)
    # Last, so that it commits before anything of the answer is written or compressed.
    watching.watch_queries(app, database.init_app(app))
    errors.init_app(app)
    app.context_processor(fill_page)
    app.jinja_env.policies["json.dumps_kwargs"] = {"separators": (",", ":")}
    app.add_template_filter(_placed, "svg")
    app.add_template_filter(speed_text)
    app.add_template_filter(tidy)
    app.add_template_filter(unbroken)
    for feature in FEATURES:
        app.register_blueprint(feature.blueprint)
    return app


def _placed(scene: Scene, classes: str) -> Markup:
    """Return a scene to stand in a page; what it says is escaped by its writer."""
    return Markup(svg(scene, classes))
