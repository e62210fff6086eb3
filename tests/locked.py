"""The lock of Python packages, read as an installer reads it."""

from packaging.requirements import Requirement
from packaging.utils import canonicalize_name


def locked(text, environment=None):
    """Return the versions that a lock has installed, by name, where the markers' words are as given."""
    found = {}
    for line in text.splitlines():
        if not line[:1].isalpha():
            continue
        one = Requirement(line.rstrip("\\ "))
        if one.marker is None or one.marker.evaluate(environment or {}):
            (pinned,) = one.specifier
            found[canonicalize_name(one.name)] = pinned.version
    return found
