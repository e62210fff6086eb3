"""What every page needs: who, in which mode, and where in the application."""

from typing import Any

from flask import Response, current_app, make_response, render_template, request

from orthocline.web.identity import signed_in, viewer
from orthocline.web.once import form_guard
from orthocline.web.shipped import asset
from orthocline.wording.cautions import caution

NAVIGATION = (
    ("Today", "today.page"),
    ("Speed", "speed.page"),
    ("Greens", "greens.page"),
    ("Read", "read.page"),
    ("Log", "log.page"),
    ("Train", "train.page"),
)

SECTIONS = {
    **dict.fromkeys(("ramp", "other_methods"), "speed"),
    **dict.fromkeys(("along", "cards", "clubs", "course", "links", "prints", "pupils", "sharing"), "today"),
    **dict.fromkeys(("book", "green_files", "holes"), "greens"),
    **dict.fromkeys(("figures", "habits", "log_files", "noting", "rounds", "which_was_it"), "log"),
    **dict.fromkeys(
        ("drills", "laid", "practice", "reader", "slopes", "stand_in", "training_record"), "train"
    ),
    **dict.fromkeys(("balls", "eyes", "firm", "grain", "look", "phone_level", "schools", "straight"), "read"),
}
"""Features that belong to another one's place in the navigation."""


def is_part() -> bool:
    """Return whether htmx asks for a part of the page."""
    return request.headers.get("HX-Request") == "true"


def page_or_part(feature: str, view: Any, *, readable: bool, address: str = "", **more: Any) -> Response:
    """Return a feature's page, or for htmx the part that changes, with the address that it goes by then.

    `more` are further variables of its templates. What cannot be read is answered as such, and keeps the
    address that it had.
    """
    part = is_part()
    said = render_template(f"{feature}/{'_part' if part else 'page'}.html", view=view, **more)
    response = make_response(said, 200 if readable else 422)
    response.vary.add("HX-Request")
    if part and readable and address:
        response.headers["HX-Replace-Url"] = address
    return response


def fill_page() -> dict[str, Any]:
    """Return the variables of the frame of a page."""
    return {
        "asset": asset,
        "form_guard": form_guard,
        "navigation": NAVIGATION,
        "here": SECTIONS.get(request.blueprint or "", request.blueprint),
        "caution": caution(request.endpoint or ""),
        "who": (who := signed_in()),
        "initials": "".join(name[0].upper() for name in who.name.split()[:2]) if who else "",
        "keys_off": request.cookies.get("keys") == "0",
        "in_competition": viewer().in_competition,
        "demo": current_app.config["DEMO"],
    }
