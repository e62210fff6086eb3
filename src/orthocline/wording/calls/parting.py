"""Where two schools part on one putt, and why, in words."""

from orthocline.core.calls import Parting
from orthocline.wording.calls import SAYINGS
from orthocline.wording.calls.saying import STRAIGHT_M
from orthocline.wording.figures import capital
from orthocline.wording.wording import Wording


def parting_words(parting: Parting | None, wording: Wording) -> str:
    """Return where the balls of two schools part."""
    if parting is None:
        return "One of them has nothing to say of this putt."
    if parting.apart_m < STRAIGHT_M and parting.rests_m < STRAIGHT_M:
        return "Both roll the same ball."
    if parting.along_m is None:
        return f"They keep together to the hole, and rest {wording.short(parting.rests_m)} apart."
    along = wording.far(parting.along_m)
    return f"They part {along} from the ball, and pass the hole {wording.short(parting.apart_m)} apart."


def blind_words(name: str, wording: Wording) -> str:
    """Return what a school does not know, in a sentence; that it is the read itself where it knows all."""
    saying = SAYINGS[name]
    return (
        saying.blind or f"{capital(saying.title(wording))} is the read itself, at the pace that was chosen."
    )
