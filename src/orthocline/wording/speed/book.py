"""The speed book in words: what a day's speed is made of, how the green was, where a read's speed is from."""

from collections.abc import Sequence

from orthocline.core.estimate import Estimate
from orthocline.wording.figures import speed_text
from orthocline.wording.speed.methods import METHOD_WORDS


def because(measures: Sequence[tuple[str, float]], when: str) -> str:
    """Return what a day's speed is made of and how old it is: methods and speeds [ft], newest first."""
    if len(measures) == 1:
        return f"By {METHOD_WORDS[measures[0][0]].noun}, {when}."
    parts = ", ".join(f"{METHOD_WORDS[method].noun} {speed_text(speed_ft)}" for method, speed_ft in measures)
    return f"From {len(measures)} measures, the surer ones weighing more ({parts}), {when}."


def how_words(method: str, was_ft: Estimate | None) -> str:
    """Return how a speed was measured, and what it was [ft] where it has been worked out again."""
    noun = METHOD_WORDS[method].noun
    return f"{noun}, {speed_text(was_ft.value)} before ramps were counted anew" if was_ft else noun


def condition_words(words: Sequence[str], trueness: int | None, smoothness: int | None) -> str:
    """Return how a green was, in the words chosen and two ratings of five."""
    rated = [f"{name} {got}/5" for name, got in (("true", trueness), ("smooth", smoothness)) if got]
    return ", ".join([*filter(None, words), *rated])


def source_words(method: str, when: str) -> str:
    """Return where a read's speed comes from: by one method of the registry, or by ``several``."""
    if method == "several":
        return f"measured {when}"
    return f"{METHOD_WORDS[method].source} {when}"
