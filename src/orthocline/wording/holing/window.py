"""The make window in words: how far a launch may be off, and the gate to practise it."""

import math

from orthocline.core.constants import BALL_RADIUS_M
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


def gate_m(ahead_m: float, tolerance_deg: float) -> float:
    """Return how wide a gate [m] so far in front of the ball lets through what is within a tolerance."""
    return 2.0 * (BALL_RADIUS_M + ahead_m * math.tan(math.radians(tolerance_deg)))


def gate_words(ahead_m: float, tolerance_deg: float, wording: Wording) -> str:
    """Return the gate as a sentence."""
    wide = wording.exact(gate_m(ahead_m, tolerance_deg))
    within = f"{tidy(tolerance_deg)}°"
    return f"A gate {wide} wide, {wording.past(ahead_m)} ahead, lets through what starts within {within}."
