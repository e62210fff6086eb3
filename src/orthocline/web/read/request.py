"""What an address asks to read, with its steps and drags: a value, or what is wrong with what was typed."""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from werkzeug.datastructures import MultiDict

from orthocline.core.account import UsualPasts
from orthocline.core.roll import PuttError
from orthocline.web.read.forms import READ_FIELDS, ReadForm
from orthocline.web.shared.read_address import START
from orthocline.web.shared.read_request import Held, ReadRequest
from orthocline.wording.wording import USUAL_WORDING, Wording

DRAGS = {
    "to_length": ReadRequest.dragged,
    "to_past": ReadRequest.rolled_past,
    "around": ReadRequest.rotated,
    "fall": ReadRequest.falling,
}
"""What is dragged to where, in metres and degrees."""
EDITS = ("step", *DRAGS, "frame")
"""What is done to the putt in the address."""


@dataclass(frozen=True)
class Asked:
    """What an address asks for.

    Attributes
    ----------
    typed : dict
        Every field as it was typed.
    read : ReadRequest or None
        None while something cannot be read.
    errors : dict
        What is wrong, by field.
    """

    typed: dict[str, str]
    read: ReadRequest | None
    errors: dict[str, str]
    wording: Wording

    @property
    def missing(self) -> bool:
        """Whether nothing is wrong, but a figure is not there yet."""
        return bool(self.errors) and not any(self.typed.get(name) for name in self.errors)


def asked(
    arguments: Mapping[str, str],
    wording: Wording = USUAL_WORDING,
    start: Mapping[str, str] = START,
    usual: UsualPasts | None = None,
) -> Asked:
    """Return what an address asks for: nothing typed is lost, nothing is used unchecked.

    A field that is not in the address at all takes its value from `start`. A pace that nobody asked for is
    the golfer's `usual` roll-past for the slope.
    """
    edits = {name: arguments.get(name, "") for name in EDITS}
    given = {**start, **{name: text for name, text in arguments.items() if name in READ_FIELDS}}
    form = ReadForm(MultiDict(given), meta={"wording": wording})
    if form.validate():
        try:
            read = _edited(form.read_request(held(edits["frame"]), usual), edits)
            return Asked(given, read.at_usual_past(), {}, wording)
        except PuttError as error:
            # Tilt and rise are each within range, but not the slope they make together.
            form.side.errors = (f"Tilt and rise together: {error}.",)
    errors = {name: str(field.errors[0]) for name, field in form._fields.items() if field.errors}
    return Asked(given, None, errors, wording)


def _edited(read: ReadRequest, edits: Mapping[str, str]) -> ReadRequest:
    """Return the read after a step or a drag; one that cannot be read changes nothing."""
    name, _, way = edits["step"].partition(":")
    if way in ("1", "-1"):
        read = read.stepped(name, int(way))
    for edit, change in DRAGS.items():
        figure = _figure(edits[edit])
        if figure is not None:
            read = change(read, figure)
    return read


def _figure(text: str) -> float | None:
    try:
        figure = float(text)
    except ValueError:
        return None
    return figure if math.isfinite(figure) else None


def held(text: str) -> Held | None:
    """Return scale, hole x, hole y and turn of a drawing that is to be held still; None for none."""
    try:
        scale, x, y, turn = (float(part) for part in text.split(","))
    except ValueError:
        return None
    sane = 1.0 <= scale <= 5000.0 and 0.0 <= x <= 1000.0 and 0.0 <= y <= 1000.0 and abs(turn) <= 720.0
    return (scale, x, y, turn) if sane else None
