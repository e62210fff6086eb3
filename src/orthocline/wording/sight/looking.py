"""From where a drawing through the eye is seen, in words."""

from orthocline.core.calls import GolferFigures
from orthocline.core.ground import Stop
from orthocline.core.sight import Stand
from orthocline.core.units import FOOT_M
from orthocline.wording.ground.walk import STOP_WORDS
from orthocline.wording.wording import Wording

GRID_FT, GRID_METRIC_M = 2.0, 0.5


def grid_m(wording: Wording) -> float:
    """Return how far apart the lines of the ground's grid are [m]."""
    return GRID_METRIC_M if wording.units.metric else GRID_FT * FOOT_M


def eye_words(golfer: GolferFigures) -> str:
    """Return through which eye one looks: ``Through your left eye``."""
    return f"Through your {golfer.eye} eye" if golfer.eye else "Through one eye"


def stand_words(stop: Stop, stand: Stand, wording: Wording) -> str:
    """Return where one stands: ``6½ ft behind the ball``."""
    if stop.behind_m < 0.0:
        return f"{wording.short(stand.behind_m)} behind the ball"
    if stop.behind_m > 0.0:
        return f"{wording.short(stop.behind_m)} behind the hole"
    title = STOP_WORDS[stop.name].title
    return f"{title[0].lower()}{title[1:]}, {wording.short(abs(stand.right_m))} off the line"


def seen_words(stop: Stop, stand: Stand, golfer: GolferFigures, wording: Wording) -> str:
    """Return how a drawing is seen: ``Through your left eye, 6½ ft behind the ball · grid 2 ft``."""
    where = stand_words(stop, stand, wording)
    return f"{eye_words(golfer)}, {where} · grid {wording.far(grid_m(wording))}"


def hidden_words(hole: bool, aim: bool) -> str:
    """Return what the ground hides; nothing where it hides neither the hole nor the aim."""
    if hole:
        return "The rise hides the hole from here: go by the flagstick, or stand up."
    return "The rise hides where to aim from here: pick a spot on the line this side of it." if aim else ""
