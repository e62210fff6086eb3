"""Tries entered one after another (rolls, times, balls): each kept as typed, checked, perhaps left out."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass

from werkzeug.datastructures import MultiDict

from orthocline.wording.quantities import QuantityError
from orthocline.wording.wording import Wording

MOST_TRIES = 12


@dataclass(frozen=True)
class TryKind:
    """What is tried: the field's name and label, how it is read, and between which figures [SI] it lies."""

    name: str
    label: str
    parse: Callable[[str, Wording], float]
    between: tuple[float, float]
    allowed: str


@dataclass(frozen=True)
class Try:
    """One try: as typed, its figure if it can be read, whether it is left out, what is wrong with it."""

    text: str
    figure: float | None
    left_out: bool = False
    error: str = ""


def tries_in(arguments: MultiDict[str, str], kind: TryKind, wording: Wording) -> tuple[Try, ...]:
    """Return the tries in an address; empty fields are none. ``left_out=out-2`` leaves the second out."""
    left_out = set(arguments.getlist("left_out"))
    found = [
        _checked(text, kind, wording, left_out=f"{kind.name}-{i}" in left_out)
        for i, text in enumerate(arguments.getlist(kind.name), start=1)
        if text.strip()
    ]
    return tuple(found[:MOST_TRIES])


def _checked(text: str, kind: TryKind, wording: Wording, *, left_out: bool) -> Try:
    try:
        figure = kind.parse(text, wording)
    except QuantityError as error:
        return Try(text, None, left_out, f"{kind.label} {error}.")
    least, most = kind.between
    if not least <= figure <= most:
        return Try(text, None, left_out, f"{kind.label} must be {kind.allowed}.")
    return Try(text, figure, left_out)


def first_error(tries: Sequence[Try]) -> str:
    """Return what is wrong with the first try that cannot be read; empty if all can."""
    return next((one.error for one in tries if one.error), "")


def counted(tries: Sequence[Try]) -> list[float]:
    """Return the figures of those that count."""
    return [one.figure for one in tries if one.figure is not None and not one.left_out]


def address_of(kind: TryKind, tries: Sequence[Try]) -> list[tuple[str, str]]:
    """Return the tries as fields of an address."""
    fields = [(kind.name, one.text) for one in tries]
    return fields + [("left_out", f"{kind.name}-{i}") for i, one in enumerate(tries, start=1) if one.left_out]
