"""Read a putt, and set the golfer's own read beside it."""

from collections.abc import Mapping, Sequence
from dataclasses import replace

from orthocline.core.calls import USUAL_GOLFER, Answer, GolferFigures
from orthocline.core.constants import MODEL_VERSION
from orthocline.core.ground import Conflict, Reading, Sense, conflicts_of
from orthocline.core.roll import OwnRoll, Putt, PuttError, Read, read, read_as_solved, roll_of
from orthocline.core.speed import DayEffect
from orthocline.core.sure import Fall, Sureness, Uncertainty, fall_of
from orthocline.core.units import INCH_M
from orthocline.db.log.models import LoggedPutt
from orthocline.formats.putt_document import putt_of
from orthocline.formats.read_document import aim_of
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.errors import InvalidError

LEAST_AIM_M = INCH_M
"""A smaller aim is nothing to compare with."""


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


@open_play("How sure a read is")
def how_sure(_viewer: Viewer, solved: Read, uncertainty: Uncertainty) -> Sureness:
    """Return how far a read can be trusted; refused in Competition."""
    return Sureness(solved, uncertainty)


@open_play("How a putt falls")
def how_it_falls(_viewer: Viewer, solved: Read, uncertainty: Uncertainty) -> Fall:
    """Return the fall of a putt and how sure it is; refused in Competition."""
    return fall_of(solved.putt, uncertainty)


@open_play("What disagrees")
def conflicting(
    _viewer: Viewer, readings: Sequence[Reading], length_m: float, own: Mapping[str, Sense]
) -> tuple[Conflict, ...]:
    """Return which readings disagree, with the golfer's own senses; refused in Competition."""
    return conflicts_of(readings, length_m, own)


@open_play("Comparing your own read")
def compare_own(
    _viewer: Viewer, solved: Read, answer: Answer, golfer: GolferFigures = USUAL_GOLFER
) -> OwnRoll | None:
    """Return the roll of the golfer's own read in any school's words; refused in Competition.

    What it leaves open, aim or pace, is the read's. None where no ball can be started so.
    """
    launch = answer.launch(solved.putt, golfer)
    return roll_of(solved.putt, solved.aim, launch) if launch else None


@open_play("The read")
def against_usual(_viewer: Viewer, solved: Read, usual_ft: float) -> DayEffect | None:
    """Return what the day's speed does to a putt, against a green of the usual speed.

    None where no ball reaches the hole on that one.
    """
    try:
        usual = read(replace(solved.putt, green_speed_ft=usual_ft))
    except PuttError:
        return None
    return DayEffect(
        _share_more(solved.aim_right_m, usual.aim_right_m),
        solved.launch_speed_mps / usual.launch_speed_mps - 1.0,
    )


def _share_more(now_m: float | None, then_m: float | None) -> float | None:
    if now_m is None or then_m is None or abs(then_m) < LEAST_AIM_M:
        return None
    return now_m / then_m - 1.0


@open_play("Roll it, with its beat,")
def read_to_roll(viewer: Viewer, putt: Putt) -> Read:
    """Return the read of a putt whose ball is to be watched; raises as `read_putt` does."""
    return read_putt(viewer, putt)
