"""The beat mark in words."""

from orthocline.core.calls import BeatMark
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Said, Saying, titled
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording


def _words(_read: Read, mark: BeatMark | None, wording: Wording) -> Said:
    if mark is None:
        return Said("the ball is at rest within one beat")
    beat = "one second" if mark.after_s == 1.0 else f"one beat, {tidy(mark.after_s, 2)} s,"
    return Said(wording.far(mark.along_m), f" on its way {beat} after the strike")


SAYING = Saying(
    titled("Beat mark"),
    _words,
    lambda wording: wording.far(1.83),
    "The beat mark tells the pace, nothing of the line.",
    "beat mark",
)
