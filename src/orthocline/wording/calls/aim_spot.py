"""The aim spot in words: the break, or the borrow, and where that is about the cup."""

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Said, Saying, beside_line, is_centre
from orthocline.wording.figures import about_cup, side
from orthocline.wording.wording import Wording

EDGE_STEPS = 4.0
"""An edge is said to an inch or a centimetre at the coarsest: it goes with the aim, which is rounded."""


def _words(_read: Read, right_m: float | None, wording: Wording) -> Said | None:
    if right_m is None:
        return None
    if is_centre(right_m, wording):
        return Said("the centre")
    width = wording.aside_share * abs(right_m)
    shown = wording.borne(right_m, width) if width else right_m
    return Said(beside_line(right_m, wording), f": {_edge_words(shown, width, wording)}")


def _edge_words(right_m: float, width_m: float, wording: Wording) -> str:
    """Return where an aim lies about the cup: ``a ball outside the right edge``, ``15 in outside ...``."""
    cup, edge = about_cup(right_m), abs(right_m) - HOLE_RADIUS_M
    if "edge" in cup or "centre" in cup:
        return cup
    by = wording.short(edge, min(width_m, EDGE_STEPS * wording.units.near_m))
    return f"{by} outside the {side(right_m)} edge{cup and ', '}{cup}"


SAYING = Saying(
    lambda wording: wording.bend.capitalize(),
    _words,
    lambda wording: f"{wording.short(0.2286)} left",
    noun="aim",
)
