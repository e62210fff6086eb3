"""What came of an answer, in words."""

from typing import Final

from orthocline.core.calls import Answer, GolferFigures, apex_of
from orthocline.core.train import Asks, Given, Marked
from orthocline.wording.figures import capital, hundred
from orthocline.wording.read.rolled import fate_words, own_words
from orthocline.wording.train.questions import said_words
from orthocline.wording.wording import Wording

IS: Final = {
    Asks.SIDE: "it breaks",
    Asks.PLAYS: "it plays",
    Asks.APEX: "its apex is",
    Asks.ENTRY: "it goes in at",
    Asks.STRAIGHT: "it is straight from",
    Asks.PAIR: "it is",
    Asks.SLOPE: "it is",
    Asks.PACE: "pace it to",
    Asks.CARD: "it is",
    Asks.GATE: "its gate is",
}
GOOD: Final = {
    Asks.PLAYS: "Good pace: from dying at the hole to two feet past it serves.",
    Asks.PACE: "Good pace: from dying at the hole to two feet past it serves.",
    Asks.SLOPE: "Good: within half a percent.",
    Asks.CARD: "Right.",
    Asks.PAIR: "Good.",
}
NOT_GOOD: Final = {
    Asks.PLAYS: "From dying at the hole to two feet past would serve.",
    Asks.PACE: "From dying at the hole to two feet past would serve.",
    Asks.SLOPE: "Within half a percent is good.",
    Asks.CARD: "Look again.",
    Asks.PAIR: "That one breaks less.",
}


def result_words(asks: Asks, given: Given, found: Marked, golfer: GolferFigures, wording: Wording) -> str:
    """Return what was said, what is so and what the ball would do."""
    if asks is Asks.AMOUNT:
        return own_words(found.solved, Answer(given.school, given.figures), found.rolled, golfer, wording)
    true, said = _true_and_said(asks, given, found, wording)
    so = f"{capital(IS[asks])} {true}"
    sentence = f"{so}, as you said." if said == true else f"{so}; you said {said}."
    if found.rolled is None:
        return sentence
    return f"{sentence} Played so it would {fate_words(found.solved, found.rolled, wording)}"


def _true_and_said(asks: Asks, given: Given, found: Marked, wording: Wording) -> tuple[str, str]:
    """Return what is so and what was said; of an apex where it lies along the putt too."""
    told = tuple(said_words(asks, figure, wording) for figure in (found.truth, found.given))
    top = apex_of(found.solved) if asks is Asks.APEX else None
    if top is None:
        return told[0], told[1]
    true, said = (f"{wording.far(one)} ahead" for one in (top.mark.along_m, given.figures[0]))
    return f"{true}, {told[0]}", f"{said}, {told[1]}"


def verdict_words(asks: Asks, found: Marked) -> str:
    """Return in a few words whether an answer serves."""
    if found.good:
        return GOOD.get(asks, "Good: it drops.")
    if asks is Asks.APEX and found.rolled and found.rolled.capture.drops:
        return "It drops, but its apex lies elsewhere."
    return NOT_GOOD.get(asks, "It misses.")


def score_words(score: float) -> str:
    """Return a score: ``78 of 100``."""
    return f"{hundred(score)} of 100"


def challenge_words(name: str, theirs: float | None, yours: float) -> str:
    """Return how an answer stands beside that of whoever gave the challenge; theirs may not be known."""
    if theirs is None:
        return f"{name} asked you this one."
    apart = hundred(yours) - hundred(theirs)
    how = "as much as you" if apart == 0 else "less than you" if apart > 0 else "more than you"
    return f"{name} scored {score_words(theirs)}: {how}."
