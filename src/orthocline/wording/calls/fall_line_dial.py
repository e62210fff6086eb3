"""The fall-line dial in words: the ball's hour, its half, and its break against a putt square across."""

from orthocline.core.calls import Dial
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Said, Saying, titled
from orthocline.wording.figures import tidy
from orthocline.wording.ground.dial import hour_words
from orthocline.wording.wording import Wording


def _words(_read: Read, dial: Dial | None, wording: Wording) -> Said | None:
    if dial is None:
        return None
    half = "uphill half" if dial.uphill else "downhill half"
    hour = hour_words(dial.hour)
    if dial.share is None or dial.square_m is None:
        return Said(hour, f": {half} (6 is straight uphill)")
    square = wording.aside(dial.square_m)
    share = tidy(dial.share, 2)
    return Said(f"{hour}, {square} square across", f": {half}, {'all' if share == '1' else share} of that")


SAYING = Saying(
    titled("Fall-line dial"),
    _words,
    lambda wording: f"4:30, {wording.short(0.3048)}",
    "The dial takes the ground for one tilt all round the hole.",
    "dial",
)
