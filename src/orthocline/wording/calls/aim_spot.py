"""The aim spot in words: the break, or the borrow."""

from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Saying, is_centre
from orthocline.wording.figures import side
from orthocline.wording.wording import Wording


def _words(_read: Read, right_m: float | None, wording: Wording) -> str | None:
    if right_m is None:
        return None
    if is_centre(right_m, wording):
        return "none: the centre"
    return f"{wording.aside(right_m)} {side(right_m)} of centre"


SAYING = Saying(lambda wording: wording.bend.capitalize(), _words)
