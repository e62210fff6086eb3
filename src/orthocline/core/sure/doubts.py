"""What makes a read uncertain, to first order: how launch angle and speed answer to each doubt.

The slope's doubt is a covariance along the way; the others are figures of their own, and count by the
solver's difference quotient.
"""

import math
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final, NamedTuple, Protocol

import numpy as np
from numpy.typing import NDArray

from orthocline.core.ground import LineDoubt, LineReadings, Stations
from orthocline.core.roll import RANGES, Putt, Read, Sensitivity, aims
from orthocline.core.sure.uncertainty import Uncertainty
from orthocline.core.survey import Fit, Looks, Survey

ANGLE, SPEED, AIM = range(3)
"""What answers to a doubt: launch angle to the right [rad], launch speed [m/s], and aim [m]."""
NODES: Final = 48
"""Places along the way at which the slope counts."""
TRIED_SD: Final = 1e-9
"""A further reading is tried as if it were sure; its noise is added for each instrument."""
QUOTIENT_SHARE: Final = 0.5
"""Difference quotients are taken over half a standard deviation to each side."""


class SlopeDoubt(Protocol):
    """The doubt of the slope along the way."""

    @property
    def variance(self) -> NDArray[np.float64]:
        """Variance of launch angle, launch speed and aim that the slope is the cause of, shape (3,)."""

    def left(self, at_m: float, sd: float, *, across: bool) -> float:
        """Return the variance of the aim [m^2] that a reading so far from the ball would leave."""


@dataclass(frozen=True)
class EvenDoubt:
    """Ground whose slope is wrong by the same everywhere, if it is.

    Attributes
    ----------
    answers : ndarray
        Change of launch angle [rad], launch speed [m/s] and aim [m] per ratio of grade, and of fall to the
        right; shape (3, 2).
    sds : ndarray
        Standard deviation of grade and of fall to the right [ratio], shape (2,).
    """

    answers: NDArray[np.float64]
    sds: NDArray[np.float64]

    @cached_property
    def variance(self) -> NDArray[np.float64]:
        """Variance of launch angle, launch speed and aim, shape (3,)."""
        return np.asarray(((self.answers * self.sds) ** 2).sum(axis=1))

    def left(self, _at_m: float, sd: float, *, across: bool) -> float:
        """Return the variance of the aim that a reading leaves: it is worth the same anywhere."""
        parts, one = (self.answers[AIM] * self.sds) ** 2, int(across)
        parts[one] *= sd**2 / (self.sds[one] ** 2 + sd**2)
        return float(parts.sum())


class _Tried(NamedTuple):
    """A further reading: the aim's variance but for its noise, how much it counts, the sd of one there."""

    others: float
    counts: float
    there: float | None


@dataclass(frozen=True)
class StationsDoubt:
    """Ground read at stations, which may be wrong between them and beyond.

    Attributes
    ----------
    sums : tuple of LineDoubt
        What launch angle [rad], launch speed [m/s] and aim [m] answer to.
    grade, side : LineReadings
        The readings.
    """

    sums: tuple[LineDoubt, ...]
    grade: LineReadings
    side: LineReadings

    @cached_property
    def variance(self) -> NDArray[np.float64]:
        """Variance of launch angle, launch speed and aim, shape (3,)."""
        return np.array([one.variance(self.grade, self.side) for one in self.sums])

    def left(self, at_m: float, sd: float, *, across: bool) -> float:
        """Return the variance of the aim once the ground is read through one more station."""
        key = at_m, int(across)
        if key not in self._tried:
            self._tried[key] = self._try(*key)
        tried = self._tried[key]
        noise = sd**2 if tried.there is None else (sd * tried.there) ** 2 / (sd**2 + tried.there**2)
        return max(tried.others + tried.counts**2 * noise, 0.0)

    @cached_property
    def _tried(self) -> dict[tuple[float, int], "_Tried"]:
        """Further readings as they were tried, by place and slope, for every instrument."""
        return {}

    def _try(self, at_m: float, component: int) -> "_Tried":
        aim, read = self.sums[AIM], (self.grade, self.side)[component]
        more = read.with_one(at_m, TRIED_SD)
        i = int(np.abs(more.at_m - at_m).argmin())
        count, of_places = aim.counts(more, component)
        noise = (count * more.sd) ** 2
        others = aim.own + self._aim_parts[1 - component] + of_places + float(noise.sum() - noise[i])
        there = float(read.sd[i]) if len(read.sd) == len(more.sd) else None
        return _Tried(others, float(count[i]), there)

    @cached_property
    def _aim_parts(self) -> tuple[float, float]:
        """What the readings of the grade, and of the fall to the right, add to the variance of the aim."""
        aim = self.sums[AIM]
        return aim.part(self.grade, 0), aim.part(self.side, 1)


@dataclass(frozen=True)
class SurveyDoubt:
    """Ground that was surveyed, which may be wrong as its fit says.

    Attributes
    ----------
    fit : Fit
        The fit.
    putt : Putt
        The putt.
    looks : Looks
        Grade at each place of the way, then fall to the right; shape (96,).
    answers : ndarray
        Change of launch angle [rad], launch speed [m/s] and aim [m] per ratio of each, shape (3, 96).
    """

    fit: Fit
    putt: Putt
    looks: Looks
    answers: NDArray[np.float64]

    @cached_property
    def variance(self) -> NDArray[np.float64]:
        """Variance of launch angle, launch speed and aim, shape (3,)."""
        shared = self.fit.covariance(self.looks)
        return np.asarray(np.einsum("in,nm,im->i", self.answers, shared, self.answers))

    def left(self, at_m: float, sd: float, *, across: bool) -> float:
        """Return the variance of the aim once the ground is read in one more place."""
        key = at_m, int(across)
        if key not in self._further:
            one = line_looks(self.putt, np.array([[at_m, 0.0]]))
            row = Looks(one.places_m[:1], one.parts[int(across) : int(across) + 1])
            known = self.fit.known(row)[:, 0]
            before = self.answers[AIM] @ self.fit.before(self.looks, row)[:, 0]
            own = self.fit.before(row, row)[0, 0] - known @ known
            self._further[key] = float(before - self._aim_known @ known), float(own)
        with_aim, own = self._further[key]
        return float(self.variance[AIM]) - with_aim**2 / (own + sd**2)

    @cached_property
    def _aim_known(self) -> NDArray[np.float64]:
        """What was read of the aim."""
        return np.asarray(self.fit.known(self.looks) @ self.answers[AIM])

    @cached_property
    def _further(self) -> dict[tuple[float, int], tuple[float, float]]:
        """By place and way: how a reading goes with the aim, and its own variance."""
        return {}


@dataclass(frozen=True)
class Doubts:
    """Everything that makes a read uncertain.

    Attributes
    ----------
    slope : SlopeDoubt
        The ground's.
    others : mapping
        By figure (`length`, `green_speed_ft`, `grain`, `grain_way_rad`): change of launch angle [rad],
        launch speed [m/s] and aim [m] for one standard deviation, shape (3,).
    counts_m : float
        How far along the line the middle of where the side tilt counts lies [m].
    """

    slope: SlopeDoubt
    others: Mapping[str, NDArray[np.float64]]
    counts_m: float

    @cached_property
    def variance(self) -> NDArray[np.float64]:
        """Variance of launch angle [rad^2], launch speed [m^2/s^2] and aim [m^2], shape (3,)."""
        return self.slope.variance + sum(change**2 for change in self.others.values())


def doubts_of(solved: Read, uncertainty: Uncertainty, weights: Sensitivity) -> Doubts:
    """Return what makes a read uncertain.

    Parameters
    ----------
    solved : Read
        The read.
    uncertainty : Uncertainty
        Standard deviations of its putt's figures.
    weights : Sensitivity
        Where along its way the slope counts.

    Returns
    -------
    Doubts
        The slope's, and the others that there are.
    """
    places, answers = _answers(solved, weights)
    counts = np.abs(answers[AIM, NODES:])
    middle = float(np.average(places[:, 0], weights=counts)) if counts.any() else 0.0
    slope = _slope_doubt(solved.putt, uncertainty, places, answers)
    return Doubts(slope, {**dict(_others(solved, uncertainty)), **dict(_of_areas(solved))}, middle)


def _answers(solved: Read, weights: Sensitivity) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """Return even places along the way and to the left of the line [m], shape (48, 2), and how they count.

    The latter as changes of launch angle [rad], launch speed [m/s] and aim [m] per ratio of grade at each
    place, then of fall to the right; shape (3, 96).
    """
    putt, way = solved.putt, np.linspace(0.0, weights.way_m[-1], NODES)
    share = np.full(NODES, way[1])
    share[[0, -1]] *= 0.5
    east, north = (np.interp(way, weights.way_m, column) for column in weights.places_m.T)
    cos, sin = math.cos(putt.bearing_rad), math.sin(putt.bearing_rad)
    east, north = east - putt.ball.x_m, north - putt.ball.y_m
    angle, speed = (
        np.concatenate([np.interp(way, weights.way_m, rows[:, column]) * share for column in (1, 0)])
        for rows in (weights.aim_rad, weights.speed_mps)
    )
    aim = angle * putt.length_m / math.cos(solved.launch_right_rad) ** 2
    places = np.column_stack([east * cos + north * sin, north * cos - east * sin])
    return places, np.array([angle, speed, aim])


def _slope_doubt(
    putt: Putt, uncertainty: Uncertainty, places: NDArray[np.float64], answers: NDArray[np.float64]
) -> SlopeDoubt:
    """Return how the error of the slope varies: by its survey, between stations, or as one everywhere."""
    ground = putt.surface
    if isinstance(ground, Survey):
        return SurveyDoubt(ground.fit, putt, line_looks(putt, places), answers)
    if not isinstance(ground, Stations) or not is_read_uncertainly(ground, uncertainty):
        whole = answers.reshape(len(answers), 2, NODES).sum(axis=2)
        return EvenDoubt(whole, np.array([uncertainty.grade, uncertainty.side]))
    return StationsDoubt(
        tuple(LineDoubt(places, weights) for weights in answers), *line_readings(ground, uncertainty)
    )


def line_looks(putt: Putt, places_m: NDArray[np.float64]) -> Looks:
    """Return grade and fall to the right at places of a putt, as a survey is asked for them.

    Parameters
    ----------
    putt : Putt
        The putt.
    places_m : ndarray
        Places along its line from the ball and to its left [m], shape (n, 2).

    Returns
    -------
    Looks
        The grade at each, then the fall to the right; shape (2 n,).
    """
    cos, sin = math.cos(putt.bearing_rad), math.sin(putt.bearing_rad)
    along, left = places_m.T
    east, north = putt.ball.x_m + along * cos - left * sin, putt.ball.y_m + along * sin + left * cos
    on_map, parts = np.column_stack([east, north]), np.zeros((2, len(along), 3))
    parts[0, :, 1:], parts[1, :, 1:] = (cos, sin), (-sin, cos)
    return Looks(np.vstack([on_map, on_map]), parts.reshape(-1, 3))


def line_readings(ground: Stations, uncertainty: Uncertainty) -> tuple[LineReadings, LineReadings]:
    """Return the readings of the grade, and of the fall to the right, that stations are.

    Parameters
    ----------
    ground : Stations
        The stations.
    uncertainty : Uncertainty
        What is said of the whole putt, for stations that say nothing of their own.

    Returns
    -------
    tuple of LineReadings
        Of the grade, and of the fall to the right.
    """
    found = []
    for name in ("grade", "side"):
        read = [one for one in ground.readings if getattr(one, name) is not None]
        of_all = getattr(uncertainty, name)
        sds = [of_all if one.sd is None else one.sd for one in read]
        found.append(LineReadings(ground.length_m * np.array([one.at for one in read]), np.array(sds)))
    grade, side = found
    return grade, side


def is_read_uncertainly(ground: Stations, uncertainty: Uncertainty) -> bool:
    """Return whether anything says how sure stations are; typed ones are taken as they are.

    Parameters
    ----------
    ground : Stations
        The stations.
    uncertainty : Uncertainty
        What is said of the whole putt.

    Returns
    -------
    bool
        Whether any reading, or the putt, has an uncertainty of its slope.
    """
    return bool(uncertainty.side or uncertainty.grade or any(one.sd for one in ground.readings))


def _others(solved: Read, uncertainty: Uncertainty) -> Iterator[tuple[str, NDArray[np.float64]]]:
    for name, changed in (
        ("length", _longer),
        ("green_speed_ft", _faster),
        ("grain", _grainier),
        ("grain_way_rad", _turned),
    ):
        sd = getattr(uncertainty, name)
        if sd > 0.0:
            step = QUOTIENT_SHARE * sd
            more, less = (_launch(changed(solved.putt, by), solved) for by in (step, -step))
            yield name, (more - less) / (2.0 * QUOTIENT_SHARE)


def _of_areas(solved: Read) -> Iterator[tuple[str, NDArray[np.float64]]]:
    """Yield how launch and aim answer to the strength and the way of the grain of each part of a green."""
    ground = solved.putt.surface
    if not isinstance(ground, Survey):
        return
    for i, area in enumerate(ground.grain):
        by_strength = QUOTIENT_SHARE * area.strength * area.strength_share
        by_way = QUOTIENT_SHARE * area.way_sd_rad
        for name, changed in (
            ("strength", [replace(area, strength=area.strength + by) for by in (by_strength, -by_strength)]),
            ("way", [replace(area, toward_rad=area.toward_rad + by) for by in (by_way, -by_way)]),
        ):
            grounds = (ground.with_grain(i, one) for one in changed)
            more, less = (_launch(replace(solved.putt, surface=one), solved) for one in grounds)
            yield f"grain_{i}_{name}", (more - less) / (2.0 * QUOTIENT_SHARE)


def _launch(putt: Putt, solved: Read) -> NDArray[np.float64]:
    """Return launch angle, speed and aim of a putt a little different, on the line nearest to the read's."""
    right = solved.launch_right_rad
    nearest = min(aims(putt), key=lambda one: abs(one.launch.right_rad - right)).launch
    return np.array([nearest.right_rad, nearest.speed_mps, putt.length_m * math.tan(nearest.right_rad)])


def _longer(putt: Putt, share: float) -> Putt:
    """Return the putt with the ball further back, at the same shares of the way between stations."""
    least, most = RANGES.length_m
    length = min(max(putt.length_m * (1.0 + share), least), most)
    ball = putt.place(putt.length_m - length, 0.0)
    ground = putt.surface
    if isinstance(ground, Stations):
        ground = replace(ground, ball_m=(ball.x_m, ball.y_m))
    return replace(putt, ball=ball, surface=ground)


def _faster(putt: Putt, feet: float) -> Putt:
    least, most = RANGES.green_speed_ft
    return replace(putt, green_speed_ft=min(max(putt.green_speed_ft + feet, least), most))


def _grainier(putt: Putt, share: float) -> Putt:
    return replace(putt, grain=replace(putt.grain, strength=putt.grain.strength * (1.0 + share)))


def _turned(putt: Putt, by_rad: float) -> Putt:
    return replace(putt, grain=replace(putt.grain, toward_rad=putt.grain.toward_rad + by_rad))
