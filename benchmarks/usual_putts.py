"""What the usual golfers need from each distance: makes the table of `core/log/usual_putts.py`."""

import math

import numpy as np

from orthocline.core.account import GOLFERS, USUAL_PASTS
from orthocline.core.ground import Plane
from orthocline.core.holing import RoundHole, SecondPutts, chances_of
from orthocline.core.roll import Point, Putt, RollPast, aims
from orthocline.core.units import FOOT_M

FEET = (1, 2, 3, 4, 5, 6, 7, 8, 10, 12, 15, 20, 25, 30, 40, 50, 60, 80, 100)
PUTTS = 60


def usual_putts(feet, rng):
    """Yield putts of a length as golfers meet them: tilt 1.5 ± 0.7 % in any direction, speed 11 ± 0.6."""
    for _ in range(PUTTS):
        plane = Plane(abs(rng.normal(0.015, 0.007)), rng.uniform(-math.pi, math.pi))
        yield Putt(Point(0, 0), Point(feet * FOOT_M, 0), plane, rng.normal(11.0, 0.6), RollPast(FOOT_M))


def means(feet, golfer):
    """Return the mean share holed and the mean putts in all of a usual golfer from so many feet."""
    found = []
    for putt in usual_putts(feet, np.random.default_rng(5)):
        tried = chances_of(
            putt, aims(putt)[0].launch, golfer, SecondPutts(RoundHole(putt, USUAL_PASTS), golfer)
        )
        found.append((tried.holed, tried.putts))
    return np.mean(found, axis=0)


def main():
    """Print the rows of the table."""
    for feet in FEET:
        told = [means(feet, golfer) for golfer in GOLFERS.values()]
        holed, putts = (", ".join(f"{one[i]:.{3}f}" for one in told) for i in (0, 1))
        print(f"    {feet}: (({holed}), ({putts})),", flush=True)


if __name__ == "__main__":
    main()
