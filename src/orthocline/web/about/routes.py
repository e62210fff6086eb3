"""Cautions, keys, the published schema, and (in development) every component on one page."""

from flask import Blueprint, Response, abort, current_app, jsonify, render_template

from orthocline.formats.putt_document import SCHEMA_ID, schema

blueprint = Blueprint("about", __name__)


@blueprint.get("/cautions")
def cautions() -> str:
    """What the rules allow, what can hurt, and where the model ends."""
    return render_template("about/cautions.html")


@blueprint.get("/keys")
def keys() -> str:
    """The keys that do something, and whether the single ones do."""
    return render_template("about/keys.html")


@blueprint.get(f"/{SCHEMA_ID}")
def putt_schema() -> Response:
    """The JSON Schema of the putt document."""
    return jsonify(schema())


@blueprint.get("/components")
def components() -> str:
    """Every component, for those who build them."""
    if not current_app.debug and not current_app.testing:
        abort(404)
    return render_template("about/components.html")
