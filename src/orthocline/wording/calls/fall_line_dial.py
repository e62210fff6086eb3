"""The fall-line dial in words: the ball's hour, its half, and its break against a putt square across."""

from orthocline.core.calls import Dial
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Saying, titled
from orthocline.wording.figures import tidy
from orthocline.wording.ground.dial import hour_words
from orthocline.wording.wording import Wording


def _words(_read: Read, dial: Dial | None, _wording: Wording) -> str | None:
    if dial is None:
        return None
    half = "uphill half" if dial.uphill else "downhill half"
    said = f"ball at {hour_words(dial.hour)}, {half} (6 is straight uphill)"
    return said if dial.share is None else f"{said}: {tidy(dial.share, 2)} of the break square across"


SAYING = Saying(titled("Fall-line dial"), _words)
