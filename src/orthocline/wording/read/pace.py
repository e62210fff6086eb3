"""Pace in words: the level twin, the moved hole, the one-second mark and the length of the stroke."""

from orthocline.core.estimate import Estimate
from orthocline.core.roll import Read
from orthocline.core.speed import rule_of_thumb_stroke_m, stroke_length_m
from orthocline.core.units import INCH_M
from orthocline.wording.figures import Wording, side

NEAR_M = 0.5 * INCH_M
"""A coin nearer than half an inch is said to be there."""


def pace_lines(read: Read, wording: Wording, stroke_rate: Estimate | None) -> tuple[tuple[str, str], ...]:
    """Return the pace of a putt in the schools' words, as name and sentence."""
    twin = read.level_twin
    moved = twin.plays_like_m - read.putt.length_m
    found = [
        ("Level twin", f"play it flat and straight to a coin {_coin(read, wording)}"),
        ("Moved hole", _moved(moved, wording)),
    ]
    if read.one_second_m is not None:
        found.append(("One second", f"the ball should pass {wording.far(read.one_second_m)}"))
    else:
        found.append(("One second", "the ball is at rest by then"))
    return (*found, ("Stroke", _stroke(read, wording, stroke_rate)))


def stroke_m(read: Read, rate: Estimate | None) -> float:
    """Return the length of the stroke [m], by the golfer's own putts or else by the rule of thumb."""
    if rate is None:
        return rule_of_thumb_stroke_m(read.level_twin.plays_like_m)
    return stroke_length_m(read.launch_speed_mps, rate)


def _coin(read: Read, wording: Wording) -> str:
    twin = read.level_twin
    words = _along(twin.along_m - read.putt.length_m, wording)
    if abs(twin.right_m) < NEAR_M:
        return words
    return f"{words}, {wording.short(twin.right_m)} {side(twin.right_m)}"


def _moved(beyond_m: float, wording: Wording) -> str:
    if abs(beyond_m) < NEAR_M:
        return "none: it plays its length"
    return f"pace it as if the cup were {_along(beyond_m, wording)}, on the level"


def _along(beyond_m: float, wording: Wording) -> str:
    if abs(beyond_m) < NEAR_M:
        return "at the hole"
    return f"{wording.short(beyond_m)} {'past' if beyond_m > 0.0 else 'short'}"


def _stroke(read: Read, wording: Wording, rate: Estimate | None) -> str:
    whose = "by your own putts" if rate else "a rule of thumb, an inch a foot"
    return f"{wording.short(stroke_m(read, rate))}, half of it back: {whose}"
