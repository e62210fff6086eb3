"""Aim and pace round a pin of a charted green, by how far the ball lies and which way from the hole."""

import math
from collections.abc import Sequence
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import binary_dilation

from orthocline.core.cards import Conditions
from orthocline.core.ground import Surface
from orthocline.core.pack.table import Axis, Table
from orthocline.core.relief import Outline
from orthocline.core.roll import (
    WIDEST_AIM_RAD,
    Point,
    Putt,
    PuttError,
    aims,
    rolling_deceleration_mps2,
)

Place = tuple[float, float]
NEAREST_M: Final = 0.5
"""Shorter putts are not taken along."""
DISTANCES, WAYS = 18, 72
"""So many of each were enough for 95 of 100 reads on the greens of the demo."""
FIGURES: Final = 3
TRIED: Final = 8
"""By so many putts it is told whether a ball rests by a hole."""
OUTWARD, AROUND = 2, 1
"""So many places beyond the edge, outward and round, are solved too: curves to the edge need them."""


def pin_table(surface: Surface, outline: Outline, hole_m: Place, conditions: Conditions) -> Table:
    """Return aim and pace of putts to a pin.

    Parameters
    ----------
    surface : Surface
        The ground.
    outline : Outline
        The green's edge: balls lie within.
    hole_m : tuple of float
        Where the pin is [m].
    conditions : Conditions
        Green speed and roll-past.

    Returns
    -------
    Table
        By the root of the distance from hole to ball [m^0.5] and the way from the hole to it,
        counter-clockwise from +x [rad]: as `solved` has them.
    """
    reach = float(np.hypot(*(outline.curve - hole_m).T).max())
    axes = (
        Axis(math.sqrt(NEAREST_M), math.sqrt(max(reach, 4.0 * NEAREST_M)), DISTANCES),
        Axis(0.0, 2.0 * math.pi, WAYS, is_round=True),
    )
    far, way = np.meshgrid(axes[0].places ** 2, axes[1].places, indexing="ij")
    balls = np.stack([hole_m[0] + far * np.cos(way), hole_m[1] + far * np.sin(way)], axis=-1)
    values = np.full((*far.shape, FIGURES), np.nan)
    nodes = np.argwhere(_wanted(outline, balls)).tolist()
    putts = [Putt(Point(*balls[i, j].tolist()), Point(*hole_m), surface, *conditions.asked) for i, j in nodes]
    rests = _rests(putts)
    for (i, j), putt in zip(nodes, putts, strict=True):
        values[i, j] = solved(putt, rests=rests)
    return Table(axes, values)


def solved(putt: Putt, *, rests: bool = True) -> tuple[float, float, float]:
    """Return how a putt is aimed, how far it plays, and whether its pace can be had.

    Parameters
    ----------
    putt : Putt
        The putt, its pace a roll-past.
    rests : bool
        False where hardly any ball rests by the hole: it is solved sooner then.

    Returns
    -------
    tuple of float
        Launch angle to the right of the hole [rad]; how far it plays on the level [m]; 1 where a ball has
        that pace, and 0 where the nearest is told. NaN where no ball reaches the hole, or has a spot to be
        aimed at.
    """
    try:
        first = aims(putt, rests=rests)[0]
    except PuttError:
        return (math.nan,) * FIGURES
    if abs(first.launch.right_rad) > WIDEST_AIM_RAD:
        return (math.nan,) * FIGURES
    rolls_m = first.launch.speed_mps**2 / (2.0 * rolling_deceleration_mps2(putt.green_speed_ft))
    return first.launch.right_rad, rolls_m - (first.past_m or 0.0), float(first.pace_met)


def _rests(putts: Sequence[Putt]) -> bool:
    """Return whether most of a few putts, evenly chosen, have the pace asked."""
    few = putts[:: max(len(putts) // TRIED, 1)]
    return sum(solved(one)[-1] == 1.0 for one in few) >= 0.5 * len(few)


def _wanted(outline: Outline, balls: NDArray[np.float64]) -> NDArray[np.bool_]:
    """Return at which places a putt is solved: on the green, and a little way round it."""
    on = outline.holds(balls.reshape(-1, 2)).reshape(balls.shape[:2])
    wide = np.concatenate([on[:, -AROUND:], on, on[:, :AROUND]], axis=1)
    grown = binary_dilation(wide, np.ones((2 * OUTWARD + 1, 2 * AROUND + 1), dtype=bool))
    return np.asarray(grown[:, AROUND:-AROUND])
