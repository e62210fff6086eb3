"""The range of a call in its own unit."""

from collections.abc import Callable, Mapping, Sequence

from orthocline.core.calls import School, Term
from orthocline.core.estimate import Span
from orthocline.wording.calls.saying import beyond_hole
from orthocline.wording.figures import both, hour_words, quarters
from orthocline.wording.sure.ranges import range_text
from orthocline.wording.wording import Wording


def spans_text(school: School, spans: Sequence[Span | None], wording: Wording) -> str:
    """Return between what a call's figures lie: ``5 to 8 in``; empty where they are as sure as said."""
    termed = zip(school.terms, spans, strict=False)
    said = [SPANS[term](span, wording) for term, span in termed if span is not None]
    return ", ".join(words for words in said if words)


def _joined(one: str, other: str) -> str:
    return "" if one == other else both(one, other, "to")


def _aside(span: Span, wording: Wording) -> str:
    return range_text(span, wording) if span.width > wording.least_m else ""


def _beyond(span: Span, wording: Wording) -> str:
    ends = [beyond_hole(end, wording) for end in (span.least, span.most)]
    words = [end.rpartition(" ")[2] for end in ends]
    if words[0] != words[1] or words[0] == "hole":
        return "" if ends[0] == ends[1] else " to ".join(ends)
    near, far = sorted((span.least, span.most), key=abs)
    return _joined(wording.short(near, span.width), wording.short(far, span.width))


def _size(span: Span, wording: Wording) -> str:
    return _joined(*(wording.short(end, span.width) for end in (span.least, span.most)))


def _ahead(span: Span, wording: Wording) -> str:
    return _joined(wording.far(span.least), wording.far(span.most))


def _hours(span: Span, _wording: Wording) -> str:
    first, last = hour_words(span.least), hour_words(span.most)
    return "" if first == last else f"{first} to {last}"


def _fingers(span: Span, _wording: Wording) -> str:
    near, far = sorted((span.least, span.most), key=abs)
    ends = quarters(abs(near)), quarters(abs(far))
    if near * far < 0.0 and ends[0] != "0":
        return f"{quarters(abs(span.least))} left to {quarters(abs(span.most))} right"
    return "" if ends[0] == ends[1] else " to ".join(ends)


SPANS: Mapping[Term, Callable[[Span, Wording], str]] = {
    Term.ASIDE: _aside,
    Term.AHEAD: _ahead,
    Term.BEYOND: _beyond,
    Term.SIZE: _size,
    Term.HOUR: _hours,
    Term.FINGERS: _fingers,
}
