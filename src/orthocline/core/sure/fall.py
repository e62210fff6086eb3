"""How steeply a whole putt falls and which way, and how sure both are."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.optimize import brentq
from scipy.special import ndtr

from orthocline.core.estimate import Span
from orthocline.core.ground import LineDoubt, Reading, Stations
from orthocline.core.instruments import FIRST_SD, FIRST_SLOPE, FLAT, INSTRUMENTS, Gives
from orthocline.core.roll import Putt
from orthocline.core.sure.doubts import is_read_uncertainly, line_looks, line_readings
from orthocline.core.sure.inputs import normal_scores
from orthocline.core.sure.ranges import TAILS
from orthocline.core.sure.uncertainty import Uncertainty
from orthocline.core.survey import Survey

MIDDLE: Final = 0.5
LEAST_TILT: Final = 1e-5
"""Differences of slope [ratio] that are none."""
NODES: Final = 24
"""Places along the line over which the mean is taken."""
FLAT_SHARE: Final = 1.0 - math.exp(-(FLAT**2) / (FIRST_SLOPE**2 + FIRST_SD**2))
"""So many places of greens hardly slope: each of the two slopes spreads as a first look has it."""


@dataclass(frozen=True)
class Fall:
    """The mean fall of a putt along its line.

    Attributes
    ----------
    tilt : float
        How steep it is [ratio].
    toward_rad : float
        The way it falls, clockwise from that to the hole.
    tilt_range : Span
        Between which steepnesses [ratio] it lies (95 %).
    within_rad : float
        Within how much the way is known (95 %), at most half a turn.
    """

    tilt: float
    toward_rad: float
    tilt_range: Span
    within_rad: float


def fall_of(putt: Putt, uncertainty: Uncertainty) -> Fall:
    """Return the fall of a putt.

    Parameters
    ----------
    putt : Putt
        The putt.
    uncertainty : Uncertainty
        Standard deviations of its figures, for ground that says nothing of its own.

    Returns
    -------
    Fall
        Its mean along the line, and how sure that is.
    """
    return fall_of_slopes((-putt.grade, putt.side_tilt_right), _sds(putt, uncertainty))


def fall_at_hole(putt: Putt, uncertainty: Uncertainty) -> Fall:
    """Return the fall of the ground at the hole, where nothing was read elsewhere.

    Parameters
    ----------
    putt : Putt
        The putt, on ground that was read at its hole, or of which one tilt is said.
    uncertainty : Uncertainty
        Standard deviations of its figures, for ground that says nothing of its own.

    Returns
    -------
    Fall
        As sure as it was read; what lies between ball and hole is not asked.
    """
    if not isinstance(putt.surface, Stations):
        return fall_of(putt, uncertainty)
    grade, side = line_readings(putt.surface, uncertainty)
    return fall_of_slopes((-putt.grade, putt.side_tilt_right), (float(grade.sd[-1]), float(side.sd[-1])))


def fall_of_slopes(slopes: tuple[float, float], sds: tuple[float, float]) -> Fall:
    """Return a fall by its two parts.

    Parameters
    ----------
    slopes : tuple of float
        Fall ahead and to the right [ratio].
    sds : tuple of float
        How sure each is, one standard deviation [ratio].

    Returns
    -------
    Fall
        Its way clockwise from ahead.
    """
    ahead, right = slopes
    tilt, way = math.hypot(ahead, right), math.atan2(right, ahead)
    errors = normal_scores()[:, :2] * sds
    ahead_of, right_of = math.cos(way), math.sin(way)
    steepest = _at_share(np.hypot(tilt * ahead_of + errors[:, 0], tilt * right_of + errors[:, 1]), TAILS[1])
    least, middle = (_true_tilt(tilt, way, errors, share) for share in (TAILS[1], MIDDLE))
    turned = np.arctan2(middle * right_of + errors[:, 1], middle * ahead_of + errors[:, 0]) - way
    turns = np.abs(np.angle(np.exp(1j * turned)))
    return Fall(tilt, way, Span(least, steepest), _at_share(turns, TAILS[1] - TAILS[0]))


def fall_by_ways(readings: Sequence[Reading]) -> Fall | None:
    """Return the fall of a place where nothing but its way was read.

    Parameters
    ----------
    readings : sequence of Reading
        What was read there.

    Returns
    -------
    Fall or None
        As steep as greens are; None where anything says more than a way, or nothing is read.
    """
    if not readings or any(one.gives is not Gives.WAY for one in readings):
        return None
    ahead, right = (sum(one.way[axis] for one in readings) for axis in (0, 1))
    within = _way_within(readings[0].by) / math.sqrt(len(readings))
    steepest = FIRST_SLOPE + 2.0 * FIRST_SD
    return Fall(FIRST_SLOPE, math.atan2(right, ahead), Span(0.0, steepest), within)


def _way_within(by: str) -> float:
    """Return within how much a way of fall is known (95 %) where nobody knows how steep it is."""
    instrument = INSTRUMENTS[by]

    def outside(angle: float) -> float:
        steep, flat = (2.0 * ndtr(-angle / sd) for sd in (instrument.way_sd_rad, instrument.flat_way_sd_rad))
        return float((1.0 - FLAT_SHARE) * steep + FLAT_SHARE * flat - (1.0 - TAILS[1] + TAILS[0]))

    return float(brentq(outside, 0.0, math.pi))


def _at_share(figures: NDArray[np.float64], share: float) -> float:
    """Return the figure below which such a share of them lie."""
    rank = round(share * (len(figures) - 1))
    return float(np.partition(figures, rank)[rank])


def _true_tilt(tilt: float, way_rad: float, errors: NDArray[np.float64], share: float) -> float:
    """Return the tilt of which such a share of readings are less steep than what was read.

    An error makes a tilt steeper whichever way it points, so that what was read is too steep on the mean.
    """
    cos, sin = math.cos(way_rad), math.sin(way_rad)

    def excess(true: float) -> float:
        return _at_share(np.hypot(true * cos + errors[:, 0], true * sin + errors[:, 1]), share) - tilt

    # Sets of errors are not quite even about nothing; the worst of them is more than that.
    most = tilt + LEAST_TILT + float(np.abs(errors).max())
    return 0.0 if excess(0.0) >= 0.0 else float(brentq(excess, 0.0, most, xtol=LEAST_TILT))


def _sds(putt: Putt, uncertainty: Uncertainty) -> tuple[float, float]:
    """Return the standard deviations of the mean fall ahead and to the right [ratio]."""
    ground = putt.surface
    if isinstance(ground, Survey):
        looks = line_looks(putt, np.column_stack([np.linspace(0.0, putt.length_m, NODES), np.zeros(NODES)]))
        means = np.kron(np.eye(2), np.full(NODES, 1.0 / NODES))
        ahead, right = np.sqrt((means @ ground.fit.covariance(looks) @ means.T).diagonal()).tolist()
        return ahead, right
    if not isinstance(ground, Stations) or not is_read_uncertainly(ground, uncertainty):
        return uncertainty.grade, uncertainty.side
    places = np.column_stack([np.linspace(0.0, putt.length_m, NODES), np.zeros(NODES)])
    readings = line_readings(ground, uncertainty)
    means = np.kron(np.eye(2), np.full(NODES, 1.0 / NODES))
    ahead, right = (math.sqrt(LineDoubt(places, one).variance(*readings)) for one in means)
    return ahead, right
