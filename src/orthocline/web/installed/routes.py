"""What a browser needs to install the application and to keep its page for the course: open to anyone."""

import json
from hashlib import sha256

from flask import Blueprint, Response, render_template, url_for

from orthocline.web.identity import leave_cookie
from orthocline.web.shared.course_shell import course_shell
from orthocline.web.shipped import asset, shipped_addresses

blueprint = Blueprint("installed", __name__)
blueprint.after_request(leave_cookie)
PAPER = "#f6f1e7"
WORKBOX = ("core", "routing", "strategies", "precaching")
ICONS = (
    ("icon.svg", "any", "image/svg+xml", "any"),
    ("icons/192.png", "192x192", "image/png", "any"),
    ("icons/512.png", "512x512", "image/png", "any"),
    ("icons/whole.png", "512x512", "image/png", "maskable"),
)
"""File, size, type and purpose of each icon."""


@blueprint.get("/app.webmanifest")
def manifest() -> Response:
    """The manifest of the app."""
    return Response(_manifest(), mimetype="application/manifest+json")


@blueprint.get("/service-worker.js")
def service_worker() -> Response:
    """The script that keeps what is shipped on the phone: another one as soon as anything of it changes."""
    pages = {url_for("course.page"): course_shell(), url_for(".manifest"): _manifest()}
    kept = [
        *({"url": address, "revision": None} for address in shipped_addresses()),
        *({"url": address, "revision": _revision(said)} for address, said in pages.items()),
    ]
    scripts = [asset(f"workbox/workbox-{name}.prod.js") for name in WORKBOX]
    told = {"scripts": scripts, "kept": kept, "own": asset("worker.js")}
    said = render_template(
        "installed/service_worker.js", **{name: json.dumps(one) for name, one in told.items()}
    )
    response = Response(said, mimetype="text/javascript")
    response.headers["Cache-Control"] = "no-cache"
    return response


def _manifest() -> str:
    icons = [
        {"src": asset(name), "sizes": size, "type": kind, "purpose": purpose}
        for name, size, kind, purpose in ICONS
    ]
    told = {
        "id": "/",
        "name": "Orthocline",
        "short_name": "Orthocline",
        "description": "Where to aim a putt and how to pace it.",
        "start_url": url_for("today.page"),
        "scope": "/",
        "display": "standalone",
        "background_color": PAPER,
        "theme_color": PAPER,
        "icons": icons,
        "shortcuts": [{"name": "On the course", "url": url_for("course.page")}],
    }
    return json.dumps(told)


def _revision(said: str) -> str:
    return sha256(said.encode()).hexdigest()[:10]
