"""The stroke as the golfer looks down on it: the hole to the left of a right-handed one."""

from dataclasses import dataclass

from orthocline.wording.figures import Wording

WIDTH = 640.0
BALL_X = 390.0
BACK = 170.0
MARK_X = 90.0


@dataclass(frozen=True)
class StrokePlan:
    """Where ball, top of the stroke and one-second mark lie on the sheet, and what they say.

    Attributes
    ----------
    ball_x, top_x, end_x, mark_x : float
        Ball, top of the backswing, end of the stroke as far beyond the ball, and the mark.
    """

    ball_x: float
    top_x: float
    end_x: float
    mark_x: float
    back_words: str
    mark_words: str
    hole_words: str


def stroke_plan(wording: Wording, mark_m: float | None, stroke_m: float | None) -> StrokePlan:
    """Return the stroke as this golfer sees it, from above; a left-handed one has the hole to the right."""

    def seen(x: float) -> float:
        return WIDTH - x if wording.left_handed else x

    back = f"{wording.short(stroke_m / 2.0)} back, as far through" if stroke_m else "back, as far through"
    mark = f"one second: {wording.far(mark_m)}" if mark_m else "one second"
    hole = "to the hole →" if wording.left_handed else "← to the hole"
    return StrokePlan(seen(BALL_X), seen(BALL_X + BACK), seen(BALL_X - BACK), seen(MARK_X), back, mark, hole)
