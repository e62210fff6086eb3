"""What schools need to know of the golfer."""

import math
from dataclasses import dataclass, field
from enum import StrEnum
from typing import Final

import numpy as np

from orthocline.core.estimate import Estimate
from orthocline.core.speed import Tempo

USUAL_FINGER_M: Final = 0.017
USUAL_ARM_M: Final = 0.65
"""From the eye to the fingers, arm straight."""
USUAL_BEND_M, USUAL_BEND_FT = 0.45, 9.0
"""Bent so far [m], a finger for a percent fits on a green of that speed [ft] (putts of ten feet)."""
STAND_M: Final = 0.6
"""Who holds up fingers stands so far behind the ball, on the ball-hole line (as practised)."""
USUAL_EYE_M: Final = 1.6
"""Height of the eyes of a golfer who stands."""
USUAL_LEAN: Final = 0.7
"""How far a golfer leans with the ground, 0 to 1."""
USUAL_CROUCH_M: Final = 0.7
"""Height of the eyes of a golfer who crouches."""
USUAL_STAND_M: Final = 2.0
"""So far behind the ball a golfer looks along the line."""


@dataclass(frozen=True)
class Gauge:
    """The hand held up between eye and green.

    Attributes
    ----------
    fingers_m : tuple of float
        Widths [m] in the order in which they are held up: index, middle, ring and little finger, thumb.
    straight_m : float
        From the eye to the fingers [m], arm straight.
    bent_m, bent_for_ft : float
        The same with the arm bent for a green speed [ft]; it goes with one over the speed.
    """

    fingers_m: tuple[float, ...] = (USUAL_FINGER_M,) * 5
    straight_m: float = USUAL_ARM_M
    bent_m: float = USUAL_BEND_M
    bent_for_ft: float = USUAL_BEND_FT

    def arm_m(self, green_speed_ft: float) -> float:
        """Return how far from the eye the fingers are held for a green.

        Parameters
        ----------
        green_speed_ft : float
            Its speed [ft].

        Returns
        -------
        float
            Distance [m], at most the straight arm's.
        """
        return min(self.straight_m, self.bent_m * self.bent_for_ft / green_speed_ft)

    def width_m(self, fingers: float) -> float:
        """Return how wide so many fingers are; beyond the thumb they are counted again by their mean.

        Parameters
        ----------
        fingers : float
            How many, parts of one too, 0 or more.

        Returns
        -------
        float
            Width [m].
        """
        edges = self._edges
        beyond = max(fingers - len(self.fingers_m), 0.0)
        return float(np.interp(fingers, range(len(edges)), edges)) + beyond * edges[-1] / len(self.fingers_m)

    def fingers(self, width_m: float) -> float:
        """Return how many fingers are so wide: the inverse of `width_m`.

        Parameters
        ----------
        width_m : float
            Width at the fingers [m], 0 or more.

        Returns
        -------
        float
            How many, parts of one too.
        """
        edges = self._edges
        beyond = max(width_m - edges[-1], 0.0)
        return float(np.interp(width_m, edges, range(len(edges)))) + beyond * len(self.fingers_m) / edges[-1]

    def fingers_to(self, aim_m: float, length_m: float, arm_m: float) -> float:
        """Return how many fingers reach an aim: the inverse of n f (L + s) / a.

        Parameters
        ----------
        aim_m : float
            From the hole's centre [m], positive to the right.
        length_m : float
            From ball to hole [m].
        arm_m : float
            From the eye to the fingers [m].

        Returns
        -------
        float
            Fingers [1], positive to the right.
        """
        return math.copysign(self.fingers(abs(aim_m) * arm_m / (length_m + STAND_M)), aim_m)

    @property
    def _edges(self) -> list[float]:
        return [0.0, *np.cumsum(self.fingers_m).tolist()]


@dataclass(frozen=True)
class Putter:
    """A putter held up by two fingers, as it was checked once against a plumb line.

    Attributes
    ----------
    left, right : float
        How far the foot of each edge of the shaft hangs to the right of the plumb line through its top
        [ratio], negative to the left. Where they differ the shaft tapers.
    """

    left: float = 0.0
    right: float = 0.0

    @property
    def edge(self) -> str:
        """The edge that hangs truer, the left one of two alike; empty where both hang true."""
        if not self.left and not self.right:
            return ""
        return "right" if abs(self.right) < abs(self.left) else "left"

    @property
    def hang(self) -> float:
        """How far that edge hangs out of plumb, its foot to the right [ratio]."""
        return self.right if self.edge == "right" else self.left


class StartAid(StrEnum):
    """What a golfer starts the ball by."""

    SPOT = "spot"
    LINE = "line"
    NEITHER = "neither"


@dataclass(frozen=True)
class GolferFigures:
    """What schools need to know of the golfer.

    Attributes
    ----------
    stroke_rate : Estimate or None
        The golfer's own launch speed per length of stroke [1/s], if a few putts calibrated it.
    tempo : Tempo
        The golfer's tempo and beat.
    stance_m : float or None
        Width of the stance [m] from the outside of one foot to that of the other, if it was measured.
    gauge : Gauge
        Fingers and arm.
    eye_m : float
        Height of the eyes [m].
    lean : float
        How far the golfer leans with tilted ground, 0 to 1.
    start_aid : StartAid
        What the ball is started by.
    eye : str
        The dominant eye, `right` or `left`; empty while it is not known.
    crouch_m : float
        Height of the eyes when crouching [m].
    stand_m : float
        So far behind the ball the golfer looks along the line [m].
    putter : Putter
        How the putter hangs that serves as a plumb line.
    """

    stroke_rate: Estimate | None = None
    tempo: Tempo = field(default_factory=Tempo)
    stance_m: float | None = None
    gauge: Gauge = field(default_factory=Gauge)
    eye_m: float = USUAL_EYE_M
    lean: float = USUAL_LEAN
    start_aid: StartAid = StartAid.SPOT
    eye: str = ""
    crouch_m: float = USUAL_CROUCH_M
    stand_m: float = USUAL_STAND_M
    putter: Putter = field(default_factory=Putter)


USUAL_GOLFER = GolferFigures()
"""A golfer of whom nothing is known."""
