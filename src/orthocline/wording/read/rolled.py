"""What another launch than the read's does, in words: the golfer's own aim, or one that is tried."""

import math

from orthocline.core.calls import Answer, GolferFigures
from orthocline.core.roll import OwnRoll, Read
from orthocline.wording.calls import SAYINGS
from orthocline.wording.calls.answers import answer_words
from orthocline.wording.calls.off import off_words
from orthocline.wording.calls.saying import STRAIGHT_M
from orthocline.wording.figures import side, tidy
from orthocline.wording.wording import USUAL_WORDING, Wording


def own_words(
    read: Read,
    answer: Answer,
    rolled: OwnRoll | None,
    golfer: GolferFigures,
    wording: Wording = USUAL_WORDING,
) -> str:
    """Return how far the golfer's own read is off in its own unit, and what it would have done."""
    noun, right = SAYINGS[answer.name].noun, answer.sought(read, golfer)
    if rolled is None:
        return f"Your {noun}, {answer_words(answer, wording)}: no ball can be started so."
    fate = fate_words(read, rolled, wording)
    if right is None:
        return f"Your {noun}, {answer_words(answer, wording)}: it would {fate}"
    off = off_words(answer, right, wording)
    if answer.band_m is None:
        return f"Your {noun} is {off}: it would {fate}"
    held = "holds" if abs(answer.figures[0] - right[0]) <= answer.band_m else "does not hold"
    return f"Your band {held} the read; its middle is {off}: it would {fate}"


def impression_words(read: Read, rolled: OwnRoll, wording: Wording = USUAL_WORDING) -> str:
    """Return how far the first impression was off, and what it would have done."""
    glance = Answer("aim_spot", (rolled.aim_right_m,))
    off = off_words(glance, (read.aim_right_m or 0.0,), wording)
    return f"Your first impression was {off}: it would {fate_words(read, rolled, wording)}"


def fate_words(read: Read, rolled: OwnRoll, wording: Wording) -> str:
    """Return what becomes of a ball: ``drop.``, ``pass 4 in low and stop 20 in away.``"""
    if rolled.capture.drops:
        return "drop."
    away = math.hypot(rolled.finish_along_m, rolled.finish_right_m)
    rest = f"and stop {wording.short(away)} away" if rolled.track.rests else "and not stop on this slope"
    if rolled.capture.rim is not None:
        return "lip out, too fast for that edge."
    if rolled.short:
        return f"come up {wording.short(away)} short."
    return f"pass {wording.short(rolled.capture.closest_m)} {_missed(read, rolled)} {rest}."


def _missed(read: Read, own: OwnRoll) -> str:
    """Return the side of a miss: high is the side that the read aims to; a straight putt has none."""
    if abs(math.tan(read.launch_right_rad)) * read.putt.length_m < STRAIGHT_M:
        return side(own.passed_right_m)
    return "high" if own.passed_right_m * read.launch_right_rad > 0 else "low"


def trial_words(read: Read, rolled: OwnRoll, wording: Wording) -> str:
    """Return what one launch of the window does."""
    off_deg = math.degrees(rolled.launch.right_rad - read.launch_right_rad)
    share = 100 * (rolled.launch.speed_mps / read.launch_speed_mps - 1)
    line = (
        f"{tidy(abs(off_deg))}° {'right' if off_deg > 0 else 'left'} of the line"
        if round(off_deg, 1)
        else "On line"
    )
    pace = f"{tidy(abs(share))} % {'firm' if share > 0 else 'soft'}" if round(share, 1) else "at its pace"
    return f"{line}, {pace}: it would {fate_words(read, rolled, wording)}"
