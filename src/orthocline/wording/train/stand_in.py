"""A ball that was struck or rolled at the desk, in words."""

from orthocline.core.calls import plays_like_m
from orthocline.core.roll import Launch, OwnRoll, Read
from orthocline.wording.calls.saying import beside_line
from orthocline.wording.read.rolled import fate_words
from orthocline.wording.wording import Wording


def struck_words(solved: Read, meant: Launch, rolled: OwnRoll, wording: Wording) -> str:
    """Return what a ball was meant to do, by how far it rolls on the level and its aim, and what it did."""
    far = plays_like_m(solved, meant.speed_mps) + (solved.aim.past_m or 0.0)
    aim = solved.putt.length_m * meant.right_rad
    did = "dropped" if rolled.capture.drops else f"would {fate_words(solved, rolled, wording)}".rstrip(".")
    return f"{wording.far(far)} on the level, {beside_line(aim, wording)}: {did}."
