"""The beat mark in words."""

from orthocline.core.calls import BeatMark
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Saying, titled
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording


def _words(_read: Read, mark: BeatMark | None, wording: Wording) -> str:
    if mark is None:
        return "the ball is at rest within one beat"
    beat = "one second" if mark.after_s == 1.0 else f"one beat, {tidy(mark.after_s, 2)} s,"
    return f"the ball should pass {wording.far(mark.along_m)} {beat} after the strike"


SAYING = Saying(titled("Beat mark"), _words)
