"""Where the slope counts, in words: the sentence that settles the quarrel for the putt at hand."""

from orthocline.core.sure import Counting
from orthocline.wording.figures import hundred

STRAIGHT = 0.5
"""Shares of the turning that sum to less are none: the way is straight."""


def counting_words(counting: Counting) -> str:
    """Return how the thirds of the way count, beside how much of the turning is seen in the last."""
    first, middle, last = (hundred(share) for share in counting.counts_by_third)
    if sum(counting.turns_by_third) < STRAIGHT:
        return (
            f"It rolls straight; a tilt would count {first}, {middle} and {last} of 100 in its three thirds."
        )
    turned = hundred(counting.turns_by_third[-1])
    joined = "but its slope counts only" if last < turned else "and its slope counts"
    return (
        f"The last third shows {turned} of 100 parts of the turning, {joined} {last};"
        f" that of the first third counts {first}."
    )
