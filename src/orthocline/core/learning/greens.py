"""Where a log disagrees with what is said of a green: its speed, and how much it slopes."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from orthocline.core.learning.answers import answers_of
from orthocline.core.learning.grounds import Figures
from orthocline.core.learning.played import Played, thumb_sd_m
from orthocline.core.learning.stroke import Belief, Habit, Stroke

SPEED_SD_FT: Final = 0.7
SLOPE_SD: Final = 0.2
"""How far a green may be from what is said of it: its speed [ft], and its slope as a share of itself."""
LEAST_MISSES: Final = 6
"""Fewer say nothing of a green."""
WIDEST: Final = 4.0
"""A ball further from what was meant, in the golfer's spreads, was mishit, and says nothing of a green."""
Row = tuple[Figures, Figures, Figures]


@dataclass(frozen=True)
class GreenSaid:
    """What the misses on one green say of it, beside those on all others.

    Attributes
    ----------
    misses : int
        How many.
    faster_ft : Habit
        How much faster it runs than is said [ft].
    steeper : Habit
        How much more it slopes than was read, as a share.
    """

    misses: int
    faster_ft: Habit
    steeper: Habit


def greens_of(log: Mapping[str, Sequence[Played]], stroke: Stroke) -> dict[str, GreenSaid]:
    """Return what misses say of each green.

    To first order: by how much start lines and energies, as the finishes imply them, are off what this
    golfer does elsewhere, and how they answer to speed and slope.

    Parameters
    ----------
    log : mapping of str to sequence of Played
        Putts by the name of their green.
    stroke : Stroke
        How the golfer scatters.

    Returns
    -------
    dict of str to GreenSaid
        The greens of which enough is known.
    """
    rows = {name: [row for one in putts if (row := _row(one)) is not None] for name, putts in log.items()}
    near = {name: [row for row in of if _usual(row, stroke)] for name, of in rows.items()}
    every = [row for of in near.values() for row in of]
    if not every:
        return {}
    middle = np.median([row[0] for row in every], axis=0)
    return {name: _said(of, middle, stroke) for name, of in near.items() if len(of) >= LEAST_MISSES}


def _row(one: Played) -> Row | None:
    """Return errors of start line [rad] and energy, how they answer to speed and slope, and the thumb's."""
    found = answers_of(one, one.finish) if one.finish and not one.by_device else None
    if found is None or one.finish is None:
        return None
    side, grade, speed = found.by_ground
    sloping = one.putt.side_tilt_right * side + one.putt.grade * grade
    thumb = np.full(2, thumb_sd_m(one.finish) / one.putt.length_m)
    return found.off, np.column_stack([speed, sloping]), thumb


def _usual(row: Row, stroke: Stroke) -> bool:
    bias, sd = _bias_and_sd(stroke)
    return bool((np.abs(row[0] - bias) < WIDEST * sd).all())


def _bias_and_sd(stroke: Stroke) -> tuple[Figures, Figures]:
    bias = np.array([stroke.start_bias_rad.value, stroke.energy_bias.value])
    return bias, np.array([stroke.start_sd_rad.value, stroke.energy_sd.value])


def _said(of: Sequence[Row], middle: Figures, stroke: Stroke) -> GreenSaid:
    """Return what misses say of speed and slope: linear, and normal."""
    _, sd = _bias_and_sd(stroke)
    precision = np.diag([SPEED_SD_FT**-2, SLOPE_SD**-2])
    pull = np.zeros(2)
    for off, answers, thumb in of:
        weights = 1.0 / (sd**2 + thumb**2)
        precision += answers.T @ (weights[:, None] * answers)
        pull -= answers.T @ (weights * (off - middle))
    covariance = np.linalg.inv(precision)
    belief = Belief(covariance @ pull, covariance)
    return GreenSaid(len(of), belief.plain(0), belief.plain(1))
