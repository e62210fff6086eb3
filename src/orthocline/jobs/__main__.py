"""Run the worker until it is told to end, or whoever started it (the first argument, if given) has gone."""

import ctypes
import os
import signal
import sys

from orthocline.jobs.worker import worker_of

DIE_WITH_PARENT = 1
"""PR_SET_PDEATHSIG of Linux's prctl(2)."""


def main(parent: str = "") -> None:
    """Work on the queue of DATABASE_URL."""
    if parent:
        ctypes.CDLL(None).prctl(DIE_WITH_PARENT, signal.SIGTERM)
        if os.getppid() != int(parent):
            return
    with worker_of(os.environ["DATABASE_URL"]) as app:
        app.run_worker(delete_jobs="successful", shutdown_graceful_timeout=5.0)


if __name__ == "__main__":
    main(*sys.argv[1:2])
