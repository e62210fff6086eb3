"""Run the worker until it is told to end, or whoever started it (the first argument, if given) has gone."""

import ctypes
import os
import signal
import sys
from importlib import import_module

from orthocline.logs import say_in_json

AT_ONCE = 2
"""A long job, of which there is one at a time, keeps nobody's short one waiting."""
DIE_WITH_PARENT = 1
"""PR_SET_PDEATHSIG of Linux's prctl(2)."""
WORKER = "orthocline.jobs.worker"
"""Loaded only when this process is tied to its parent: it takes seconds."""


def main(parent: str = "") -> None:
    """Work on the queue of DATABASE_URL."""
    if parent:
        ctypes.CDLL(None).prctl(DIE_WITH_PARENT, signal.SIGTERM)
        if os.getppid() != int(parent):
            return
    say_in_json(os.environ.get("ORTHOCLINE_LOG", "info"))
    with import_module(WORKER).worker_of(os.environ["DATABASE_URL"], confined=True) as app:
        app.run_worker(concurrency=AT_ONCE, delete_jobs="successful", shutdown_graceful_timeout=5.0)


if __name__ == "__main__":
    main(*sys.argv[1:2])
