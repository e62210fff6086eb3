"""What a page that measures asks for, as a sheet of figures: each kept as typed, and checked."""

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass

from werkzeug.datastructures import MultiDict

from orthocline.formats.sheet import Noted, Sheet
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.wording.quantities import QuantityError
from orthocline.wording.wording import Wording

MOST_TRIALS = 12


@dataclass(frozen=True)
class TrialKind:
    """What is tried again and again: the field's name and label, how it is read, and its range [SI].

    With `gaps` an empty field before a typed one keeps its place: what is noted goes with another row.
    """

    name: str
    label: str
    parse: Callable[[str, Wording], float]
    between: tuple[float, float]
    allowed: str
    gaps: bool = False


def sheet_in(
    arguments: MultiDict[str, str], form: FigureForm, kinds: Iterable[TrialKind], said: Mapping[str, str]
) -> Sheet:
    """Return the sheet of an address: figures and choices of a validated form, what is tried, and `said`."""
    figures, choices = {}, dict(said)
    for name, field in form._fields.items():
        if isinstance(field, QuantityField):
            error = str(field.errors[0]) if field.errors else ""
            figures[name] = (Noted(field.data, field.figure, error=error),) if field.data else ()
        else:
            choices[name] = "1" if field.data is True else field.data or ""
    tried = {kind.name: _trials_in(arguments, kind, form.wording) for kind in kinds}
    return Sheet(figures | tried, choices)


def errors_of(form: FigureForm, sheet: Sheet) -> dict[str, str]:
    """Return what is wrong, by field."""
    wrong = {name: str(field.errors[0]) for name, field in form._fields.items() if field.errors}
    return wrong | sheet.errors


def noted(text: str, kind: TrialKind, wording: Wording, *, left_out: bool = False) -> Noted:
    """Return a figure as it was typed, with what it means or what is wrong with it."""
    try:
        figure = kind.parse(text, wording)
    except QuantityError as error:
        return Noted(text, None, left_out, f"{kind.label} {error}.")
    least, most = kind.between
    if not least <= figure <= most:
        return Noted(text, None, left_out, f"{kind.label} must be {kind.allowed}.")
    return Noted(text, figure, left_out)


def _trials_in(arguments: MultiDict[str, str], kind: TrialKind, wording: Wording) -> tuple[Noted, ...]:
    """Return what was tried; empty fields are nothing, or a gap."""
    left_out = set(arguments.getlist("left_out"))
    texts = arguments.getlist(kind.name)
    last = max((i for i, text in enumerate(texts, start=1) if text.strip()), default=0)
    trials = [
        noted(text, kind, wording, left_out=f"{kind.name}-{i}" in left_out) if text.strip() else Noted("")
        for i, text in enumerate(texts[:last], start=1)
        if text.strip() or kind.gaps
    ]
    return tuple(trials[:MOST_TRIALS])
