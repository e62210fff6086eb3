"""The curve gate in words."""

from orthocline.core.calls import Mark
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Said, Saying, beside_line, titled
from orthocline.wording.wording import Wording


def _words(_read: Read, gate: Mark, wording: Wording) -> Said:
    return Said(beside_line(gate.right_m, wording), ", two thirds along")


SAYING = Saying(titled("Curve gate"), _words, lambda wording: f"{wording.short(0.0762)} left", noun="gate")
