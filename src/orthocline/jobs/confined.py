"""One job in a process of its own: it takes so much memory and time at most, and ends with its worker.

A file that a stranger made may take a reader of it further than anybody thought. Then this process ends, the
golfer is told, and everybody else's work goes on.
"""

import multiprocessing
import os
import resource
import sys
import threading
from collections.abc import Callable
from multiprocessing.connection import wait
from time import monotonic
from typing import Final, NamedTuple

import structlog
from sqlalchemy import NullPool, create_engine
from sqlalchemy.orm import Session, sessionmaker

from orthocline.logs import say_in_json
from orthocline.services.jobs.jobs import AWAY, carry_out, give_up

LOOKS_EVERY_S: Final = 0.2
STATUS_AWAY: Final = 75
"""With this a process ends whose database went away (EX_TEMPFAIL of sysexits.h)."""
log = structlog.get_logger("orthocline.jobs")
_forks = multiprocessing.get_context("forkserver")
_forks.set_forkserver_preload([__name__])


class Bounds(NamedTuple):
    """What one job may take: memory and files on the disk [bytes], time of a core and time at all [s]."""

    memory: int = 2 << 30
    file: int = 2 << 30
    core_s: int = 900
    at_all_s: float = 1800.0


USUAL: Final = Bounds()
LONG: Final = Bounds(core_s=24 * 3600, at_all_s=24 * 3600.0)
"""What a long one may take, and each process that it begins."""
NICE: Final = 10
"""Whoever waits for a page goes first."""


class EndedError(Exception):
    """The worker ends, or the database went away: what it was at begins again."""


def sessions_of(url: str) -> sessionmaker[Session]:
    """Return what makes sessions: a connection each, none while nothing is to be done."""
    return sessionmaker(create_engine(url, poolclass=NullPool, hide_parameters=True), expire_on_commit=False)


def carry_out_confined(url: str, job_id: int, ends: Callable[[], bool], bounds: Bounds = USUAL) -> None:
    """Do a job of the queue in a process of its own.

    Raises
    ------
    EndedError
        When `ends` says so before it is done, or the database went away; the job can be begun again.
    """
    process = _forks.Process(target=_do, args=(url, job_id, bounds))
    process.start()
    until = monotonic() + bounds.at_all_s
    while process.exitcode is None and monotonic() < until:
        if ends():
            process.kill()
            raise EndedError
        process.join(LOOKS_EVERY_S)
    process.kill()
    process.join()
    if process.exitcode == STATUS_AWAY:
        raise EndedError
    if process.exitcode:
        log.warning("job stopped", job=job_id, status=process.exitcode)
        give_up(sessions_of(url), job_id)


def _do(url: str, job_id: int, bounds: Bounds) -> None:
    """Do it, in the process that was made for it."""
    threading.Thread(target=_end_with_worker, daemon=True).start()
    resource.setrlimit(resource.RLIMIT_DATA, (bounds.memory, bounds.memory))
    resource.setrlimit(resource.RLIMIT_FSIZE, (bounds.file, bounds.file))
    resource.setrlimit(resource.RLIMIT_CPU, (bounds.core_s, bounds.core_s))
    resource.setrlimit(resource.RLIMIT_CORE, (0, 0))
    os.nice(NICE)
    say_in_json(os.environ.get("ORTHOCLINE_LOG", "info"))
    began = monotonic()
    try:
        carry_out(sessions_of(url), job_id)
    except AWAY:
        sys.exit(STATUS_AWAY)
    except Exception:
        log.exception("job failed", job=job_id)
        sys.exit(1)
    log.info("job done", job=job_id, s=round(monotonic() - began, 1))


def _end_with_worker() -> None:
    """End with the worker, which may be killed: nobody else may do the same job meanwhile."""
    parent = multiprocessing.parent_process()
    assert parent is not None, "it is begun by one"
    wait([parent.sentinel])
    os._exit(1)
