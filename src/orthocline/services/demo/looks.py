"""Three putts of Ternholm as Wren walked round them: what her feet, her level and the water said."""

import math
from collections.abc import Iterator
from dataclasses import dataclass

from orthocline.core.ground import Plane, Reading
from orthocline.core.roll import Point, Putt, RollPast
from orthocline.core.units import FOOT_M, INCH_M, PERCENT
from orthocline.services.demo.golfer import GREENS
from orthocline.services.demo.speeds import COURSE
from orthocline.services.ground.places import Place

SPEED_FT, PAST_IN = 10.2, 9.0
LEVEL = Plane(0.0, 0.0)
Noting = tuple[float, str, float | None, str]
"""Share of the way, the way of fall, percent, and the instrument."""
WAYS = {
    "hole": 0.0,
    "right": 0.5 * math.pi,
    "ball": math.pi,
    "left": -0.5 * math.pi,
    "ball and left": -0.75 * math.pi,
}


@dataclass(frozen=True)
class DemoLook:
    """A putt as it was looked at.

    Attributes
    ----------
    what : str
        What is there to see.
    noted : tuple of Noting
        Its readings.
    """

    green: int
    length_ft: float
    what: str
    noted: tuple[Noting, ...]

    @property
    def place(self) -> Place:
        """Where it lies."""
        return Place(COURSE, f"green {self.green}, {GREENS[self.green - 1]}")

    @property
    def putt(self) -> Putt:
        """The putt, its ground not looked at yet."""
        hole = Point(self.length_ft * FOOT_M, 0.0)
        return Putt(Point(0.0, 0.0), hole, LEVEL, SPEED_FT, RollPast(PAST_IN * INCH_M))

    @property
    def readings(self) -> tuple[Reading, ...]:
        """What was noted."""
        return tuple(self._readings())

    def _readings(self) -> Iterator[Reading]:
        for at, way, percent, by in self.noted:
            yield Reading(at, WAYS[way], None if percent is None else percent * PERCENT, by)


LOOKS = (
    DemoLook(
        *(1, 24.0, "a swale: it breaks right, then left"),
        (
            (0.25, "right", 2.0, "feet"),
            (0.5, "ball", 1.5, "feet"),
            (0.75, "left", 2.4, "level"),
            (1.0, "ball and left", None, "spill"),
        ),
    ),
    DemoLook(
        *(6, 30.0, "up the tier, flat at the hole"),
        (
            (0.25, "left", 1.0, "feet"),
            (0.5, "ball", 6.0, "level"),
            (0.5, "left", 2.0, "feet"),
            (1.0, "ball", 1.0, "level"),
        ),
    ),
    DemoLook(
        *(5, 18.0, "the level and the feet disagree"),
        ((0.5, "right", 2.6, "level"), (0.5, "left", 1.0, "feet"), (0.5, "hole", 1.2, "level")),
    ),
)
"""One on each of three greens."""
