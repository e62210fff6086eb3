"""What guards every request: content policy, forged forms, and too many tries, counted by all workers."""

import hashlib
import time
from typing import Any

from flask import request
from flask_limiter import Limiter
from flask_limiter.util import get_remote_address
from flask_wtf import CSRFProtect
from limits.storage import Storage
from sqlalchemy.exc import SQLAlchemyError

from orthocline.formats.green_files.registry import LARGEST_BYTES
from orthocline.services.request_counts import count_request, forget_requests, requests_counted
from orthocline.services.text import tidy_text
from orthocline.web.database import engine
from orthocline.web.identity import signed_in

CONTENT_SECURITY_POLICY = {
    "default-src": "'self'",
    "img-src": "'self'",
    "object-src": "'none'",
    "base-uri": "'none'",
    "form-action": "'self'",
    "frame-ancestors": "'none'",
}
SIGN_IN_LIMIT = "10 per minute"
GUESS_LIMIT = "50 per hour"
"""So many wrong passwords are tried for one name, from wherever they come."""
EXPORT_LIMIT = "6 per minute"
ENTRY_LIMIT = "300 per minute"
"""A phone sends what waits on it one after another."""
READ_LIMIT = "60 per 6 seconds"
"""Ten a second, and sixty at once: more than a hand can drag."""

csrf = CSRFProtect()
limiter = Limiter(get_remote_address, in_memory_fallback_enabled=True)
file_limit = limiter.shared_limit("12 per minute", scope="files")
"""Decorates whatever reads a file."""
FILE_ENDPOINTS = ("account.bring", "green_files.give", "green_files.give_to", "log_files.give")
LINES_ENDPOINT, LARGEST_LINES = "api.reads", 1 << 30
"""What takes many documents, a line each, from programs with a token; it reads them once it knows whose."""
FILE_ARRIVAL_S = 600.0
"""A file has so long to arrive."""
FRAME_BYTES = 100_000
"""What stands round a file in a form."""


def admit_files() -> None:
    """Let golfers send what is larger than a form, and takes longer, where files are given."""
    if request.endpoint == LINES_ENDPOINT:
        request.max_content_length = LARGEST_LINES
    elif request.endpoint in FILE_ENDPOINTS and signed_in():
        request.max_content_length = LARGEST_BYTES + FRAME_BYTES
    else:
        return
    client = request.environ.get("gunicorn.socket")
    if client is not None and hasattr(client, "allow"):
        client.allow(FILE_ARRIVAL_S)


read_limit = limiter.shared_limit(READ_LIMIT, scope="reads")
"""Decorates whatever computes a read or a speed."""
sight_limit = limiter.shared_limit(READ_LIMIT, scope="sight")
"""Decorates what is drawn through the eyes beside each read."""
advice_limit = limiter.shared_limit(READ_LIMIT, scope="advice")
"""Decorates what is asked for beside each read: neither keeps the other waiting."""


def _named() -> str:
    """Return the name that somebody wants to sign in by, as what it is counted under."""
    name = tidy_text(request.form.get("name", "")).casefold()
    return f"name {hashlib.sha256(name.encode()).hexdigest()[:32]}"


guess_limit = limiter.limit(
    GUESS_LIMIT, key_func=_named, methods=["POST"], deduct_when=lambda response: response.status_code == 422
)
"""Decorates whatever tries a password for a name: what is wrong counts, from all addresses together."""


class DatabaseCounts(Storage):
    """The limiter's counts in the application's own database.

    While the database is away the limiter counts in each worker's memory.
    """

    STORAGE_SCHEME = ["database"]  # noqa: RUF012 - the base class takes a list

    def __init__(self, uri: str | None = None, wrap_exceptions: bool = False, **options: Any) -> None:
        super().__init__(uri, wrap_exceptions, **options)

    @property
    def base_exceptions(self) -> type[Exception]:
        """What a failing database raises."""
        return SQLAlchemyError

    def incr(self, key: str, expiry: int, amount: int = 1) -> int:
        """Count a request; return how many there are."""
        return count_request(engine(), key, expiry, amount)

    def get(self, key: str) -> int:
        """Return how many requests are counted."""
        return requests_counted(engine(), key)[0]

    def get_expiry(self, key: str) -> float:
        """Return until when, in seconds of the epoch."""
        ends = requests_counted(engine(), key)[1]
        return ends.timestamp() if ends else time.time()

    def check(self) -> bool:
        """Return whether the database answers."""
        try:
            requests_counted(engine(), "")
        except SQLAlchemyError:
            return False
        return True

    def reset(self) -> int:
        """Forget all."""
        return forget_requests(engine())

    def clear(self, key: str) -> None:
        """Forget one."""
        forget_requests(engine(), key)


def retry_after_s() -> int:
    """Return after how many seconds the limit that was just passed lets in again."""
    passed = limiter.current_limit
    return max(1, round(passed.reset_at - time.time())) if passed else 1
