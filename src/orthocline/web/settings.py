"""What can be set, as the environment says it."""

from collections.abc import Mapping
from typing import Any


class SettingError(ValueError):
    """A setting that cannot be read; the message names it and says what it may be."""


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
        "PROXIES": _count(environment, "ORTHOCLINE_PROXIES"),
        "ADDRESS": environment.get("ORTHOCLINE_ADDRESS", ""),
    }
    names = [name.strip() for name in hosts.split(",") if name.strip()]
    return settings | ({"TRUSTED_HOSTS": names} if names else {})


def _switch(environment: Mapping[str, str], name: str) -> bool:
    value = environment.get(name, "0")
    if value not in ("0", "1"):
        raise SettingError(f"{name} is 0 or 1, not {value!r}")
    return value == "1"


def _count(environment: Mapping[str, str], name: str) -> int:
    value = environment.get(name, "0")
    if not value.isdecimal() or int(value) > 9:
        raise SettingError(f"{name} is a number of proxies from 0 to 9, not {value!r}")
    return int(value)
