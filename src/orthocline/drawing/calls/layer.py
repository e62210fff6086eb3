"""A school's layer on the plan of a putt: what it draws, and the labels it wants."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from orthocline.core.roll import Putt, Read
from orthocline.drawing.frame import Frame
from orthocline.drawing.labels import LabelSide, Wanted
from orthocline.drawing.scene import Item
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class PuttSheet:
    """A read on a sheet: what layers draw on."""

    read: Read
    frame: Frame
    wording: Wording

    @property
    def putt(self) -> Putt:
        """The putt that is read."""
        return self.read.putt

    @property
    def outside(self) -> LabelSide:
        """The side to which the ball starts."""
        return "right" if self.read.launch_right_rad > 0 else "left"

    @property
    def inside(self) -> LabelSide:
        """The side toward which the ball curves."""
        return "left" if self.read.launch_right_rad > 0 else "right"


@dataclass(frozen=True)
class Layer:
    """What a school draws, and its labels."""

    items: tuple[Item, ...] = ()
    labels: tuple[Wanted, ...] = ()


Draw = Callable[[PuttSheet, Any], Layer]
"""Returns the layer of a school's value."""
