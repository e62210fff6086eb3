"""What is said and counted of every request: a line of JSON, how long it took, and slow queries."""

import hmac
import os
import re
from collections.abc import Callable, Iterator
from functools import wraps
from time import perf_counter
from typing import Any, Final, ParamSpec, TypeVar
from uuid import uuid4

import structlog
from flask import Flask, abort, current_app, g, has_request_context, request
from prometheus_client import REGISTRY, CollectorRegistry, Counter, Gauge, Histogram, generate_latest
from prometheus_client.core import GaugeMetricFamily, Metric
from prometheus_client.multiprocess import MultiProcessCollector
from sqlalchemy import Engine
from sqlalchemy.exc import SQLAlchemyError
from werkzeug.wrappers import Response

from orthocline.services.watching import time_queries, work_to_do
from orthocline.web.database import engine
from orthocline.web.gate import CAME
from orthocline.web.settings import COUNTS

Asked = ParamSpec("Asked")
Answer = TypeVar("Answer")
ID_HEADER: Final = "X-Request-ID"
GIVEN_ID: Final = re.compile(r"[0-9A-Za-z-]{8,64}")
"""What a proxy in front may call a request."""
UNWATCHED: Final = ("static", "health.lives", "health.ready", "health.metrics")
"""What is asked so often and says so little that no line is written of it."""
NOWHERE: Final = "(nothing there)"
METHODS: Final = ("GET", "HEAD", "POST", "OPTIONS")
HERE: Final = ("127.0.0.1", "::1")
STEPS_S: Final = (0.005, 0.01, 0.025, 0.05, 0.1, 0.15, 0.25, 0.5, 1.0, 2.5, 5.0)
PAGE_BYTES: Final = os.sysconf("SC_PAGE_SIZE")

REQUESTS = Counter("orthocline_requests", "Requests answered", ["method", "route", "status"])
SECONDS = Histogram("orthocline_request_seconds", "Time of an answer", ["route"], buckets=STEPS_S)
QUERIES = Histogram("orthocline_query_seconds", "Time of a query", buckets=STEPS_S)
SLOW = Counter("orthocline_slow_queries", "Queries that were slow")
RESIDENT = Gauge("orthocline_worker_resident_bytes", "Memory of a worker", multiprocess_mode="liveall")
log = structlog.get_logger("orthocline.web")


def init_app(app: Flask) -> None:
    """Number every request, time it, and say and count it when it is answered."""
    app.before_request(_begin)
    app.after_request(_end)


def watch_queries(app: Flask, pool: Engine) -> None:
    """Count the time of every query, and say which were slow."""
    slow_s = app.config["SLOW_MS"] / 1000.0

    def told(statement: str, seconds: float) -> None:
        QUERIES.observe(seconds)
        if has_request_context() and "began" in g:
            g.queries, g.query_s = g.queries + 1, g.query_s + seconds
        if seconds >= slow_s:
            SLOW.inc()
            log.warning("slow query", ms=_ms(seconds), query=statement)

    time_queries(pool, told)


def request_id() -> str:
    """Return what this request is called in the log."""
    return str(g.get("request_id", ""))


def may_watch(view: Callable[Asked, Answer]) -> Callable[Asked, Answer]:
    """Let in who asks from this machine, or shows the token that is set; to others there is nothing."""

    @wraps(view)
    def checked(*args: Asked.args, **more: Asked.kwargs) -> Answer:
        given, wanted = request.authorization, current_app.config["METRICS_TOKEN"]
        shown = given.token if given is not None and given.type == "bearer" else None
        holds = bool(wanted and shown) and hmac.compare_digest(str(shown).encode(), wanted.encode())
        if not holds and request.remote_addr not in HERE:
            abort(404)
        return view(*args, **more)

    return checked


def counted() -> bytes:
    """Return what all workers of this machine count, and what the database says of the work to do."""
    registry = REGISTRY
    if COUNTS in os.environ:
        registry = CollectorRegistry()
        MultiProcessCollector(registry)
    work = CollectorRegistry()
    work.register(_Work(engine()))
    return generate_latest(registry) + generate_latest(work)


class _Work:
    """What the database says: whether it answers, and what waits."""

    def __init__(self, pool: Engine) -> None:
        self._pool = pool

    def collect(self) -> Iterator[Metric]:
        """Yield it."""
        try:
            work = work_to_do(self._pool)
        except SQLAlchemyError:
            yield GaugeMetricFamily("orthocline_database_up", "Whether the database answers", 0.0)
            return
        yield GaugeMetricFamily("orthocline_database_up", "Whether the database answers", 1.0)
        jobs = GaugeMetricFamily("orthocline_jobs", "Jobs that are not done", labels=["state"])
        jobs.add_metric(["waiting"], work.waiting)
        jobs.add_metric(["running"], work.running)
        yield jobs
        yield GaugeMetricFamily("orthocline_oldest_job_seconds", "How long a job waits", work.oldest_s)


def _begin() -> None:
    given = request.headers.get(ID_HEADER, "") if current_app.config["PROXIES"] else ""
    g.request_id = given if GIVEN_ID.fullmatch(given) else uuid4().hex
    now = perf_counter()
    g.began, g.queries, g.query_s = request.environ.get(CAME, now), 0, 0.0
    g.waited_s = now - g.began
    structlog.contextvars.clear_contextvars()
    structlog.contextvars.bind_contextvars(request_id=g.request_id)


def _end(response: Response) -> Response:
    if "began" not in g:
        return response
    response.headers[ID_HEADER] = g.request_id
    seconds = perf_counter() - g.began
    route = str(request.url_rule) if request.url_rule else NOWHERE
    method = request.method if request.method in METHODS else "other"
    REQUESTS.labels(method, route, response.status_code).inc()
    SECONDS.labels(route).observe(seconds)
    RESIDENT.set(_resident_bytes())
    if request.endpoint not in UNWATCHED:
        told: dict[str, Any] = {"method": method, "route": route, "status": response.status_code}
        told |= {"ms": _ms(seconds), "waited_ms": _ms(g.waited_s)}
        log.info("request", **told, queries=g.queries, query_ms=_ms(g.query_s))
    return response


def _ms(seconds: float) -> float:
    return round(1000.0 * seconds, 1)


def _resident_bytes() -> int:
    with open("/proc/self/statm", "rb") as told:
        return int(told.read().split()[1]) * PAGE_BYTES
