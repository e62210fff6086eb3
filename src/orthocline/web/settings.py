"""What can be set, as the environment says it."""

from collections.abc import Mapping
from typing import Any, NamedTuple

from orthocline.logs import LEVELS


class SettingError(ValueError):
    """A setting that cannot be read; the message names it and says what it may be."""


COUNTS = "PROMETHEUS_MULTIPROC_DIR"
"""Names the folder where the workers of a machine count together."""
REDIS_PATIENCE = {"socket_connect_timeout": 1, "socket_timeout": 1}
REDIS = ("redis://", "rediss://", "redis+unix://")
MOST_WORKERS, MOST_SLOW_MS = 64, 60_000


class Processes(NamedTuple):
    """How many workers answer, whether this machine also does the jobs, and what is said in the log."""

    workers: int
    jobs: bool
    log: str


def processes(environment: Mapping[str, str]) -> Processes:
    """Return what runs on this machine; raises SettingError for a value that cannot be read."""
    log = environment.get("ORTHOCLINE_LOG", "info")
    if log not in LEVELS:
        raise SettingError(f"ORTHOCLINE_LOG is one of {', '.join(LEVELS)}, not {log!r}")
    workers = _number(environment, "ORTHOCLINE_WORKERS", "2", MOST_WORKERS, least=1)
    return Processes(workers, _switch(environment, "ORTHOCLINE_JOBS", "1"), log)


def settings(environment: Mapping[str, str]) -> dict[str, Any]:
    """Return the application's configuration (docs/commands.md tells each).

    Raises
    ------
    SettingError
        For a value that cannot be read.
    """
    hosts = environment.get("ORTHOCLINE_HOSTS", "")
    settings = {
        "SECRET_KEY": environment.get("ORTHOCLINE_SECRET", ""),
        "DATABASE_URL": environment["DATABASE_URL"],
        "DEMO": _switch(environment, "ORTHOCLINE_DEMO"),
        "SECURE": _switch(environment, "ORTHOCLINE_SECURE"),
        "PROXIES": _number(environment, "ORTHOCLINE_PROXIES", "0", 9),
        "ADDRESS": environment.get("ORTHOCLINE_ADDRESS", ""),
        "SLOW_MS": _number(environment, "ORTHOCLINE_SLOW_MS", "100", MOST_SLOW_MS),
        "METRICS_TOKEN": environment.get("ORTHOCLINE_METRICS_TOKEN", ""),
    }
    redis = environment.get("REDIS_URL", "")
    if redis:
        if not redis.startswith(REDIS):
            raise SettingError(f"REDIS_URL begins with {', '.join(REDIS)}")
        settings |= {"RATELIMIT_STORAGE_URI": redis, "RATELIMIT_STORAGE_OPTIONS": REDIS_PATIENCE}
    names = [name.strip() for name in hosts.split(",") if name.strip()]
    return settings | ({"TRUSTED_HOSTS": names} if names else {})


def _switch(environment: Mapping[str, str], name: str, usual: str = "0") -> bool:
    value = environment.get(name, usual)
    if value not in ("0", "1"):
        raise SettingError(f"{name} is 0 or 1, not {value!r}")
    return value == "1"


def _number(environment: Mapping[str, str], name: str, usual: str, most: int, least: int = 0) -> int:
    value = environment.get(name, usual)
    if not value.isdecimal() or not least <= int(value) <= most:
        raise SettingError(f"{name} is a number from {least} to {most}, not {value!r}")
    return int(value)
