"""Who asks, in which mode, and what they may: the one module that decides it.

Every service that works for somebody is declared here, by its decorator, on one of four lists: open to
anyone, open play only, own data, or shared data. In Competition whatever measures, reads, times or advises is
refused. Whose data a service works on is asked of the viewer: `owner_id` for a golfer's own alone, `seen_id`
for what somebody may have shared, `kept_id` for what a club's keeper may change.
"""

from collections.abc import Callable
from dataclasses import dataclass
from enum import Enum, StrEnum, auto
from functools import wraps
from typing import Concatenate, ParamSpec, TypeVar

from orthocline.db.account.models import Golfer
from orthocline.services.errors import NotAllowedError, NotFoundError

Given = ParamSpec("Given")
Answer = TypeVar("Answer")
Service = Callable[Concatenate["Viewer", Given], Answer]
Declared = TypeVar("Declared", bound=Callable[..., object])

DEFERENCE = (
    "The rules of golf in force and the committee's local rules decide what may be used: ask the committee."
)


NOT_SHARED = "There is no such thing among yours, nor among what is shared with you."


class Mode(StrEnum):
    """What the golfer is doing."""

    OPEN_PLAY = "open_play"
    COMPETITION = "competition"


class Share(StrEnum):
    """What somebody can let others see."""

    LOG = "log"
    FIGURES = "figures"
    DRILLS = "drills"
    GREENS = "greens"
    SPEEDS = "speeds"


@dataclass(frozen=True)
class Grant:
    """What somebody lets a viewer see of theirs: all of a kind, or by a link a `single` thing of its number.

    A `keeper` may change it.
    """

    giver: Golfer
    what: frozenset[Share]
    keeper: bool = False
    single: tuple[Share, int] | None = None


@dataclass(frozen=True)
class Key:
    """What a link puts into a browser: the giver, the version of their links, and what it opens.

    It is kept in a signed cookie, with its end, and counts until then.
    """

    giver_id: int
    version: int
    what: Share
    number: int


@dataclass(frozen=True)
class Viewer:
    """Whoever asks: a golfer or, with None, a visitor; the mode they are in; and at whose data they look.

    `of` is what they look at somebody else's data by; with None it is their own. `keys` are those that links
    put into their browser.
    """

    golfer: Golfer | None = None
    mode: Mode = Mode.OPEN_PLAY
    of: Grant | None = None
    keys: tuple[Key, ...] = ()

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
        NotFoundError
            For whoever looks at somebody else's.
        """
        if self.golfer is None:
            raise NotAllowedError("That is a golfer's own: sign in first.")
        if self.of is not None:
            raise NotFoundError(NOT_SHARED)
        return self.golfer

    @property
    def owner_id(self) -> int:
        """The number of that golfer; raises as `owner` does."""
        return self.owner.id

    @property
    def keeps(self) -> bool:
        """Whether they may change what they look at."""
        return self.of is None or self.of.keeper

    def sees(self, what: Share) -> bool:
        """Whether that is among what they may look at."""
        return self.of is None or what in self.of.what

    def seen_id(self, what: Share, number: int | None = None) -> int:
        """Return the number of the golfer whose data they look at: their own, or what is shared with them.

        Of a single thing its `number` is said: a link may open that one alone.

        Raises
        ------
        NotAllowedError
            For a visitor.
        NotFoundError
            For what is not shared with them.
        """
        if self.of is None:
            return self.owner_id
        if not self.sees(what) and (number is None or self.of.single != (what, number)):
            raise NotFoundError(NOT_SHARED)
        return self.of.giver.id

    def kept_id(self, what: Share) -> int:
        """Return the number of the golfer whose data they may change; raises as `seen_id` does."""
        if not self.keeps:
            raise NotFoundError(NOT_SHARED)
        return self.seen_id(what)


class Access(Enum):
    """The lists on which services are."""

    ANYONE = auto()
    OPEN_PLAY = auto()
    OWN_DATA = auto()
    SHARED_DATA = auto()


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


def shared_data(what: Share) -> Callable[[Service[Given, Answer]], Service[Given, Answer]]:
    """Declare a service that works on a golfer's own data, or on that of somebody who shares it."""

    def declare(service: Service[Given, Answer]) -> Service[Given, Answer]:
        @wraps(service)
        def checked(viewer: Viewer, /, *args: Given.args, **more: Given.kwargs) -> Answer:
            _ = viewer.seen_id(what)
            return service(viewer, *args, **more)

        _list(service, Access.SHARED_DATA)
        return checked

    return declare


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
