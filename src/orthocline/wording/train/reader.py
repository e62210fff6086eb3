"""Which reader one is, in words."""

from typing import Final, NamedTuple

from orthocline.core.train import Either
from orthocline.wording.figures import capital, hundred, tidy


class Ways(NamedTuple):
    """Two ways to read: what each is called, and who reads so."""

    first: str
    other: str
    first_who: str
    other_who: str


LINES: Final = Ways("aims", "gates", "a straight-line reader", "a curve reader")
EYES: Final = Ways("what you saw", "what you felt as a number", "a reader by eye", "a reader by feel")


def either_words(either: Either, ways: Ways) -> str:
    """Return which of two ways is the golfer's, and how sure that is."""
    who = ways.first_who if either.first_better >= 0.5 else ways.other_who
    if either.told:
        return f"You are {who}: {hundred(either.sure)} of 100 sure."
    return f"Perhaps {who}: {hundred(either.sure)} of 100 sure, and that is too little to say so."


def evidence_words(either: Either, ways: Ways) -> str:
    """Return how far off answers were either way."""
    first, other = tidy(either.first_off), tidy(either.other_off)
    return (
        f"{capital(ways.first)}: off by {first} times what still drops;"
        f" {ways.other}: by {other} times. Six answers each."
    )
