"""The apex in words, with the warning that it is no target."""

from orthocline.core.calls import Apex
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Said, Saying, beside_line, titled
from orthocline.wording.wording import Wording


def _words(_read: Read, apex: Apex | None, wording: Wording) -> Said | None:
    if apex is None:
        return None
    along = wording.far(apex.mark.along_m)
    return Said(beside_line(apex.mark.right_m, wording), f", {along} along: pass over it, start outside it")


SAYING = Saying(
    titled("Apex"),
    _words,
    lambda wording: f"{wording.short(0.1016)} left",
    "The apex is where the ball turns, not where it starts: aimed at, it misses low.",
    "apex",
)
