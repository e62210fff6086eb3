"""The plumb line in words: where it meets the hole's distance, and how far off that is for this putt."""

from orthocline.core.calls import PlumbLine
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Said, Saying, against_aim, beside_line, titled
from orthocline.wording.wording import Wording


def _words(read: Read, line: PlumbLine, wording: Wording) -> Said:
    where = beside_line(line.right_m, wording)
    along = f", along its {line.edge} edge" if line.edge else ""
    if line.off_m is None or read.aim_right_m is None:
        return Said(where, along)
    off = against_aim(line.off_m, read.aim_right_m, wording)
    return Said(
        where, f"{along}, as it looks from {wording.slope(abs(line.tilt_right))} of tilt: {off} for this putt"
    )


SAYING = Saying(
    titled("Plumb line"),
    _words,
    lambda wording: f"{wording.short(0.1016)} left",
    "The plumb line knows the tilt at the feet, not green speed, pace or the ground in between.",
    "plumb line",
)
