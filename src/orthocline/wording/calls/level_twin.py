"""The level twin in words."""

from orthocline.core.calls import LevelTwin
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Said, Saying, beside_line, beyond_hole, titled
from orthocline.wording.wording import Wording


def _words(read: Read, twin: LevelTwin, wording: Wording) -> Said:
    beyond = beyond_hole(twin.along_m - read.putt.length_m, wording)
    return Said(f"{beyond}, {beside_line(twin.right_m, wording)}", ": a coin to putt to, as on a floor")


SAYING = Saying(
    titled("Level twin"),
    _words,
    lambda wording: f"{wording.short(0.3048)} past, {wording.short(0.2286)} left",
    noun="coin",
)
