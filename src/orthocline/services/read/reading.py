"""Read a putt, and set the golfer's own read beside it."""

from orthocline.core.constants import MODEL_VERSION
from orthocline.core.roll import OwnRoll, Putt, PuttError, Read, own_roll, read, read_as_solved
from orthocline.db.log.models import LoggedPutt
from orthocline.formats.putt_document import putt_of
from orthocline.formats.read_document import aim_of
from orthocline.services.account.mode import Mode, require_open_play
from orthocline.services.errors import InvalidError


def read_putt(putt: Putt, mode: Mode) -> Read:
    """Return the read of a putt; refused in Competition, and invalid where no ball reaches the hole."""
    require_open_play(mode, "The read")
    try:
        return read(putt)
    except PuttError as error:
        raise InvalidError("surface", f"This putt cannot be read: {error}.") from error


def read_again(logged: LoggedPutt, mode: Mode) -> Read:
    """Return the read of a logged putt as it was saved, or a new one where the physics has changed since.

    Refused in Competition.
    """
    require_open_play(mode, "The read")
    assert logged.putt_document is not None
    assert logged.read_document is not None
    putt = putt_of(logged.putt_document)
    if logged.model_version != MODEL_VERSION:
        return read_putt(putt, mode)
    return read_as_solved(putt, aim_of(logged.read_document, putt))


def compare_own(solved: Read, aim_right_m: float, mode: Mode) -> OwnRoll:
    """Return the roll of the golfer's own aim at the read's pace; refused in Competition."""
    require_open_play(mode, "Comparing your own read")
    return own_roll(solved.putt, solved.aim, aim_right_m)


def require_roll(mode: Mode) -> None:
    """Refuse Roll it and its beat in Competition."""
    require_open_play(mode, "Roll it, with its beat,")
