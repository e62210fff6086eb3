"""The walk in words: each stop, what to look for there, and what is asked."""

from typing import NamedTuple

from orthocline.core.ground import Ask, Kind


class StopWords(NamedTuple):
    """A stop as a list has it, and what to do there."""

    title: str
    short: str
    look_for: str


STOP_WORDS = {
    "first": StopWords(
        "Before stepping on",
        "First look",
        "Where would a bucket of water leave? Drains and ponds beside the green count; far hills and lakes"
        " do not.",
    ),
    "pace": StopWords(
        "Pace it out",
        "Pace",
        "Walk beside the line, not on it. Feel which foot is lower half-way, and whether you go up or down.",
    ),
    "low_side": StopWords(
        "Low side, half-way",
        "Low side",
        "Crouch on the low side: up or down over the whole putt, a crown or a saddle on the way?",
    ),
    "third": StopWords(
        "Feet at one third", "1/3", "Stand beside the line, feet together: which foot is low?"
    ),
    "two_thirds": StopWords(
        "Feet at two thirds", "2/3", "The ball slows here and turns most. Which foot is low?"
    ),
    "hole": StopWords(
        "Behind the hole",
        "Hole",
        "Which side would water leave the cup? Is an edge worn? Choose how the ball is to arrive: pace before"
        " line.",
    ),
    "ball": StopWords(
        "Behind the ball",
        "Ball",
        "Stand square, eyes level. Which side is low as you see it, and under your feet?",
    ),
}
"""By the names of the core's registry."""


FROM_WORDS = {
    "pace": "half-way, beside the line",
    "low_side": "from the low side, half-way",
    "third": "at one third",
    "two_thirds": "at two thirds",
    "hole": "from behind the hole",
    "ball": "from behind the ball",
}
"""Where to look from, of the stops on the green."""
WAY_WORDS = {
    "hole and left": "far left",
    "hole": "far side",
    "hole and right": "far right",
    "left": "left",
    "right": "right",
    "ball and left": "near left",
    "ball": "to the ball",
    "ball and right": "near right",
}
"""The ways of fall as they lie round the cup."""


def ask_words(ask: Ask) -> str:
    """Return what is asked, as a heading of its answers."""
    if ask.kind is Kind.SIDE:
        return "Which side looks low" if ask.by == "eye" else "Which foot is low"
    if ask.kind is Kind.GRADE:
        return "Up or down, as it looks" if ask.by == "eye" else "Toes or heels up, facing the hole"
    return {
        Kind.STEPS: "Steps",
        Kind.RISE: "The hole is higher or lower by",
        Kind.WAY: "Water leaves" if ask.by == "spill" else "It falls toward",
        Kind.GRAIN: "Worn edge, or where the grass grows",
        Kind.PACE: "Roll past",
    }[ask.kind]


def deceives_words(tilt: str, flatter: str) -> str:
    """Return that the ground under one's feet deceives, and from which stop to look instead, if any."""
    elsewhere = f" Look again {FROM_WORDS[flatter]}." if flatter else " Trust what you felt half-way."
    return f"The ground under you tilts {tilt}: level ground beside it looks tilted the other way.{elsewhere}"
