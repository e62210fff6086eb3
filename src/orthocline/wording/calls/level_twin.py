"""The level twin in words."""

from orthocline.core.calls import LevelTwin
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import NEAR_M, Saying, beyond_hole, titled
from orthocline.wording.figures import side
from orthocline.wording.wording import Wording


def _words(read: Read, twin: LevelTwin, wording: Wording) -> str:
    coin = beyond_hole(twin.along_m - read.putt.length_m, wording)
    if abs(twin.right_m) >= NEAR_M:
        coin = f"{coin}, {wording.aside(twin.right_m)} {side(twin.right_m)}"
    return f"putt to the coin {coin}, as on a floor"


SAYING = Saying(titled("Level twin"), _words)
