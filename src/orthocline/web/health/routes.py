"""For those who run it: does it live, is it ready, and what it counts."""

from flask import Blueprint, Response, jsonify

from orthocline.services.watching import unready
from orthocline.web.database import engine
from orthocline.web.watching import counted, may_watch

blueprint = Blueprint("health", __name__)
PROMETHEUS = "text/plain; version=0.0.4; charset=utf-8"


@blueprint.get("/healthz")
def lives() -> Response:
    """Say that this process answers, whatever the database does."""
    return jsonify(lives=True)


@blueprint.get("/readyz")
def ready() -> tuple[Response, int]:
    """Say whether golfers can be sent here, and if not why."""
    why = unready(engine())
    return jsonify(ready=not why, why=why), 503 if why else 200


@blueprint.get("/metrics")
@may_watch
def metrics() -> Response:
    """Return what all workers of this machine count, as Prometheus reads it."""
    return Response(counted(), content_type=PROMETHEUS)
