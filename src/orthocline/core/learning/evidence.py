"""What each putt of a log says of its golfer's stroke: start lines and energies that end as it did."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, fields, replace
from functools import cache
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.special import ndtri
from scipy.stats import qmc

from orthocline.core.constants import CAPTURE_SPEED_MPS, HOLE_RADIUS_M
from orthocline.core.learning.answers import doubt_of
from orthocline.core.learning.grounds import (
    Figures,
    Grounds,
    PlaneGrounds,
    RolledGrounds,
    is_solved_closed,
    plane_sets,
)
from orthocline.core.learning.played import Played, thumb_sd_m
from orthocline.core.learning.posterior import MISSED_M, SEED, finish_stretch
from orthocline.core.roll import PuttError

THUMBS_POWER: Final = 5
"""Finishes about the one that was shown, as a power of two."""
ENERGIES: Final = np.linspace(-0.66, 1.0, 42)
"""Energy errors at which the start lines that drop are found; between them they are interpolated."""
TURNS: Final = 4
"""Steps of Newton's method to the line through the hole's middle."""
BATCH: Final = 250
"""Putts that are turned back at once."""
MEANT: Final = ("right_rad", "speed_mps")


@dataclass(frozen=True)
class Evidence:
    """What putts say of a stroke; errors are of the start line [rad, to the right] and of the energy [share].

    Attributes
    ----------
    starts, energies, likely : ndarray
        Of each miss whose finish is known, errors that end near it, and how much of errors goes there (a
        logarithm); shape (misses, 32).
    first, last : ndarray
        Of each other putt, between which start errors it drops, at each of `ENERGIES`; shape (others, 42).
    dropped : ndarray of bool
        Whether each of those did, shape (others,).
    missed_doubts, other_doubts : ndarray
        What the doubt of each putt's ground is worth in its errors (one standard deviation), shapes
        (misses, 2) and (others, 2).
    """

    starts: Figures
    energies: Figures
    likely: Figures
    first: Figures
    last: Figures
    dropped: NDArray[np.bool_]
    missed_doubts: Figures
    other_doubts: Figures

    @property
    def putts(self) -> int:
        """How many putts there are."""
        return len(self.starts) + len(self.first)


_NO_ERRORS, _NO_EDGES = np.empty((0, 2**THUMBS_POWER)), np.empty((0, len(ENERGIES)))
_NO_DOUBTS = np.empty((0, 2))
NO_EVIDENCE: Final = Evidence(
    *(_NO_ERRORS, _NO_ERRORS, _NO_ERRORS),
    *(_NO_EDGES, _NO_EDGES),
    np.empty(0, dtype=bool),
    _NO_DOUBTS,
    _NO_DOUBTS,
)


def evidence_of(log: Sequence[Played]) -> Evidence:
    """Return what putts say of a stroke, the ground of each taken as given, but for its doubt.

    Parameters
    ----------
    log : sequence of Played
        Putts; what a device rolled, and what no launch explains, is left out.

    Returns
    -------
    Evidence
        Of all of them.
    """
    own = [one for one in log if not one.by_device and _has_line(one)]
    closed: list[Played] = []
    rolled: list[Played] = []
    for one in own:
        (closed if is_solved_closed(one.putt, one.read.aim) else rolled).append(one)
    parts = [_of(closed[i : i + BATCH]) for i in range(0, len(closed), BATCH)]
    parts += [_of([one]) for one in rolled]
    return joined([NO_EVIDENCE, *parts])


def joined(parts: Sequence[Evidence]) -> Evidence:
    """Return the evidence of several together.

    Parameters
    ----------
    parts : sequence of Evidence
        One or more.

    Returns
    -------
    Evidence
        Of all their putts.
    """
    names = (one.name for one in fields(Evidence))
    return Evidence(*(np.concatenate([getattr(one, name) for one in parts]) for name in names))


def _has_line(played: Played) -> bool:
    try:
        return played.read.aim.pace_met
    except PuttError:
        return False


def _of(some: Sequence[Played]) -> Evidence:
    """Return the evidence of putts that are solved at once: planes, or a single one on other ground."""
    missed = [one for one in some if one.finish]
    others = [one for one in some if not one.finish]
    parts = [NO_EVIDENCE]
    if missed:
        parts.append(_of_misses(missed))
    if others:
        parts.append(_of_others(others))
    return joined(parts)


@cache
def _thumbs() -> Figures:
    """Return the normal scores of a scrambled Sobol set of two dimensions, shape (32, 2)."""
    return np.asarray(ndtri(qmc.Sobol(2, scramble=True, rng=SEED).random_base2(THUMBS_POWER)))


def _of_misses(missed: Sequence[Played]) -> Evidence:
    thumbs, count = _thumbs(), 2**THUMBS_POWER
    grounds = _as_given(missed, count)
    finishes = np.vstack(list(_finishes(missed, thumbs)))
    try:
        launches = grounds.launches_to(finishes)
    except ValueError:
        return NO_EVIDENCE
    ends = grounds.ends(launches)
    angle, speed = (np.repeat([getattr(one.meant, name) for one in missed], count) for name in MEANT)
    with np.errstate(invalid="ignore", divide="ignore"):
        there = ~ends.drops & (np.hypot(*(ends.rests - finishes).T) < MISSED_M)
        # Errors of angle and energy that go to a place, per square metre.
        likely = np.log(2.0 * launches[:, 1] / speed**2 / np.abs(finish_stretch(grounds, launches)))
    figures = (
        launches[:, 0] - angle,
        np.square(launches[:, 1] / speed) - 1.0,
        np.where(there & np.isfinite(likely), likely, -np.inf),
    )
    starts, energies, weights = (one.reshape(len(missed), count) for one in figures)
    known = np.isfinite(weights).any(axis=1)
    return replace(
        NO_EVIDENCE,
        starts=np.nan_to_num(starts[known]),
        energies=np.nan_to_num(energies[known]),
        likely=weights[known],
        missed_doubts=np.array([doubt_of(one) for one in missed])[known],
    )


def _finishes(missed: Sequence[Played], thumbs: Figures) -> Iterator[Figures]:
    for one in missed:
        if one.finish:
            yield np.array([one.finish.along_m, one.finish.across_m]) + thumb_sd_m(one.finish) * thumbs


def _of_others(others: Sequence[Played]) -> Evidence:
    """Return between which start errors putts drop: from balls through the middle, and at the rim."""
    count = len(ENERGIES)
    grounds = _as_given(others, count)
    angle, speed = (np.repeat([getattr(one.meant, name) for one in others], count) for name in MEANT)
    length = np.repeat([one.putt.length_m for one in others], count)
    launches = np.column_stack(
        [
            np.repeat([one.read.aim.launch.right_rad for one in others], count),
            speed * np.sqrt(1.0 + np.tile(ENERGIES, len(others))),
        ]
    )
    for _ in range(TURNS):
        launches[:, 0] -= np.clip(grounds.ends(launches).misses_m / length, -0.5, 0.5)
    middle = grounds.ends(launches)
    turn = np.column_stack([0.5 * HOLE_RADIUS_M / length, np.zeros(len(length))])
    by_turn = grounds.ends(launches + turn).misses_m - grounds.ends(launches - turn).misses_m
    reach = np.sqrt(np.maximum(1.0 - middle.rim_mps / CAPTURE_SPEED_MPS, 0.0)) * HOLE_RADIUS_M
    with np.errstate(invalid="ignore", divide="ignore"):
        half = np.where(middle.drops & (by_turn > 0.0), reach * 2.0 * turn[:, 0] / by_turn, 0.0)
    return replace(
        NO_EVIDENCE,
        first=(launches[:, 0] - angle - half).reshape(-1, count),
        last=(launches[:, 0] - angle + half).reshape(-1, count),
        dropped=np.array([one.holed for one in others]),
        other_doubts=np.array([doubt_of(one) for one in others]),
    )


def _as_given(some: Sequence[Played], count: int) -> Grounds:
    """Return the grounds of putts as they were read, each so often."""
    first = some[0]
    if not is_solved_closed(first.putt, first.read.aim):
        return RolledGrounds(first.putt, first.read.aim, np.zeros((count, 3)))
    return PlaneGrounds(first.putt, plane_sets([one.putt for one in some], np.zeros((count, 3))))
