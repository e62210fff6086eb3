"""The start spot in words."""

from orthocline.core.calls import Mark
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Saying, beside_line, titled
from orthocline.wording.wording import Wording


def _words(_read: Read, spot: Mark, wording: Wording) -> str:
    return f"{wording.far(spot.ahead_m)} ahead, {beside_line(spot.right_m, wording)}"


SAYING = Saying(titled("Start spot"), _words)
