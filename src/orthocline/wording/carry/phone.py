"""What is entered on a phone, in words."""

from orthocline.wording.figures import side
from orthocline.wording.wording import Wording

GONE = "That green is not charted any more, or has no read from there: what it was read by is gone."
NO_ROUND = "The round that it belongs to has not come in, or was deleted."


def aim_words(right_m: float | None, wording: Wording) -> str:
    """Return an aim: ``9 in left``; what there is none of says so."""
    if right_m is None:
        return "no spot to aim at"
    return f"{wording.short(right_m)} {side(right_m)}".strip()


def changed_words(green: str, said_m: float, now_m: float | None, wording: Wording) -> str:
    """Return that a green was charted anew since a putt on it was read."""
    return (
        f"{green} was charted anew since it was taken along. You read {aim_words(said_m, wording)};"
        f" by its chart as it is now it is {aim_words(now_m, wording)}."
    )


def slope_changed_words(green: str) -> str:
    """Return that a green was charted anew since a slope was read on it."""
    return f"{green} was charted anew since it was taken along: places on it may lie elsewhere now."
