"""The start aid in words: a spot to roll over, or the line on the ball laid through it."""

from orthocline.core.calls import StartAid, StartLine
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Said, Saying, beside_line, titled
from orthocline.wording.wording import Wording

HOW = {
    StartAid.SPOT: ": start it over that spot",
    StartAid.LINE: ": lay the ball's line through there",
}


def _words(_read: Read, line: StartLine, wording: Wording) -> Said | None:
    if line.aid not in HOW:
        return None
    where = f"{wording.far(line.spot.ahead_m)} ahead, {beside_line(line.spot.right_m, wording)}"
    return Said(where, HOW[line.aid])


SAYING = Saying(
    titled("Start line"),
    _words,
    lambda wording: f"{wording.far(0.6096)} ahead, {wording.short(0.0254)} left",
    noun="start line",
)
