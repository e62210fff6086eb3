"""Who may use which service: every one is declared, and its list is kept."""

import importlib
import inspect
import pkgutil

import pytest

from orthocline import services
from orthocline.services.account.access import SERVICES, Access, Mode, Viewer
from orthocline.services.errors import NotAllowedError

TAKEN = {"viewer", "session", "sessions"}


def offered():
    """Every public function of the services that works for somebody or asks the database, by its name."""
    for found in pkgutil.walk_packages(services.__path__, "orthocline.services."):
        module = importlib.import_module(found.name)
        for name, service in inspect.getmembers(module, inspect.isfunction):
            taken = {parameter.strip("_") for parameter in inspect.signature(service).parameters} & TAKEN
            if service.__module__ == module.__name__ and name[0] != "_" and taken:
                yield f"{module.__name__}.{name}", service


OFFERED = dict(offered())
LISTED = {access: [name for name, on in SERVICES.items() if on is access] for access in Access}
DECIDING = {"orthocline.services.account.access.require_open_play"}


def test_every_service_is_on_a_list():
    assert set(OFFERED) - DECIDING == set(SERVICES)
    assert all(LISTED.values())


@pytest.mark.parametrize("name", LISTED[Access.OPEN_PLAY])
def test_what_is_for_open_play_is_refused_in_competition_before_anything_is_done(name):
    with pytest.raises(NotAllowedError, match=r"off in Competition.*committee"):
        OFFERED[name](Viewer(mode=Mode.COMPETITION))


@pytest.mark.parametrize("name", LISTED[Access.OWN_DATA])
def test_own_data_is_refused_to_visitors_before_anything_is_done(name):
    with pytest.raises(NotAllowedError, match="sign in"):
        OFFERED[name](Viewer())
