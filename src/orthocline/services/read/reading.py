"""Read a putt, and set the golfer's own read beside it."""

from orthocline.core.constants import MODEL_VERSION
from orthocline.core.roll import OwnRoll, Putt, PuttError, Read, own_roll, read, read_as_solved
from orthocline.db.log.models import LoggedPutt
from orthocline.formats.putt_document import putt_of
from orthocline.formats.read_document import aim_of
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.errors import InvalidError


@open_play("The read")
def read_putt(_viewer: Viewer, putt: Putt) -> Read:
    """Return the read of a putt; refused in Competition, and invalid where no ball reaches the hole."""
    try:
        return read(putt)
    except PuttError as error:
        raise InvalidError("surface", f"This putt cannot be read: {error}.") from error


@open_play("The read")
def read_again(viewer: Viewer, logged: LoggedPutt) -> Read:
    """Return the read of a logged putt as it was saved, or a new one where the physics has changed since.

    Refused in Competition.
    """
    assert logged.putt_document is not None
    assert logged.read_document is not None
    putt = putt_of(logged.putt_document)
    if logged.model_version != MODEL_VERSION:
        return read_putt(viewer, putt)
    return read_as_solved(putt, aim_of(logged.read_document, putt))


@open_play("Comparing your own read")
def compare_own(_viewer: Viewer, solved: Read, aim_right_m: float) -> OwnRoll:
    """Return the roll of the golfer's own aim at the read's pace; refused in Competition."""
    return own_roll(solved.putt, solved.aim, aim_right_m)


@open_play("Roll it, with its beat,")
def read_to_roll(viewer: Viewer, putt: Putt) -> Read:
    """Return the read of a putt whose ball is to be watched; raises as `read_putt` does."""
    return read_putt(viewer, putt)
