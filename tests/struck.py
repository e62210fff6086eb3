"""Golfers who putt by the tests' own integrator: their misses, with what would have dropped, and their logs.

Nothing here comes from the model's rolls: the aims too are found by trying.
"""

from dataclasses import dataclass

import numpy as np

from tests.playing import dropped
from tests.rolled import holed_by_trying, roll_out

PAST_M, INCH_M = 0.3048, 0.0254
TRIES = 5
SPREADS = {"tournament": (1.0, 0.08, 0.30), "middle": (1.75, 0.12, 0.42)}
"""Start line [degrees], energy and read [shares] of two usual golfers."""
WITHIN = (0.004, 0.004, 0.25)
"""How sure the fall to the right, the rise [ratio] and the green speed [ft] were (one standard deviation)."""


@dataclass
class Putts:
    """Putts on planes: rise and fall to the right, green speed [ft], length [m], and what they ask for."""

    slopes: np.ndarray
    speed_ft: np.ndarray
    length_m: np.ndarray
    right_rad: np.ndarray
    launch_mps: np.ndarray

    def __getitem__(self, which):
        """Return some of them."""
        return Putts(*(getattr(self, name)[which] for name in self.__dataclass_fields__))

    def __len__(self):
        return len(self.length_m)

    def changed(self, errors):
        """Return them with more fall to the right, rise and green speed, asking for what that asks for."""
        return _asking(self.slopes + errors[:, [1, 0]], self.speed_ft + errors[:, 2], self.length_m)

    def rolled(self, right_rad, launch_mps):
        """Return whether balls drop, and where they rest beyond the hole and to its right [m]."""
        ways = roll_out(self.slopes, self.speed_ft, right_rad, launch_mps)
        holes = np.column_stack([self.length_m, np.zeros(len(self))])
        return dropped(ways, holes), ways[-1] - holes

    @property
    def solved(self):
        """Return which were solved: a ball struck so drops."""
        drops, rests = self.rolled(self.right_rad, self.launch_mps)
        return drops & (np.hypot(*rests.T) < 2.0 * PAST_M) & (np.abs(self.right_rad) < 0.5)


def _asking(slopes, speed_ft, length_m):
    asked = holed_by_trying(slopes, speed_ft, length_m, np.full(len(length_m), PAST_M), TRIES)
    return Putts(slopes, speed_ft, length_m, *asked)


def some_putts(rng, count):
    """Return putts drawn by chance: fewer than `count` by those that cannot be solved."""
    tilt, way = np.abs(rng.normal(0.015, 0.007, count)), rng.uniform(0.0, 2.0 * np.pi, count)
    slopes = np.column_stack([tilt * np.cos(way), tilt * np.sin(way)])
    speed, length = np.round(rng.normal(10.0, 0.6, count), 1), np.round(rng.gamma(4.0, 1.0, count) + 1.0, 3)
    found = _asking(slopes, speed, length)
    return found[found.solved]


def thumbed(rng, rests):
    """Return finishes as a thumb shows them."""
    sd = INCH_M + 0.015 * np.hypot(*rests.T)
    return rests + sd[:, None] * rng.normal(size=rests.shape)


def some_misses(rng, count):
    """Return misses of putts whose ground was not what was read.

    They are the putts as read, aims [m], finishes, names of golfers, and by cause whether the ball had
    dropped with only that put right.
    """
    read = some_putts(rng, count)
    ground = read.changed(rng.normal(size=(len(read), 3)) * WITHIN)
    solved = ground.solved
    read, ground = read[solved], ground[solved]
    golfers = rng.choice(list(SPREADS), len(read))
    line, energy, scatter = np.array([SPREADS[name] for name in golfers]).T
    aim = read.length_m * np.tan(read.right_rad) * (1.0 + scatter * rng.normal(size=len(read)))
    meant, aside = np.arctan2(aim, read.length_m), np.radians(line) * rng.normal(size=len(read))
    mps = read.launch_mps * np.sqrt(np.maximum(1.0 + energy * rng.normal(size=len(read)), 0.05))
    drops, rests = ground.rolled(meant + aside, mps)
    ways = {
        "read": (ground.right_rad + aside, mps),
        "line": (meant, mps),
        "pace": (meant + aside, read.launch_mps),
    }
    had = {name: ground.rolled(*way)[0][~drops] for name, way in ways.items()}
    return read[~drops], aim[~drops], thumbed(rng, rests)[~drops], golfers[~drops], had


def some_golfer(rng, putts):
    """Return a golfer drawn by chance, and their aims [m] and finishes on putts, NaN for a holed ball."""
    truth = {
        "read_factor": rng.uniform(0.55, 1.2),
        "read_sd": rng.uniform(0.15, 0.45),
        "start_line_bias_right_deg": rng.normal(0.0, 0.7),
        "start_line_sd_deg": rng.uniform(0.8, 2.4),
        "energy_bias": rng.normal(0.0, 0.06),
        "energy_sd": rng.uniform(0.06, 0.16),
    }
    z = rng.normal(size=(3, len(putts)))
    aim = putts.length_m * np.tan(putts.right_rad) * truth["read_factor"] * (1.0 + truth["read_sd"] * z[0])
    aside = np.radians(truth["start_line_bias_right_deg"] + truth["start_line_sd_deg"] * z[1])
    energy = np.maximum(1.0 + truth["energy_bias"] + truth["energy_sd"] * z[2], 0.05)
    right = np.arctan2(aim, putts.length_m) + aside
    drops, rests = putts.rolled(right, putts.launch_mps * np.sqrt(energy))
    return truth, aim, np.where(drops[:, None], np.nan, thumbed(rng, rests))
