"""The locks hold what each Python that the project runs on asks for, not only the one they were made by."""

from importlib.metadata import PackageNotFoundError, requires
from pathlib import Path

import pytest
from packaging.requirements import Requirement
from packaging.utils import canonicalize_name

from tests.locked import locked

ROOT = Path(__file__).parents[1]
PYTHONS = {
    "Debian 12": {"python_version": "3.11", "python_full_version": "3.11.2"},
    "the next release": {"python_version": "3.13", "python_full_version": "3.13.5"},
}


def asked_by(name, environment):
    """Yield what a package asks for there; of its extras nothing."""
    try:
        told = requires(name) or []
    except PackageNotFoundError:  # not for this machine's Python
        return
    for line in told:
        one = Requirement(line)
        if one.marker is None or one.marker.evaluate({**environment, "extra": ""}):
            yield canonicalize_name(one.name)


@pytest.mark.parametrize("python", PYTHONS)
@pytest.mark.parametrize("lock", ["requirements.lock", "requirements-dev.lock"])
def test_what_a_locked_package_asks_for_is_locked(lock, python):
    environment = PYTHONS[python]
    held = locked((ROOT / lock).read_text(), environment)
    asked = {(name, one) for name in held for one in asked_by(name, environment)}
    assert len(asked) > 100
    assert {(name, one) for name, one in asked if one not in held} == set()
