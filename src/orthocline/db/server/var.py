"""The folder of everything that is made at run time: its locks, and files for its owner alone."""

import fcntl
import os
import secrets
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

LEAST_SECRET = 32
"""A secret that signs cookies has so many characters or more."""


@contextmanager
def locked(var: Path) -> Iterator[None]:
    """Hold the folder, so that two starts at once do one thing after the other.

    Nothing that is started meanwhile inherits the lock: subprocess closes what it is not given.
    """
    var.mkdir(parents=True, exist_ok=True)
    with (var / "postgres.lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        yield


def write_private(path: Path, text: str) -> None:
    """Write a file that its owner alone can read, from its first byte on, and whole or not at all."""
    new = path.with_name(f"{path.name}.{secrets.token_hex(4)}.new")
    with os.fdopen(os.open(new, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600), "w") as file:
        file.write(text)
        file.flush()
        os.fsync(file.fileno())
    new.rename(path)


def secret(var: Path) -> str:
    """Return the installation's own secret, made at the first start; one that was cut short is made anew."""
    path = var / "secret"
    with locked(var):
        try:
            secret = path.read_text().strip()
        except FileNotFoundError:
            secret = ""
        if len(secret) < LEAST_SECRET:
            secret = secrets.token_urlsafe(48)
            write_private(path, secret)
        return secret


def mark_application(var: Path) -> int:
    """Mark the folder as used by this process and all that it starts; return the mark's descriptor."""
    mark = _mark(var)
    fcntl.flock(mark, fcntl.LOCK_SH)
    os.set_inheritable(mark, True)
    return mark


def application_runs(var: Path) -> bool:
    """Return whether an application that was started on the folder still runs."""
    mark = _mark(var)
    try:
        fcntl.flock(mark, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except BlockingIOError:
        return True
    finally:
        os.close(mark)
    return False


def _mark(var: Path) -> int:
    var.mkdir(parents=True, exist_ok=True)
    return os.open(var / "application.lock", os.O_RDWR | os.O_CREAT, 0o600)
