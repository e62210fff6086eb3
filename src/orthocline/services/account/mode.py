"""The mode, Open play or Competition: what is refused in Competition, and why."""

from enum import StrEnum

from orthocline.services.errors import NotAllowedError

DEFERENCE = (
    "The rules of golf in force and the committee's local rules decide what may be used: ask the committee."
)


class Mode(StrEnum):
    """What the golfer is doing."""

    OPEN_PLAY = "open_play"
    COMPETITION = "competition"


def require_open_play(mode: Mode, what: str) -> None:
    """Refuse something that measures, reads, times or advises while in Competition.

    Raises
    ------
    NotAllowedError
        In Competition; the message names `what`, the reason and who decides.
    """
    if mode is Mode.COMPETITION:
        raise NotAllowedError(
            f"{what} is off in Competition: during a round, help that reads, measures, times or advises "
            f"may break the rules of play. {DEFERENCE}"
        )
