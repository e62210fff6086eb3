"""What an address asks to read, with its steps and drags: a value, or what is wrong with what was typed."""

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace

from werkzeug.datastructures import MultiDict

from orthocline.core.account import UsualPasts
from orthocline.core.calls import SCHOOLS
from orthocline.core.roll import Putt, PuttError
from orthocline.web.shared.lies import Greens, Lie, hole_of
from orthocline.web.shared.read_address import START
from orthocline.web.shared.read_form import READ_FIELDS, ReadForm
from orthocline.web.shared.read_request import ReadRequest
from orthocline.web.shared.read_value import Held
from orthocline.web.shared.readings import FIELD, MOST_READINGS, Readings, reading_forms
from orthocline.wording.quantities import QuantityError
from orthocline.wording.wording import USUAL_WORDING, Wording

DRAGS = {
    "to_length": ReadRequest.dragged,
    "to_past": ReadRequest.rolled_past,
    "around": ReadRequest.rotated,
    "fall": ReadRequest.falling,
    "to_aim": ReadRequest.impressed,
    "to_own": ReadRequest.own_dragged,
}
"""What is dragged to where, in metres and degrees."""
EDITS = ("step", *DRAGS, "ground", "light", "frame")
"""What is done to the putt in the address."""


GROUND_EDITS: Mapping[str, Callable[[ReadRequest], ReadRequest]] = {
    "split": ReadRequest.in_places,
    "whole": lambda read: replace(read, noted=()),
    "further": lambda read: read.read_in(read.readings.further()),
}
"""What is done to all readings of the ground."""
READING_EDITS: Mapping[str, Callable[[Readings, int, float], Readings]] = {
    "move": Readings.moved,
    "turn": Readings.turned,
}
"""What is done to one of them, by its number and a figure."""
RELAYING = ("drop", *GROUND_EDITS)
"""What leaves other readings than there were."""


@dataclass(frozen=True)
class Asked:
    """What an address asks for.

    Attributes
    ----------
    typed : dict
        Every field as it was typed.
    read : ReadRequest or None
        None while something cannot be read.
    putt : Putt or None
        The putt to be read.
    errors : dict
        What is wrong, by field.
    relaid : bool
        Whether there are other readings now than the page has rows for.
    """

    typed: dict[str, str]
    read: ReadRequest | None
    putt: Putt | None
    errors: dict[str, str]
    wording: Wording
    relaid: bool = False

    @property
    def missing(self) -> bool:
        """Whether nothing is wrong, but a figure is not there yet."""
        return bool(self.errors) and not any(self.typed.get(name) for name in self.errors)


def asked(
    arguments: Mapping[str, str],
    wording: Wording = USUAL_WORDING,
    start: Mapping[str, str] = START,
    usual: UsualPasts | None = None,
    greens: Greens | None = None,
) -> Asked:
    """Return what an address asks for: nothing typed is lost, nothing is used unchecked.

    A field that is not in the address at all takes its value from `start`. A pace that nobody asked for is
    the golfer's `usual` roll-past for the slope. A putt on a charted green has the ground that `greens` know.
    """
    edits = {name: arguments.get(name, "") for name in EDITS}
    named = {name: text for name, text in arguments.items() if name in READ_FIELDS or FIELD.fullmatch(name)}
    given = {**start, **named}
    form = ReadForm(MultiDict(given), meta={"wording": wording})
    readable = form.validate()
    spots = reading_forms(given, form.length_m, wording)
    placed = [one.validate() for one in spots]
    if readable and all(placed):
        try:
            read = form.read_request(held(edits["frame"]), usual, tuple(one.noted for one in spots))
            read = read.lying(_lie(form, greens)) if greens and form.on.data else read
            read = _edited(read, edits).at_usual_past()
            relaid = edits["ground"].partition(":")[0] in RELAYING
            return Asked(given, read, read.asked_putt, {}, wording, relaid)
        except PuttError as error:
            # Tilt and rise are each within range, but not the slope they make together.
            form.side.errors = (f"Tilt and rise together: {error}.",)
        except QuantityError as error:
            form.on.errors = (str(error),)
    given = {name: text for name, text in given.items() if name in READ_FIELDS}
    given |= {field.name: field.data or "" for one in spots for field in one}
    fields = [field for one in (form, *spots) for field in one._fields.values()]
    errors = {field.name: str(field.errors[0]) for field in fields if field.errors}
    return Asked(given, None, None, errors, wording)


def _lie(form: ReadForm, greens: Greens) -> Lie:
    """Return where a putt lies on its green; raises QuantityError where it cannot be told."""
    on = greens(form.on.data or "")
    try:
        hole = hole_of(form.hole.data or "", on)
    except QuantityError as error:
        raise QuantityError(f"The hole {error}.") from error
    return Lie(on, hole, math.radians(form.toward.figure or 0.0))


def _edited(read: ReadRequest, edits: Mapping[str, str]) -> ReadRequest:
    """Return the read after a step or a drag; one that cannot be read changes nothing."""
    name, _, way = edits["step"].partition(":")
    if way in ("1", "-1"):
        read = read.stepped(name, int(way))
    for edit, change in DRAGS.items():
        figure = _figure(edits[edit])
        if figure is not None:
            read = change(read, figure)
    if edits["light"] in SCHOOLS:
        read = read.lighting(edits["light"])
    return _reading_edited(read, edits["ground"])


def _reading_edited(read: ReadRequest, edit: str) -> ReadRequest:
    """Return the read after an edit of its readings, such as ``further``, ``drop:0`` or ``move:0:0.4``."""
    if edit in GROUND_EDITS:
        return GROUND_EDITS[edit](read)
    name, _, rest = edit.partition(":")
    number, _, amount = rest.partition(":")
    i, figure = int(number) if number.isdecimal() else MOST_READINGS, _figure(amount)
    if i >= len(read.noted):
        return read
    if name == "drop":
        return read.read_in(read.readings.without(i))
    if name not in READING_EDITS or figure is None:
        return read
    return read.read_in(READING_EDITS[name](read.readings, i, figure))


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
