"""Tries entered one after another (rolls, times, balls): each kept as typed, checked, perhaps left out."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass

from werkzeug.datastructures import MultiDict

from orthocline.wording.quantities import QuantityError
from orthocline.wording.wording import Wording

MOST_TRIALS = 12


@dataclass(frozen=True)
class TrialKind:
    """What is tried: the field's name and label, how it is read, and between which figures [SI] it lies."""

    name: str
    label: str
    parse: Callable[[str, Wording], float]
    between: tuple[float, float]
    allowed: str


@dataclass(frozen=True)
class Trial:
    """One try: as typed, its figure if it can be read, whether it is left out, what is wrong with it."""

    text: str
    figure: float | None
    left_out: bool = False
    error: str = ""


def trials_in(arguments: MultiDict[str, str], kind: TrialKind, wording: Wording) -> tuple[Trial, ...]:
    """Return the trials in an address; empty fields are none. ``left_out=out-2`` leaves the second out."""
    left_out = set(arguments.getlist("left_out"))
    trials = [
        _checked(text, kind, wording, left_out=f"{kind.name}-{i}" in left_out)
        for i, text in enumerate(arguments.getlist(kind.name), start=1)
        if text.strip()
    ]
    return tuple(trials[:MOST_TRIALS])


def _checked(text: str, kind: TrialKind, wording: Wording, *, left_out: bool) -> Trial:
    try:
        figure = kind.parse(text, wording)
    except QuantityError as error:
        return Trial(text, None, left_out, f"{kind.label} {error}.")
    least, most = kind.between
    if not least <= figure <= most:
        return Trial(text, None, left_out, f"{kind.label} must be {kind.allowed}.")
    return Trial(text, figure, left_out)


def first_error(trials: Sequence[Trial]) -> str:
    """Return what is wrong with the first try that cannot be read; empty if all can."""
    return next((one.error for one in trials if one.error), "")


def counted(trials: Sequence[Trial]) -> list[float]:
    """Return the figures of those that count."""
    return [one.figure for one in trials if one.figure is not None and not one.left_out]


def address_of(kind: TrialKind, trials: Sequence[Trial]) -> list[tuple[str, str]]:
    """Return the trials as fields of an address."""
    fields = [(kind.name, one.text) for one in trials]
    return fields + [
        ("left_out", f"{kind.name}-{i}") for i, one in enumerate(trials, start=1) if one.left_out
    ]
