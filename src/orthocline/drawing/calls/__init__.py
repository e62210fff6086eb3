"""The schools' layers on the plan: a module per school, by the names of the core's registry."""

from collections.abc import Callable, Iterator, Mapping
from types import MappingProxyType

from orthocline.core.calls import SCHOOLS, GolferFigures
from orthocline.core.roll import Read
from orthocline.drawing.calls import (
    aim_spot,
    apex,
    beat_mark,
    cup_entry,
    curve_gate,
    fall_line_dial,
    hand_gauge,
    instinct,
    level_twin,
    pace_target,
    plumb_line,
    start_spot,
    stroke,
)
from orthocline.drawing.calls.layer import Draw, Layer, PuttSheet, Reach
from orthocline.drawing.scene import Spots, spots_of

LAYERS: dict[str, Draw] = {
    "aim_spot": aim_spot.layer,
    "apex": apex.layer,
    "beat_mark": beat_mark.layer,
    "cup_entry": cup_entry.layer,
    "curve_gate": curve_gate.layer,
    "fall_line_dial": fall_line_dial.layer,
    "hand_gauge": hand_gauge.layer,
    "instinct": instinct.layer,
    "level_twin": level_twin.layer,
    "pace_target": pace_target.layer,
    "plumb_line": plumb_line.layer,
    "start_spot": start_spot.layer,
    "stroke": stroke.layer,
}
REACHES: dict[str, Reach] = {"level_twin": level_twin.reach, "pace_target": pace_target.reach}
"""Of layers that may lie beyond what else is drawn."""
NONE: Mapping[str, Callable[..., Layer]] = MappingProxyType({})
ALWAYS = ("curve_gate", "apex", "start_spot")
"""These are drawn of every read; the others when they are lit."""

__all__ = ["ALWAYS", "LAYERS", "Draw", "Layer", "PuttSheet", "call_layers", "reach_of"]


def call_layers(
    sheet: PuttSheet, lit: str = "", instead: Mapping[str, Callable[..., Layer]] = NONE
) -> Iterator[tuple[str, Layer]]:
    """Yield the layers that are drawn, with their schools: those of every read, and the one that is lit.

    A school that is in `instead` has its layer from there.
    """
    draws = {**LAYERS, **instead}
    for name, school in SCHOOLS.items():
        if name in draws and (name in ALWAYS or name == lit):
            value = school.value(sheet.read, sheet.golfer)
            yield name, draws[name](sheet, value)


def reach_of(read: Read, golfer: GolferFigures, lit: str) -> Spots:
    """Return the places [m] that the lit layer must have on its sheet, shape (n, 2)."""
    if lit not in REACHES:
        return spots_of()
    return REACHES[lit](read, SCHOOLS[lit].value(read, golfer))
