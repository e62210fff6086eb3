"""How gunicorn serves the application: its settings, and a worker that waits for nobody too long.

A thread that reads from a slow client does nothing else. So a worker has many more threads than it computes
with, and a request has a bounded time to arrive; in front of strangers stands a proxy that takes requests in
whole (docs/running.md).
"""

import ctypes
import errno
import os
import shutil
import signal
import socket
import ssl
import subprocess
import sys
import threading
import time
from collections.abc import Callable
from typing import Any

import gunicorn.sock
from gunicorn.http.errors import LimitRequestHeaders, LimitRequestLine
from gunicorn.util import write_nonblock
from gunicorn.workers.gthread import ThreadWorker
from prometheus_client.multiprocess import mark_process_dead

from orthocline.logs import log_settings
from orthocline.web.plain import TOO_LONG
from orthocline.web.settings import COUNTS, processes

_here = processes(os.environ)
workers = _here.workers
threads = 128
worker_class = "orthocline.web.serving.Worker"
preload_app = True
logconfig_dict = log_settings(_here.log)
timeout, graceful_timeout, keepalive = 30, 5, 5
limit_request_line = 8190
# A control socket would be shared by all that the account runs.
control_socket_disable = True

ARRIVAL_S = 10.0
"""A request, head and body, arrives within so long, or is given up."""
ANSWER_S = 20.0
"""A client that takes nothing of its answer for so long is left."""
LINGER_S = 0.02
"""What a client still sends is taken for so long before its connection is closed: the loop of all waits."""
COMPANION_ENDS_S, COMPANION_REST_S = 8.0, 2.0
"""The worker of background jobs has so long to end, and so long it rests before it is begun again."""
DIE_WITH_PARENT = 1
"""PR_SET_PDEATHSIG of Linux's prctl(2)."""


class TimedSocket:
    """A client's socket that ends, as if it had been closed, when a request takes too long to arrive."""

    def __init__(self, plain: socket.socket) -> None:
        self._plain: Any = plain
        self.await_request()

    def await_request(self) -> None:
        """Begin to count the time of a request."""
        self.allow(ARRIVAL_S)

    def allow(self, seconds: float) -> None:
        """Let the rest of this request take so long to arrive."""
        self._until = time.monotonic() + seconds

    def recv(self, size: int) -> bytes:
        """Return what has come; nothing where the time is over."""
        left = self._until - time.monotonic()
        if left <= 0.0:
            return b""
        self._plain.settimeout(left)
        try:
            received: bytes = self._plain.recv(size)
            return received
        except TimeoutError:
            return b""
        finally:
            self._plain.settimeout(ANSWER_S)

    def sendall(self, data: bytes) -> None:
        """Send it all; a client that does not take it is one that has gone."""
        try:
            self._plain.sendall(data)
        except TimeoutError as error:
            raise ConnectionResetError(errno.ECONNRESET, "the client took too long") from error

    def secure(self, context: ssl.SSLContext, **more: Any) -> "TimedSocket":
        """Go on over TLS; the handshake, which the server asks for later, has its time too."""
        self._plain = context.wrap_socket(self._plain, **more)
        return self

    def do_handshake(self) -> None:
        """Agree on TLS; a client that takes too long is one that has gone."""
        self._plain.settimeout(max(self._until - time.monotonic(), LINGER_S))
        try:
            self._plain.do_handshake()
        except TimeoutError as error:
            raise ConnectionResetError(errno.ECONNRESET, "the client took too long") from error

    def shutdown(self, how: int) -> None:
        """Begin to close, and wait no longer than a moment for the client to do so."""
        self._plain.shutdown(how)
        self._until = min(self._until, time.monotonic() + LINGER_S)

    def __getattr__(self, name: str) -> Any:
        return getattr(self._plain, name)


class TimedContext:
    """What gunicorn secures a client's socket with."""

    def __init__(self, context: ssl.SSLContext) -> None:
        self._context = context

    def wrap_socket(self, client: TimedSocket, **more: Any) -> TimedSocket:
        """Return a client's socket, secured."""
        return client.secure(self._context, **more)


_contexts: list[TimedContext] = []


def ssl_context(_config: Any, usual: Callable[[], ssl.SSLContext]) -> TimedContext:
    """Return the one context of all clients, made while the key can still be read."""
    if not _contexts:
        _contexts.append(TimedContext(usual()))
    return _contexts[0]


class Worker(ThreadWorker):
    """Gunicorn's worker of threads, whose clients have a bounded time."""

    def enqueue_req(self, conn: Any) -> None:
        """Count the time of the request that is about to be read."""
        if isinstance(conn.sock, TimedSocket):
            conn.sock.await_request()
        else:
            conn.sock = TimedSocket(conn.sock)
        super().enqueue_req(conn)

    def handle_error(self, req: Any, client: Any, addr: Any, exc: BaseException) -> None:
        """Answer an address or a head that is too long with a page of ours."""
        if isinstance(exc, LimitRequestLine | LimitRequestHeaders):
            body = TOO_LONG.encode()
            head = (
                "HTTP/1.1 414 URI Too Long\r\nConnection: close\r\nContent-Type: text/html; charset=utf-8\r\n"
                f"Content-Length: {len(body)}\r\n\r\n"
            )
            write_nonblock(client, head.encode() + body)
        else:
            super().handle_error(req, client, addr, exc)


class Companion:
    """The worker of background jobs: a process beside those that answer, begun again whenever it ends."""

    def __init__(self, user: int | None, group: int | None) -> None:
        self._user, self._group = user, group
        self._ends = threading.Event()
        self._process: subprocess.Popen[bytes] | None = None
        # A thread of its own, which lives as long as the master: the process ends when it does.
        threading.Thread(target=self._keep, daemon=True).start()

    def end(self) -> None:
        """End it, with the job that it is at if that takes long."""
        self._ends.set()
        if self._process:
            self._process.terminate()
            self._process.wait(COMPANION_ENDS_S)

    def _keep(self) -> None:
        while not self._ends.is_set():
            work = [sys.executable, "-m", "orthocline.jobs", str(os.getpid())]
            self._process = subprocess.Popen(work, user=self._user, group=self._group)
            self._process.wait()
            self._ends.wait(COMPANION_REST_S)


def when_ready(server: Any) -> None:
    """Read certificate and key, and begin to work in the background, as the account that answers."""
    if server.cfg.is_ssl:
        gunicorn.sock.ssl_context(server.cfg)
    if not _here.jobs:
        return
    drop = os.geteuid() == 0 and server.cfg.uid != 0
    server.companion = Companion(*((server.cfg.uid, server.cfg.gid) if drop else (None, None)))


def on_exit(server: Any) -> None:
    """End the work in the background with the master, and remove what its workers counted."""
    if hasattr(server, "companion"):
        server.companion.end()
    shutil.rmtree(os.environ.get(COUNTS, ""), ignore_errors=True)


def child_exit(_server: Any, worker: Any) -> None:
    """Count a worker that has gone no longer among those that live."""
    if COUNTS in os.environ:
        mark_process_dead(worker.pid)


def post_worker_init(worker: Worker) -> None:
    """Let a worker die with its master, so that nothing holds the port of a master that was killed."""
    ctypes.CDLL(None).prctl(DIE_WITH_PARENT, signal.SIGKILL)
    if os.getppid() != worker.ppid:
        os.kill(os.getpid(), signal.SIGKILL)
