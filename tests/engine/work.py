"""Small pieces of work that the engine's tests give out: its workers load this module too."""

import os
import signal
import time
from pathlib import Path


def squared(asked, item):
    return asked * item * item, os.getpid()


def once_failing(folder, item):
    """Fail the first time that the third is asked for."""
    mark = Path(folder, f"{item}")
    if item == 3 and not mark.exists():
        mark.touch()
        raise ValueError("not today")
    return item


def always_failing(_asked, _item):
    raise ValueError("never")


def once_killing(folder, item):
    """Kill the worker the first time that the third is asked for."""
    mark = Path(folder, f"{item}")
    if item == 3 and not mark.exists():
        mark.touch()
        os.kill(os.getpid(), signal.SIGKILL)
    return item


def always_killing(_asked, _item):
    os.kill(os.getpid(), signal.SIGKILL)


def late_killing(folder, item):
    """Leave a mark each time, and kill the worker the first time that the last is asked for."""
    if item == 23 and not list(Path(folder).glob("23-*")):
        Path(folder, "23-0").touch()
        time.sleep(2.0)
        os.kill(os.getpid(), signal.SIGKILL)
    Path(folder, f"{item}-{time.monotonic_ns()}").touch()
    return item


def slow(folder, item):
    """Leave a mark, and take a while."""
    Path(folder, f"{item}").touch()
    time.sleep(0.1)
    return item
