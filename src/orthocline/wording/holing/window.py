"""The make window in words: how far a launch may be off, and the gate to practise it."""

import math

from orthocline.core.holing import StartGate
from orthocline.core.roll import Read, Window
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording


def tolerance_words(read: Read) -> str:
    """Return within which launches a putt still drops, each side by itself."""
    window = read.make_window
    if window is None:
        return "At this pace no launch drops."
    left, right = (tidy(one) for one in tolerances_deg(window.right_rad, read.launch_right_rad))
    slow = 100 * (1 - window.speed_mps.least / read.launch_speed_mps)
    fast = 100 * (window.speed_mps.most / read.launch_speed_mps - 1)
    return f"{left}° left, {right}° right; {tidy(slow)} % soft, {tidy(fast)} % firm"


def tolerances_deg(window: Window, meant_rad: float) -> tuple[float, float]:
    """Return how far a start line may be off to the left and to the right [degrees]."""
    return math.degrees(meant_rad - window.least), math.degrees(window.most - meant_rad)


def gate_words(gate: StartGate | None, wording: Wording) -> str:
    """Return the gate as a sentence."""
    if gate is None:
        return "A gate must be wider than the ball."
    wide, within = wording.exact(gate.wide_m), f"{tidy(math.degrees(gate.within_rad))}°"
    return (
        f"A gate {wide} wide, {wording.past(gate.ahead_m)} ahead, lets through what starts within {within}."
    )
