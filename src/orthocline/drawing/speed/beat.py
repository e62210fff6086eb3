"""The stroke as the golfer looks down on it: the hole to the left of a right-handed one."""

from collections.abc import Iterator

from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Group,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Strokes,
    Words,
    box,
    spots_of,
)
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Hand, Wording

WIDTH, HEIGHT, LINE_Y = 640.0, 470.0, 310.0
BALL_X, BACK, MARK_X = 390.0, 170.0, 90.0
MARK_WORDS = 110.0
"""The mark's words are centred no nearer the sheet's edge."""
STROKE_Y, HEAD_TOP, HEAD_FOOT = 365.0, 272.0, 348.0
PULSE, PULSE_RADIUS = Spot(320.0, 118.0), 84.0


def stroke_plan(wording: Wording, mark_m: float | None, stroke_m: float | None, beat_s: float = 1.0) -> Scene:
    """Return the stroke as this golfer sees it, from above; a left-handed one has the hole to the right.

    Its data are where ball, top of the stroke and end of it lie, for whoever moves the head.
    """
    toward = 1.0 if wording.hand is Hand.LEFT else -1.0

    def seen(x: float) -> float:
        return WIDTH - x if wording.hand is Hand.LEFT else x

    hole = "to the hole →" if wording.hand is Hand.LEFT else "← to the hole"
    ball, top, end = seen(BALL_X), seen(BALL_X + BACK), seen(BALL_X - BACK)
    items = [
        Area(box(0.0, 0.0, WIDTH, HEIGHT), fill=Fill.GROUND),
        Line(spots_of((20.0, LINE_Y), (620.0, LINE_Y)), Sign.INK, 1.4, "0.1 6"),
        *_stroke_items(ball, top, end, stroke_m, wording),
        *_mark_items(seen(MARK_X), mark_m, beat_s, wording),
        Words(hole, Spot(seen(12.0), 452.0), Sign.QUIET, "end" if wording.hand is Hand.LEFT else "start"),
        Disc(Spot(ball, LINE_Y), 12.0, Sign.INK, Fill.OPEN, 2.2, name="ball"),
        Group((_head(ball, -toward),), name="head"),
        Disc(PULSE, PULSE_RADIUS, Sign.INK, None, 2.5, name="pulse"),
    ]
    data = {"ball": ball, "top": top, "end": end}
    return Scene("stroke", WIDTH, HEIGHT, f"The stroke seen from above, {hole}", tuple(items), data)


def _stroke_items(
    ball: float, top: float, end: float, stroke_m: float | None, wording: Wording
) -> Iterator[Item]:
    ends = [(x, STROKE_Y + way) for x in (top, ball, end) for way in (-13.0, 13.0)]
    yield Strokes(spots_of(*ends, (top, STROKE_Y), (end, STROKE_Y)), Sign.DO, 1.4)
    back = f"{wording.short(stroke_m / 2.0)} back, as far through" if stroke_m else "back, as far through"
    yield Words(back, Spot(ball, STROKE_Y + 43.0), Sign.DO, "middle")


def _mark_items(x: float, mark_m: float | None, beat_s: float, wording: Wording) -> Iterator[Item]:
    yield Line(spots_of((x, LINE_Y - 36.0), (x, LINE_Y + 36.0)), Sign.INK, 2.6, name="mark")
    words = f"beat mark: {wording.far(mark_m)}" if mark_m else f"one beat, {tidy(beat_s, 2)} s"
    centre = min(max(x, MARK_WORDS), WIDTH - MARK_WORDS)
    yield Words(words, Spot(centre, LINE_Y - 52.0), anchor="middle")


def _head(ball: float, behind: float) -> Item:
    """Return the putter's head against the ball, on the side away from the hole."""
    near, far = ball + 14.0 * behind, ball + 29.0 * behind
    return Area(box(min(near, far), HEAD_TOP, max(near, far), HEAD_FOOT), Sign.INK)
