"""The schools' layers on the plan: a module per school that draws, by the names of the core's registry."""

from collections.abc import Iterator

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER
from orthocline.drawing.calls import apex, curve_gate, start_spot
from orthocline.drawing.calls.layer import Draw, Layer, PuttSheet

LAYERS: dict[str, Draw] = {
    "apex": apex.layer,
    "curve_gate": curve_gate.layer,
    "start_spot": start_spot.layer,
}
"""A school that is not here is said, not drawn."""


__all__ = ["LAYERS", "Draw", "Layer", "PuttSheet", "call_layers"]


def call_layers(sheet: PuttSheet) -> Iterator[Layer]:
    """Yield the layers of all schools that draw."""
    for name, school in SCHOOLS.items():
        if name in LAYERS:
            yield LAYERS[name](sheet, school.value(sheet.read, USUAL_GOLFER))
