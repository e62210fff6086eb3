"""The ground of one putt as it may have been, many times over: as it was read, and a tilt besides."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final, Protocol

import numpy as np
from numpy.typing import NDArray
from scipy.optimize import nnls

from orthocline.core.constants import PULL_PER_SLOPE_MPS2
from orthocline.core.ground import Plane, Stations, plane_from_grade
from orthocline.core.roll import (
    RANGES,
    Aim,
    Ends,
    Grain,
    Launch,
    PlaneSets,
    Putt,
    Read,
    aims,
    by_closed_form,
    ender,
    ends_of,
    launch_to,
    rolling_deceleration_mps2,
)
from orthocline.core.sure import Sureness, Uncertainty

Figures = NDArray[np.float64]
STEPS: Final = np.array([2e-3, 2e-3, 0.1])
"""Steps of fall to the right and rise [ratio], and of green speed [ft], for difference quotients."""
CHORDS: Final = 4
"""Steps of Newton's method with the first Jacobian: each leaves a fifth of the error, or less."""


class Grounds(Protocol):
    """Grounds of one putt, each with a launch of its own: rows of angle [rad, to the right], speed [m/s]."""

    def launches_to(self, finishes_m: Figures) -> Figures:
        """Return the launch of each whose ball stops beyond the hole and to its right [m], shape (n, 2)."""

    def ends(self, launches: Figures) -> Ends:
        """Return how the ball of each ends, as its golfer faces the hole."""

    def angles(self) -> Figures:
        """Return the launch angle of each that the read asks for there [rad, to the right], shape (n,)."""


@dataclass(frozen=True)
class PlaneGrounds:
    """Planes in still air, by the closed form."""

    putt: Putt
    sets: PlaneSets

    def launches_to(self, finishes_m: Figures) -> Figures:
        """Return the launch of each whose ball stops beyond the hole and to its right [m], shape (n, 2)."""
        return self.sets.launches_to(self.sets.length_m + finishes_m[:, 0], finishes_m[:, 1])

    def ends(self, launches: Figures) -> Ends:
        """Return how the ball of each ends, as its golfer faces the hole."""
        return self.sets.ends(launches)

    def angles(self) -> Figures:
        """Return the launch angle of each that the read asks for there [rad, to the right], shape (n,)."""
        return self.sets.launches(self.putt.pace)[:, 0]


@dataclass(frozen=True)
class RolledGrounds:
    """Any grounds, by rolls.

    Attributes
    ----------
    putt : Putt
        As it was read.
    line : Aim
        Its line.
    errors : ndarray
        What the fall to the right and the rise [ratio], and the green speed [ft], are besides, shape (n, 3).
    """

    putt: Putt
    line: Aim
    errors: Figures

    @cached_property
    def _enders(self) -> list[Callable[[Figures], Ends]]:
        """What rolls a ball on each of them."""
        return [ender(changed(self.putt, one)) for one in self.errors]

    def launches_to(self, finishes_m: Figures) -> Figures:
        """Return the launch of each whose ball stops beyond the hole and to its right [m], shape (n, 2)."""
        middle = finishes_m.mean(axis=0)
        place = self.putt.place(self.putt.length_m + middle[0], middle[1])
        found = launch_to(self.putt, place, self.line.launch)
        first = np.array([[found.launch.right_rad, found.launch.speed_mps]])

        def stops(putt: Putt) -> Figures:
            return np.asarray(ends_of(putt, first).rests[0])

        besides = self.errors @ _quotients(self.putt, stops) if self.errors.any() else 0.0
        launches = first + (finishes_m - middle - besides) @ found.jacobian.T
        for _ in range(CHORDS):
            launches[:, 1] = np.maximum(launches[:, 1], 1e-3)
            launches += np.nan_to_num(finishes_m - self.ends(launches).rests) @ found.jacobian.T
        return np.asarray(launches)

    def ends(self, launches: Figures) -> Ends:
        """Return how the ball of each ends, as its golfer faces the hole."""
        if not self.errors.any():
            return ends_of(self.putt, launches)
        rows = [rolled(launches[i : i + 1]).rows for i, rolled in enumerate(self._enders)]
        return Ends(self.putt.hole, self.putt.bearing_rad, np.vstack(rows))

    def angles(self) -> Figures:
        """Return the launch angle of each that the read asks for there [rad, to the right], shape (n,)."""
        right_rad = self.line.launch.right_rad

        def asked(putt: Putt) -> Figures:
            return np.array([_nearest(putt, right_rad).right_rad])

        return np.asarray(right_rad + (self.errors @ _quotients(self.putt, asked))[:, 0])


def grounds_of(putt: Putt, line: Aim, errors: Figures) -> Grounds:
    """Return the ground of a putt with errors, many times over.

    Parameters
    ----------
    putt : Putt
        As it was read.
    line : Aim
        Its line.
    errors : ndarray
        What the fall to the right and the rise [ratio], and the green speed [ft], are besides, shape (n, 3).

    Returns
    -------
    Grounds
        On a plane in still air by the closed form.
    """
    if not is_solved_closed(putt, line):
        return RolledGrounds(putt, line, errors)
    return PlaneGrounds(putt, plane_sets([putt], errors))


def plane_sets(putts: Sequence[Putt], errors: Figures) -> PlaneSets:
    """Return putts on planes in still air, each with every one of some errors.

    Parameters
    ----------
    putts : sequence of Putt
        The putts, one or more.
    errors : ndarray
        What fall to the right and rise [ratio], and green speed [ft], are besides, shape (n, 3).

    Returns
    -------
    PlaneSets
        The errors of the first putt, then those of the next.
    """
    rows = [
        (
            one.length_m,
            one.side_tilt_right,
            one.grade,
            one.green_speed_ft,
            one.grain.strength,
            one.grain.toward_rad - one.bearing_rad,
        )
        for one in putts
    ]
    each = np.ascontiguousarray(np.repeat(np.array(rows), len(errors), axis=0).T)
    length, side, grade, speed, grain, way = each
    more_side, more_grade, faster = np.tile(errors, (len(putts), 1)).T
    speed = np.clip(speed + faster, *RANGES.green_speed_ft)
    return PlaneSets(length, side + more_side, grade + more_grade, speed, grain, way)


def is_solved_closed(putt: Putt, line: Aim) -> bool:
    """Return whether the closed form solves a putt: on a plane in still air, by its most direct line.

    Parameters
    ----------
    putt : Putt
        The putt.
    line : Aim
        Its line.

    Returns
    -------
    bool
        Whether it does.
    """
    return by_closed_form(putt) and line == aims(putt)[0]


def changed(putt: Putt, errors: Sequence[float] | Figures) -> Putt:
    """Return a putt whose ground falls and rises by so much more, on grass as much faster.

    Parameters
    ----------
    putt : Putt
        The putt.
    errors : sequence of float
        Fall to the right and rise [ratio], and green speed [ft], shape (3,).

    Returns
    -------
    Putt
        Where the ground is neither a plane nor stations, what it leans besides pulls as grain would.
    """
    side, grade, feet = (float(one) for one in errors)
    least, most = RANGES.green_speed_ft
    speed = min(max(putt.green_speed_ft + feet, least), most)
    ground = putt.surface
    if isinstance(ground, Plane):
        plane = plane_from_grade(putt.grade + grade, putt.side_tilt_right + side, putt.bearing_rad)
        return replace(putt, surface=plane, green_speed_ft=speed)
    if isinstance(ground, Stations):
        readings = tuple(
            replace(
                one,
                side=None if one.side is None else one.side + side,
                grade=None if one.grade is None else one.grade + grade,
            )
            for one in ground.readings
        )
        return replace(putt, surface=replace(ground, readings=readings), green_speed_ft=speed)
    pull = _grain_pull(putt) + PULL_PER_SLOPE_MPS2 * _on_map(putt, -grade, side)
    strength = min(float(np.hypot(*pull)) / rolling_deceleration_mps2(speed), RANGES.grain[1])
    grain = Grain(strength, math.atan2(pull[1], pull[0]))
    return replace(putt, grain=grain, green_speed_ft=speed)


def slope_sds(solved: Read, uncertainty: Uncertainty) -> tuple[float, float]:
    """Return how sure the slope of a putt is, as one tilt all along the way.

    Parameters
    ----------
    solved : Read
        As it was read.
    uncertainty : Uncertainty
        Standard deviations of its figures.

    Returns
    -------
    tuple of float
        Standard deviations of the fall to the right and of the rise [ratio]: of stations and surveys those
        that make launch angle and speed as doubtful as the readings do.
    """
    putt = solved.putt
    if isinstance(putt.surface, Plane):
        return uncertainty.side, uncertainty.grade
    sure = Sureness(solved, uncertainty)
    if sure.certain:
        return uncertainty.side, uncertainty.grade
    right_rad = solved.aim.launch.right_rad

    def asked(tried: Putt) -> Figures:
        launch = _nearest(tried, right_rad)
        return np.array([launch.right_rad, launch.speed_mps])

    answers = _quotients(putt, asked)[:2].T
    doubted = sure.doubts.slope.variance[:2]
    scale = 1.0 / np.maximum(doubted, 1e-12)
    variances, _ = nnls(answers**2 * scale[:, None], doubted * scale)
    side, grade = np.sqrt(variances).tolist()
    return side, grade


def _quotients(putt: Putt, figures_of: Callable[[Putt], Figures]) -> Figures:
    """Return how figures of a putt answer to fall, rise [ratio] and green speed [ft], in rows."""
    rows = []
    for i, step in enumerate(STEPS):
        by = np.zeros(len(STEPS))
        by[i] = step
        rows.append((figures_of(changed(putt, by)) - figures_of(changed(putt, -by))) / (2.0 * step))
    return np.array(rows)


def _nearest(putt: Putt, right_rad: float) -> Launch:
    return min((one.launch for one in aims(putt)), key=lambda one: abs(one.right_rad - right_rad))


def _grain_pull(putt: Putt) -> Figures:
    """Return the pull of the putt's own grain on the map [m/s^2]."""
    grain = putt.grain
    pull = grain.strength * rolling_deceleration_mps2(putt.green_speed_ft)
    return np.array([pull * math.cos(grain.toward_rad), pull * math.sin(grain.toward_rad)])


def _on_map(putt: Putt, ahead: float, right: float) -> Figures:
    cos, sin = math.cos(putt.bearing_rad), math.sin(putt.bearing_rad)
    return np.array([ahead * cos + right * sin, ahead * sin - right * cos])
