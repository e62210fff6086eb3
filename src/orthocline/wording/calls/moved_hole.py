"""The moved hole in words."""

from orthocline.core.roll import Read
from orthocline.wording.calls.saying import NEAR_M, Saying, beyond_hole, titled
from orthocline.wording.wording import Wording


def _words(_read: Read, beyond_m: float, wording: Wording) -> str:
    if abs(beyond_m) < NEAR_M:
        return "none: it plays its length"
    return f"pace it as if the cup were {beyond_hole(beyond_m, wording)}, on the level"


SAYING = Saying(titled("Moved hole"), _words)
