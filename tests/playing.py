"""Putts played out by chance, twice if need be: own integrator, own normal draws, nothing of the core."""

import numpy as np

from tests.rolled import STEP_S, holed_by_trying, roll_out

RADIUS_M, FASTEST_MPS = 0.053975, 1.63


def dropped(ways, holes):
    """Return which of many ways, shape (steps, n, 2), drop: v <= 1.63 (1 - (off / R)^2) at the rim.

    There is one hole for all, or one for each.
    """
    found = np.zeros(ways.shape[1], dtype=bool)
    for i, hole in enumerate(np.broadcast_to(holes, ways.shape[1:])):
        way = ways[:, i]
        steps = np.diff(way, axis=0)
        long = np.maximum((steps**2).sum(axis=1), 1e-18)
        share = np.clip(((hole - way[:-1]) * steps).sum(axis=1) / long, 0.0, 1.0)
        away = np.hypot(*(way[:-1] + share[:, None] * steps - hole).T)
        if away.min() >= RADIUS_M:
            continue
        first = int((np.hypot(*(way - hole).T) < RADIUS_M).argmax() or away.argmin() + 1)
        speed = np.hypot(*steps[max(first - 1, 0)]) / STEP_S
        found[i] = speed <= FASTEST_MPS * (1.0 - (away.min() / RADIUS_M) ** 2)
    return found


def scattered(right, launch, length, spreads, rng):
    """Return launches about the ones that are meant; `spreads` are degrees, share, share and degrees."""
    line, energy, read, ground = spreads
    z = rng.standard_normal((4, len(right)))
    aside = np.radians(line) * z[0] + np.radians(ground) * np.sqrt(length / 3.048) * z[1]
    return right * (1.0 + read * z[2]) + aside, launch * np.sqrt(np.maximum(1.0 + energy * z[3], 0.01))


def played(side_right, grade, speed_ft, length_m, past_m, spreads, second_past_m=0.3048, count=1000, seed=3):
    """Return the shares holed and three-putted over `count` putts on one plane."""
    rng = np.random.default_rng(seed)
    slopes = np.tile((grade, side_right), (count, 1))
    meant = holed_by_trying(slopes[:1], speed_ft, np.array([length_m]), np.array([past_m]))
    right, launch = (np.full(count, one[0]) for one in meant)
    ways = roll_out(slopes, speed_ft, *scattered(right, launch, np.full(count, length_m), spreads, rng))
    holed = dropped(ways, np.array([length_m, 0.0]))
    # Seen from where each miss rests, the hole lies ahead and the ground is turned.
    to_hole = np.array([length_m, 0.0]) - ways[-1][~holed]
    away = np.hypot(*to_hole.T)
    cos, sin = (to_hole / away[:, None]).T
    second = np.column_stack([grade * cos - side_right * sin, grade * sin + side_right * cos])
    far = away > 0.16
    meant = holed_by_trying(second[far], speed_ft, away[far], np.full(far.sum(), second_past_m))
    ways = roll_out(second[far], speed_ft, *scattered(*meant, away[far], spreads, rng))
    twice = [dropped(ways[:, [i]], np.array([one, 0.0]))[0] for i, one in enumerate(away[far])]
    return float(holed.mean()), (len(twice) - sum(twice)) / count
