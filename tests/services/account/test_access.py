"""Who may use which service: every one is declared, and its list is kept."""

import importlib
import inspect
import pkgutil

import pytest

from orthocline import services
from orthocline.db.account.models import Golfer
from orthocline.services.account.access import SERVICES, Access, Grant, Mode, Share, Viewer
from orthocline.services.errors import NotAllowedError, NotFoundError

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


@pytest.mark.parametrize("name", [*LISTED[Access.OWN_DATA], *LISTED[Access.SHARED_DATA]])
def test_own_data_is_refused_to_visitors_before_anything_is_done(name):
    with pytest.raises(NotAllowedError, match="sign in"):
        OFFERED[name](Viewer())


@pytest.mark.parametrize("name", LISTED[Access.OWN_DATA])
def test_own_data_is_refused_to_whoever_looks_at_somebody_elses(name):
    everything = Grant(Golfer(id=1), frozenset(Share), keeper=True)
    with pytest.raises(NotFoundError, match="shared with you"):
        OFFERED[name](Viewer(Golfer(id=2), of=everything))


@pytest.mark.parametrize("what", Share)
def test_only_what_is_shared_is_seen_and_only_a_keeper_changes_it(what):
    others = frozenset(Share) - {what}
    coach, keeper, other = (
        Viewer(Golfer(id=2), of=Grant(Golfer(id=1), given, keeper=keeps))
        for given, keeps in ((frozenset({what}), False), (frozenset({what}), True), (others, True))
    )
    assert (coach.seen_id(what), keeper.seen_id(what), keeper.kept_id(what)) == (1, 1, 1)
    own = Viewer(Golfer(id=2))
    assert (own.seen_id(what), own.kept_id(what), own.owner_id) == (2, 2, 2)
    for refused in (coach.kept_id, other.seen_id, other.kept_id):
        with pytest.raises(NotFoundError):
            refused(what)
