"""The beat mark in words."""

from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Saying, titled
from orthocline.wording.wording import Wording


def _words(_read: Read, path_m: float | None, wording: Wording) -> str:
    if path_m is None:
        return "the ball is at rest by then"
    return f"the ball should pass {wording.far(path_m)}"


SAYING = Saying(titled("Beat mark"), _words)
