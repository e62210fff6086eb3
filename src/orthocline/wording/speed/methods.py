"""The words of the ways of measuring, by the names of the core's registry."""

from orthocline.wording.speed import posted, ramp, stroke, timed
from orthocline.wording.speed.method_words import MethodWords

METHOD_WORDS: dict[str, MethodWords] = {
    "ramp": ramp.WORDS,
    "posted": posted.WORDS,
    "timed": timed.WORDS,
    "stroke": stroke.WORDS,
}
