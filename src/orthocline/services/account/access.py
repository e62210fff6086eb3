"""Who asks, in which mode, and what they may: the one module that decides it.

Every service that works for somebody is declared here, by its decorator, on one of three lists: open to
anyone, open play only, or own data. In Competition whatever measures, reads, times or advises is refused.
"""

from collections.abc import Callable
from dataclasses import dataclass
from enum import Enum, StrEnum, auto
from functools import wraps
from typing import Concatenate, ParamSpec, TypeVar

from orthocline.db.account.models import Golfer
from orthocline.services.errors import NotAllowedError

Given = ParamSpec("Given")
Answer = TypeVar("Answer")
Service = Callable[Concatenate["Viewer", Given], Answer]
Declared = TypeVar("Declared", bound=Callable[..., object])

DEFERENCE = (
    "The rules of golf in force and the committee's local rules decide what may be used: ask the committee."
)


class Mode(StrEnum):
    """What the golfer is doing."""

    OPEN_PLAY = "open_play"
    COMPETITION = "competition"


@dataclass(frozen=True)
class Viewer:
    """Whoever asks: a golfer or, with None, a visitor; and the mode they are in."""

    golfer: Golfer | None = None
    mode: Mode = Mode.OPEN_PLAY

    @property
    def in_competition(self) -> bool:
        """Whether they are in Competition."""
        return self.mode is Mode.COMPETITION

    @property
    def owner(self) -> Golfer:
        """The golfer whose data they use: their own alone.

        Raises
        ------
        NotAllowedError
            For a visitor, who has none.
        """
        if self.golfer is None:
            raise NotAllowedError("That is a golfer's own: sign in first.")
        return self.golfer

    @property
    def owner_id(self) -> int:
        """The number of that golfer; raises as `owner` does."""
        return self.owner.id


class Access(Enum):
    """The lists on which services are."""

    ANYONE = auto()
    OPEN_PLAY = auto()
    OWN_DATA = auto()


SERVICES: dict[str, Access] = {}
"""Who may use each service, by module and name."""


def anyone(service: Declared) -> Declared:
    """Declare a service that is open to anyone in either mode."""
    _list(service, Access.ANYONE)
    return service


def open_play(what: str) -> Callable[[Service[Given, Answer]], Service[Given, Answer]]:
    """Declare a service that is refused in Competition; the message begins with `what`."""

    def declare(service: Service[Given, Answer]) -> Service[Given, Answer]:
        @wraps(service)
        def checked(viewer: Viewer, /, *args: Given.args, **more: Given.kwargs) -> Answer:
            require_open_play(viewer, what)
            return service(viewer, *args, **more)

        _list(service, Access.OPEN_PLAY)
        return checked

    return declare


def own_data(service: Service[Given, Answer]) -> Service[Given, Answer]:
    """Declare a service that works on a golfer's own data, and is refused to visitors."""

    @wraps(service)
    def checked(viewer: Viewer, /, *args: Given.args, **more: Given.kwargs) -> Answer:
        _ = viewer.owner
        return service(viewer, *args, **more)

    _list(service, Access.OWN_DATA)
    return checked


def require_open_play(viewer: Viewer, what: str) -> None:
    """Refuse something that measures, reads, times or advises while in Competition.

    Raises
    ------
    NotAllowedError
        In Competition; the message names `what`, the reason and who decides.
    """
    if viewer.in_competition:
        raise NotAllowedError(
            f"{what} is off in Competition: during a round, help that reads, measures, times or advises "
            f"may break the rules of play. {DEFERENCE}"
        )


def _list(service: Callable[..., object], access: Access) -> None:
    SERVICES[f"{service.__module__}.{service.__qualname__}"] = access
