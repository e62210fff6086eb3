"""The day against the golfer's usual green, in words."""

from collections.abc import Mapping

from orthocline.core.speed import DayEffect
from orthocline.wording.figures import speed_text

ALIKE_FT = 0.25
"""Speeds that differ by less are alike."""
PARTS: Mapping[float, str] = {
    **{1 / 40: "a fortieth", 1 / 20: "a twentieth", 1 / 10: "a tenth", 1 / 7: "a seventh", 1 / 5: "a fifth"},
    **{1 / 4: "a quarter", 1 / 3: "a third", 1 / 2: "half", 1.0: "as much again"},
}
LEAST_PART = 1 / 80


def day_words(speed_ft: float, usual_ft: float, effect: DayEffect) -> str:
    """Return how a green is against the usual one, and what that does to aim and stroke."""
    usual = speed_text(usual_ft)
    if abs(speed_ft - usual_ft) < ALIKE_FT:
        return f"As your usual green, {usual}."
    pace = "Quicker" if speed_ft > usual_ft else "Slower"
    does = [
        _part(effect.aim_share, "more aim", "less aim") if effect.aim_share is not None else "",
        _part(effect.stroke_share, "longer strokes", "shorter strokes"),
    ]
    told = ", ".join(filter(None, does))
    return f"{pace} than your usual {usual}{': ' if told else ''}{told}."


def _part(share: float, more: str, less: str) -> str:
    if abs(share) < LEAST_PART:
        return ""
    nearest = min(PARTS, key=lambda part: abs(part - abs(share)))
    part, what = PARTS[nearest], more if share > 0.0 else less
    return f"{part}{'' if nearest == 1.0 else ' '}{', ' if nearest == 1.0 else ''}{what}"
