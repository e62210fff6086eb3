"""The slope trainer on the green, in words."""

from typing import Final

from orthocline.core.train import Bias
from orthocline.wording.wording import Wording

SENSE_WORDS: Final = {"feet": "my feet", "eye": "my eyes"}
WAY_WORDS: Final = {"left": "left foot", "right": "right foot", "toes": "toes", "heels": "heels"}
DONE: Final = {"feet": "feel", "eye": "see"}
FELT: Final = {"feet": "felt", "eye": "saw"}
LOW: Final = {
    "left": "left foot low",
    "right": "right foot low",
    "toes": "toes low",
    "heels": "heels low",
}


def kept_words(sense: str, guess: float, level: float, wording: Wording) -> str:
    """Return a pair that was kept, and by how much the guess was off."""
    done, off = FELT[sense], guess - level
    said = f"Kept: you {done} {wording.slope(guess)}, the level says "
    if level < 0.0:
        return f"{said}{wording.slope(-level)} the other way."
    if abs(off) < 0.00025:
        return f"{said}the same."
    return f"{said}{wording.slope(level)}: {wording.slope(abs(off))} too {'much' if off > 0.0 else 'little'}."


def way_bias_words(sense: str, way: str, bias: Bias, wording: Wording) -> str:
    """Return what a sense does with one side low."""
    if not bias.sure:
        return f"{LOW[way]}: right on the mean, as far as {bias.answers} pairs tell"
    much = "much" if bias.value > 0.0 else "little"
    least, most = sorted((abs(bias.least), abs(bias.most)))
    return (
        f"{LOW[way]}: you {DONE[sense]} {wording.slope(abs(bias.value))} too {much}"
        f" ({wording.slope(least)} to {wording.slope(most)}, {bias.answers} pairs)"
    )
