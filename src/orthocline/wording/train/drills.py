"""Drills in words: what a mark is, what is putted next, how it went."""

from typing import Final

from orthocline.core.drills import Ball, Mark, MarkKind, Trend
from orthocline.wording.figures import hundred, tidy
from orthocline.wording.wording import Wording

TRAINS_WORDS: Final = {
    "pace": "pace",
    "line": "start line",
    "read": "reading",
    "aim": "aim",
    "strike": "strike",
    "tempo": "tempo",
}


def mark_words(mark: Mark, wording: Wording) -> str:
    """Return what a mark is, with its width; empty for what its shape says."""
    wide = wording.short(mark.wide_m) if mark.wide_m else ""
    if mark.kind is MarkKind.GATE:
        return f"{mark.says or 'gate'}, {wide}"
    if mark.kind is MarkKind.ZONE:
        return f"zone {wording.far(mark.deep_m)} deep"
    return mark.says


def ball_words(ball: Ball, wording: Wording) -> str:
    """Return what is putted next: ``15 ft · uphill``."""
    parts = [wording.far(ball.to_m), *([ball.says] if ball.says else [])]
    return " · ".join(parts)


def score_words(points: float, best: float) -> str:
    """Return how a run went: ``7 of 12``."""
    return f"{tidy(points)} of {tidy(best)}"


def target_words(target: float | None, level: str) -> str:
    """Return what the model's golfer of a level does."""
    if target is None:
        return "The model has no golfer for this one: your own trend is what counts."
    return f"A usual {level} golfer: {hundred(target)} of 100."


def trend_words(trend: Trend | None) -> str:
    """Return whether a drill goes better from week to week; empty while it was done too seldom."""
    if trend is None:
        return ""
    least, most = sorted((abs(hundred(trend.least)), abs(hundred(trend.most))))
    if not trend.sure:
        return "Not surely better or worse yet."
    way = "more" if trend.a_week > 0.0 else "less"
    return f"{abs(hundred(trend.a_week))} of 100 {way} each week ({least} to {most})."


def beside_words(share: float, target: float | None) -> str:
    """Return how a run stands beside the model's golfer."""
    if target is None:
        return ""
    off = hundred(share) - hundred(target)
    if abs(off) < 3:
        return "As the model's golfer."
    return f"{abs(off)} of 100 {'better' if off > 0 else 'less'} than the model's golfer."
