"""How a way of measuring green speed, and the figures it asks for, are said."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field

from orthocline.core.speed import Findings
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class FigureWords:
    """A figure in words.

    Attributes
    ----------
    label : str
        What stands beside its field, or over the fields of one that is tried several times.
    missing : str
        What is said while it is not there.
    allowed : str
        What may be typed, after "must be".
    example : callable
        Returns one, as it would be typed.
    one : str
        One of several, as messages begin; empty for a figure that is asked once.
    wrong : str
        What is said where it cannot be true.
    """

    label: str
    missing: str
    allowed: str
    example: Callable[[Wording], str]
    one: str = ""
    wrong: str = ""


@dataclass(frozen=True)
class MethodWords:
    """A method in words.

    Attributes
    ----------
    noun, title, short : str
        In a sentence, at the head of its page, and beside its mark in a drawing.
    how : str
        How it is done.
    figures : mapping
        Its figures' words by their names.
    made_of : callable
        Returns what the speed is made of.
    source : str
        Where a read's speed comes from, before the time.
    """

    noun: str
    title: str
    short: str
    how: str = ""
    figures: Mapping[str, FigureWords] = field(default_factory=dict)
    made_of: Callable[[Findings], str] = lambda _findings: ""
    source: str = ""


ROLL_ALLOWED = "between 1 and 100 ft (0.3 and 30 m), such as 14 ft or 4.3 m"


def always(example: str) -> Callable[[Wording], str]:
    """Return an example that is the same for every golfer."""
    return lambda _wording: example
