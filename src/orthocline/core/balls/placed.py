"""Where a watched ball rolled beside the golfer's own putt, and what it says there."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.balls.implied import Conditions, Implied
from orthocline.core.estimate import Estimate
from orthocline.core.ground import REACH_M, Reading, plane_from_grade, slope_covariance
from orthocline.core.roll import Point, Putt, RollPast, accelerations_of, launch_to, roll

NODES: Final = 16
LONGEST_M: Final = 200.0
"""No ball that stopped rolled further."""
FURTHEST: Final = (-1.0, 2.0)
"""Readings stand on the putt, or off it by its own length at most."""


@dataclass(frozen=True)
class Way:
    """The straight way from where a ball started to where it stopped.

    Attributes
    ----------
    start_m, finish_m : tuple of two float
        Beyond the own putt's hole, and to the right of it [m].
    """

    start_m: tuple[float, float]
    finish_m: tuple[float, float]

    @classmethod
    def from_rest(cls, start_m: tuple[float, float], rest_m: tuple[float, float]) -> "Way":
        """Return the way of a ball that stopped so far beyond the hole along its own line, and to its right.

        Parameters
        ----------
        start_m : tuple of two float
            Where it started, beyond the own putt's hole and to the right of it [m].
        rest_m : tuple of two float
            Where it stopped, along its own line and to its own right [m].

        Returns
        -------
        Way
            The way.
        """
        heading = cls(start_m, start_m).heading_rad
        cos, sin = math.cos(heading), math.sin(heading)
        along, right = rest_m
        return cls(start_m, (along * cos - right * sin, along * sin + right * cos))

    @property
    def to_hole_m(self) -> float:
        """From where it started to the hole [m]."""
        return math.hypot(*self.start_m)

    @property
    def heading_rad(self) -> float:
        """Direction of the hole from where it started, clockwise from that of the own putt."""
        return math.atan2(-self.start_m[1], -self.start_m[0])

    @property
    def rest_m(self) -> tuple[float, float]:
        """Where it stopped, beyond the hole along its own line and to its right [m]."""
        cos, sin = math.cos(self.heading_rad), math.sin(self.heading_rad)
        beyond, right = self.finish_m
        return beyond * cos + right * sin, right * cos - beyond * sin


def readings_of(
    implied: Implied, way: Way, length_m: float, by: str, *, both: bool, places: Sequence[float] = ()
) -> tuple[Reading, ...]:
    """Return what a ball says as readings on the own putt.

    Parameters
    ----------
    implied : Implied
        The ground along its line.
    way : Way
        Where that was.
    length_m : float
        The own putt's length [m].
    by : str
        The instrument's name in the registry.
    both : bool
        Whether its grade counts too.
    places : sequence of float
        Shares of the own way where the ground was read already.

    Returns
    -------
    tuple of Reading
        At the place of the own line nearest to the middle of the way, or at one within reach of it that was
        read already, for what a ball says is no spot's; less sure for what greens differ between there and
        the way.
    """
    middle = 0.5 * (way.start_m[0] + way.finish_m[0])
    at = min(max(1.0 + middle / length_m, FURTHEST[0]), FURTHEST[1])
    within_reach = (one for one in places if abs(one - at) * length_m <= REACH_M)
    at = min(within_reach, key=lambda one: abs(one - at), default=at)
    found = [_reading(implied.side, way, at, length_m, by, 0.5 * math.pi)]
    if both:
        rise = Estimate(-implied.grade.value, implied.grade.sd)
        found.append(_reading(rise, way, at, length_m, by, 0.0))
    return tuple(found)


def rolled_way(implied: Implied, way: Way, conditions: Conditions) -> NDArray[np.float64]:
    """Return how a ball rolled, if the ground is as it implies: by the launch that ends where it stopped.

    Parameters
    ----------
    implied : Implied
        The ground along its line.
    way : Way
        Where it started and stopped.
    conditions : Conditions
        The green.

    Returns
    -------
    ndarray
        Places beyond the own putt's hole and to the right of it [m], shape (n, 2); its straight way where no
        launch is found.
    """
    beyond, right = way.rest_m
    cos, sin = math.cos(way.heading_rad), math.sin(way.heading_rad)
    try:
        putt = Putt(
            Point(0.0, 0.0),
            Point(way.to_hole_m, 0.0),
            plane_from_grade(implied.grade.value, implied.side.value, 0.0),
            conditions.green_speed_ft,
            RollPast(0.0),
            conditions.grain,
        )
        launch = launch_to(putt, putt.place(way.to_hole_m + beyond, right)).launch
    except ValueError:
        return np.array([way.start_m, way.finish_m])
    rows = roll(
        putt.surface,
        accelerations_of(putt),
        putt.ball,
        heading_rad=-launch.right_rad,
        speed_mps=launch.speed_mps,
        path_limit_m=LONGEST_M,
    ).samples
    ahead, aside = rows[:, 1], -rows[:, 2]
    return np.asarray(way.start_m + np.column_stack([ahead * cos - aside * sin, ahead * sin + aside * cos]))


def _reading(fall: Estimate, way: Way, at: float, length_m: float, by: str, turned_rad: float) -> Reading:
    """Return the reading of a fall so far clockwise from a ball's own line."""
    toward = way.heading_rad + turned_rad
    sd = math.hypot(fall.sd, _differs(way, at, length_m, toward))
    if fall.value < 0.0:
        toward += math.pi
    return Reading(at, math.remainder(toward, 2.0 * math.pi), abs(fall.value), by, 2.0 * sd)


def _differs(way: Way, at: float, length_m: float, toward_rad: float) -> float:
    """Return by how much [ratio] the mean fall along a way differs from that at a place of the own line."""
    shares = np.linspace(0.0, 1.0, NODES)[:, None]
    along = np.array(way.start_m) * (1.0 - shares) + np.array(way.finish_m) * shares
    places = np.vstack([along, [(at - 1.0) * length_m, 0.0]]) * (1.0, -1.0)
    weights = np.append(np.full(NODES, 1.0 / NODES), -1.0)
    both: NDArray[np.float64] = np.concatenate(
        [weights * math.cos(toward_rad), -weights * math.sin(toward_rad)]
    )
    return math.sqrt(max(float(both @ slope_covariance(places, places) @ both), 0.0))
