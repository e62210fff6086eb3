"""So many requests are worked on at once in a worker; others wait for their turn, in order.

A worker has many threads, for slow clients hold one each; but they compute on one core. Were all to begin at
once, each would take as long as all together, and the connections to the database would run out.
"""

from collections.abc import Callable, Iterable
from io import BytesIO
from threading import BoundedSemaphore
from time import perf_counter
from typing import Any, Final

Application = Callable[[dict[str, Any], Any], Iterable[bytes]]
AT_ONCE: Final = 1
"""They compute on one core: a second at once would make both late, and the slow ones hold up the quick."""
FORM_BYTES: Final = 128 * 1024
"""What is no longer is taken in before the turn is waited for; a file streams, and waits for none."""
PASSES: Final = ("/static/", "/healthz", "/readyz", "/metrics")
"""What costs next to nothing, and is asked to see how things are."""


CAME: Final = "orthocline.came"
"""Says in a request's environment when it was all here: its time is counted from then."""


class Gate:
    """A WSGI application that lets its own be asked so many things at once."""

    def __init__(self, application: Application, at_once: int = AT_ONCE) -> None:
        self._application, self._turns = application, BoundedSemaphore(at_once)

    def __call__(self, environ: dict[str, Any], start_response: Any) -> Iterable[bytes]:
        """Answer a request when it has its turn. What is streamed is made after it."""
        if environ["PATH_INFO"].startswith(PASSES) or not _is_here(environ):
            return self._application(environ, start_response)
        environ[CAME] = perf_counter()
        with self._turns:
            return self._application(environ, start_response)


def _is_here(environ: dict[str, Any]) -> bool:
    """Take in what a request brings, however slowly that comes; return whether it is all here."""
    length = environ.get("CONTENT_LENGTH") or "0"
    if "HTTP_TRANSFER_ENCODING" in environ or not length.isdecimal() or int(length) > FORM_BYTES:
        return False
    if int(length):
        environ["wsgi.input"] = BytesIO(environ["wsgi.input"].read(int(length)))
    return True
