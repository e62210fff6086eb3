"""How far a golfer's own read was off, in its own unit."""

from collections.abc import Callable, Iterator, Mapping

from orthocline.core.calls import Answer, Figures, Term
from orthocline.wording.calls.saying import STRAIGHT_M, fingers_words
from orthocline.wording.figures import counted, quarters, side
from orthocline.wording.wording import Wording

NEAR = 0.125
"""Hours and fingers less apart than half a quarter are the same."""
WHOLE = {1: "a quarter of an hour", 2: "half an hour", 3: "three quarters of an hour", 4: "an hour"}


def off_words(answer: Answer, right: Figures, wording: Wording) -> str:
    """Return by how much an answer is off the right one: ``3 in left of the read``."""
    parts = list(_parts(answer, right, wording))
    if not parts:
        return "just as the read"
    said = ", ".join(words for words, _ in parts)
    return f"{said} {parts[-1][1]} the read"


def _parts(answer: Answer, right: Figures, wording: Wording) -> Iterator[tuple[str, str]]:
    """Yield what each figure is off by, and what joins it to the read."""
    for term, given, sought in zip(answer.school.terms, answer.figures, right, strict=False):
        words = APART[term](given - sought, wording)
        if words:
            yield words, "of" if term in BESIDE else "than"


def _aside(off_m: float, wording: Wording) -> str:
    return "" if abs(off_m) <= STRAIGHT_M else f"{wording.short(off_m)} {side(off_m)}"


def _along(more: str, less: str) -> Callable[[float, Wording], str]:
    def said(off_m: float, wording: Wording) -> str:
        if abs(off_m) <= STRAIGHT_M:
            return ""
        return f"{wording.short(off_m)} {more if off_m > 0.0 else less}"

    return said


def _hours(off: float, _wording: Wording) -> str:
    off = (off + 6.0) % 12.0 - 6.0
    count = round(4.0 * abs(off))
    if abs(off) < NEAR:
        return ""
    return f"{WHOLE.get(count) or f'{quarters(abs(off))} hours'} {'later' if off > 0.0 else 'earlier'}"


def _fingers(off: float, _wording: Wording) -> str:
    return "" if abs(off) < NEAR else fingers_words(off)


def _steps(more: str, less: str) -> Callable[[float, Wording], str]:
    def said(off: float, _wording: Wording) -> str:
        count = round(abs(off))
        if not count:
            return ""
        return f"{counted(count)} {'step' if count == 1 else 'steps'} {more if off > 0.0 else less}"

    return said


BESIDE = (Term.ASIDE, Term.FINGERS, Term.PLACE)
APART: Mapping[Term, Callable[[float, Wording], str]] = {
    Term.ASIDE: _aside,
    Term.AHEAD: _along("further", "nearer"),
    Term.BEYOND: _along("further", "shorter"),
    Term.SIZE: _along("more", "less"),
    Term.HOUR: _hours,
    Term.FINGERS: _fingers,
    Term.PLACE: _steps("right", "left"),
    Term.MOOD: _steps("firmer", "softer"),
}
