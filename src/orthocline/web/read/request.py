"""What a request asks to read: the putt as it stands in the address, with steps and drags applied."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from urllib.parse import urlencode

from werkzeug.datastructures import MultiDict

from orthocline.core.roll import Putt, PuttError
from orthocline.formats.speed_origin import SpeedOrigin
from orthocline.web.read.edits import ground_values, held_frame, stepped, turned_ground, turned_ways
from orthocline.web.read.forms import ReadForm
from orthocline.web.shared.read_address import START
from orthocline.wording.wording import USUAL_WORDING, Wording

DRAG_FIELDS = ("around", "fall", "frame")


@dataclass(frozen=True)
class ReadRequest:
    """What a request asks for.

    Attributes
    ----------
    form : ReadForm
        As typed, with messages beside what cannot be read.
    putt : Putt or None
        None while something cannot be read.
    frame : tuple of four float, or None
        Scale, hole x, hole y and turn of a drawing that is held still while something is dragged.
    """

    form: ReadForm
    putt: Putt | None
    frame: tuple[float, float, float, float] | None = None

    @cached_property
    def values(self) -> dict[str, str]:
        """The fields that are not empty, as the shortest address of the same read."""
        shown = {name: (field.data or "") for name, field in self.form._fields.items()}
        for name in ("own", "grain", "wind"):
            if not shown[name]:
                shown.pop(f"{name}_side", None)
                shown.pop(f"{name}_toward", None)
        return {name: value for name, value in shown.items() if value}

    @cached_property
    def query(self) -> str:
        """The same as the query of an address."""
        return urlencode(self.values)

    @property
    def wording(self) -> Wording:
        """How the golfer who asks says figures."""
        return self.form.wording

    @property
    def origin(self) -> SpeedOrigin | None:
        """Where the green speed comes from; None where another speed was typed since."""
        origin: SpeedOrigin | None = self.form.measured.origin
        speed = self.form.speed.figure
        return origin if origin and speed and abs(origin.speed_ft - speed) < 0.05 else None

    @property
    def errors(self) -> dict[str, str]:
        """What is wrong, by field."""
        return {name: field.errors[0] for name, field in self.form._fields.items() if field.errors}


def read_request(
    arguments: Mapping[str, str], wording: Wording = USUAL_WORDING, start: Mapping[str, str] = START
) -> ReadRequest:
    """Return what a request asks for: nothing typed is lost, nothing is used unchecked.

    A field that is not in the address at all takes its value from `start`.
    """
    values = {**start, **arguments}
    turned = {name: values.pop(name, "") for name in DRAG_FIELDS}
    step = values.pop("step", "")
    checked = _checked(values, wording)
    if checked.putt and step:
        checked = _checked(values | stepped(checked.form, step), wording)
    if checked.putt and (turned["around"] or turned["fall"]):
        ground = turned_ground(checked.putt, turned["around"], turned["fall"])
        ways = turned_ways(checked.form, turned["around"])
        checked = _checked(values | ways | ground_values(ground, checked.form), wording)
    return replace(checked, frame=held_frame(turned["frame"]))


def _checked(values: Mapping[str, str], wording: Wording) -> ReadRequest:
    form = ReadForm(MultiDict(values), meta={"wording": wording})
    if not form.validate():
        return ReadRequest(form, None)
    try:
        return ReadRequest(form, form.putt())
    except PuttError as error:
        # Tilt and rise are each within range, but not the slope they make together.
        form.side.errors = (f"Tilt and rise together: {error}.",)
        return ReadRequest(form, None)
