"""The aim spot in words: the break, or the borrow."""

from orthocline.core.roll import Read
from orthocline.wording.calls.saying import STRAIGHT_M, Saying
from orthocline.wording.figures import side
from orthocline.wording.wording import Wording


def _words(_read: Read, right_m: float | None, wording: Wording) -> str | None:
    if right_m is None:
        return None
    if abs(right_m) < STRAIGHT_M:
        return "none: the centre"
    return f"{wording.short(right_m)} {side(right_m)} of centre"


SAYING = Saying(lambda wording: wording.bend.capitalize(), _words)
