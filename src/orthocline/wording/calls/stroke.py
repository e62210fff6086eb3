"""The length of the stroke in words."""

from orthocline.core.calls import StrokeLength
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Saying, titled
from orthocline.wording.wording import Wording


def _words(_read: Read, stroke: StrokeLength, wording: Wording) -> str:
    whose = "by your own putts" if stroke.calibrated else "a rule of thumb, an inch a foot"
    return f"{wording.short(stroke.length_m)}, half of it back: {whose}"


SAYING = Saying(titled("Stroke"), _words)
