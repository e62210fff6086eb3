"""A golfer in the putt document: one of the usual ones, or spreads of their own."""

import math
from typing import Annotated, Any, Literal

from pydantic import PlainValidator
from pydantic_core import PydanticCustomError

from orthocline.core.account import GOLFERS, USUAL_TRUENESS, Golfer, ground_of
from orthocline.core.units import PERCENT
from orthocline.formats.part import Part
from orthocline.formats.surface_parts import within

START_LINE_DEG, ENERGY_PERCENT, READ_PERCENT, GROUND_DEG = (0.0, 10.0), (0.0, 50.0), (0.0, 200.0), (0.0, 5.0)
"""Least and most of a golfer's spreads."""


class GolferPart(Part):
    """How one putt of a golfer scatters, one standard deviation of each cause; the ground's on ten feet."""

    start_line_deg: Annotated[float, within(START_LINE_DEG)]
    energy_percent: Annotated[float, within(ENERGY_PERCENT)]
    read_percent: Annotated[float, within(READ_PERCENT)]
    ground_deg: Annotated[float, within(GROUND_DEG)] = math.degrees(ground_of(USUAL_TRUENESS))

    @property
    def golfer(self) -> Golfer:
        """The same in SI."""
        return Golfer(
            math.radians(self.start_line_deg),
            PERCENT * self.energy_percent,
            PERCENT * self.read_percent,
            math.radians(self.ground_deg),
        )


def _golfer(data: Any) -> Golfer:
    """Return the golfer of a member: by level, or by spreads."""
    if isinstance(data, str) and data in GOLFERS:
        return GOLFERS[data]
    if not isinstance(data, dict):
        raise PydanticCustomError("no_golfer", "must be {levels}, or spreads", {"levels": ", ".join(GOLFERS)})
    return GolferPart.model_validate(data).golfer


_LISTED: Any = Literal["tournament", "low", "middle", "new"] | GolferPart
AnyGolfer = Annotated[Golfer, PlainValidator(_golfer, json_schema_input_type=_LISTED)]
"""A usual golfer by level, or spreads of their own."""
