"""Greens and golfers' measures drawn by chance, made without any of the formulas that they check."""

import math
from dataclasses import dataclass

import numpy as np
from scipy.interpolate import PchipInterpolator

from orthocline.core.ground import UNSAID, Grid, Reading, Station, Stations, plane_from_grade, stations_of
from orthocline.core.roll import Point, Putt, PuttError, RollPast, read
from orthocline.core.sure import Uncertainty

WAVES = 160
SPREAD, LENGTH_M = 0.012, 6.0
STEEPEST_RAD = 0.4
"""Nobody aims further off; there the range may have no aim mark at its end."""
"""Usual spread of a green's slope about its plane, and the length over which it changes."""


@dataclass(frozen=True)
class Swells:
    """Greens as sums of plane waves, whose lengths are spread as those of the usual field are.

    The spectrum of a Matern-5/2 field in the plane is Student's distribution of five degrees of freedom.
    """

    waves: np.ndarray
    phases: np.ndarray
    planes: np.ndarray

    def gradients(self, places):
        """Return the slopes east and north of each green at places, shape (greens, places, 2)."""
        high = SPREAD * LENGTH_M * math.sqrt(3 / 5) * math.sqrt(2 / WAVES)
        turned = np.einsum("gwk,pk->gpw", self.waves, places) + self.phases[:, None, :]
        return -high * np.einsum("gpw,gwk->gpk", np.sin(turned), self.waves) + self.planes[:, None, :]

    def grid(self, length_m, spacing=0.25):
        """Return the heights of the first green about a putt along +x."""
        x, y = np.arange(-2.0, length_m + 3.5, spacing), np.arange(-3.0, 3.25, spacing)
        east, north = np.meshgrid(x, y)
        high = SPREAD * LENGTH_M * math.sqrt(3 / 5) * math.sqrt(2 / WAVES)
        heights = self.planes[0, 0] * east + self.planes[0, 1] * north
        for wave, phase in zip(self.waves[0], self.phases[0], strict=True):
            heights = heights + high * np.cos(wave[0] * east + wave[1] * north + phase)
        return Grid((x[0], y[0]), spacing, heights)


def swells(rng, greens=1, tilt=SPREAD):
    waves = rng.normal(size=(greens, WAVES, 2)) / LENGTH_M
    waves /= np.sqrt(rng.chisquare(5, size=(greens, WAVES)) / 5)[..., None]
    phases = rng.uniform(0, 2 * np.pi, (greens, WAVES))
    return Swells(waves, phases, rng.normal(0, tilt, (greens, 2)))


def measured_plane(rng):
    """Return a putt as a golfer measured it, how uncertain that is, and the aim that is true [m]."""
    uncertainty = Uncertainty(
        rng.choice([0.0, 0.02, 0.05]), *rng.choice([0.0027, 0.0075, 0.01], 2), rng.choice([0.0, 0.2, 0.5])
    )
    length, speed, past = rng.uniform(1.5, 9.0), rng.uniform(8.5, 11.5), rng.uniform(0.15, 0.6)
    slopes = rng.normal(0, 0.015, 2)
    true = _plane(length, slopes, speed, past)
    errors = rng.normal(size=4)
    seen = _plane(
        length / (1 + uncertainty.length * errors[0]),
        slopes + np.array([uncertainty.grade, uncertainty.side]) * errors[1:3],
        speed + uncertainty.green_speed_ft * errors[3],
        past,
    )
    return seen, uncertainty, read(true)


def _plane(length, slopes, speed, past):
    surface = plane_from_grade(*slopes, 0.0)
    return Putt(Point(0, 0), Point(length, 0), surface, speed, RollPast(past))


def measured_stations(rng):
    """Return a putt read at one to four stations on a green by chance, and its true read on that green."""
    green, length, speed = swells(rng), rng.uniform(2.0, 8.0), rng.uniform(8.5, 11.0)
    places = np.sort(rng.choice(np.linspace(0.0, 1.0, 8), rng.integers(1, 5), replace=False))
    sd = rng.choice([0.0027, 0.0075])
    at = np.column_stack([places * length, np.zeros(len(places))])
    seen = green.gradients(at)[0] + rng.normal(0, sd, (len(places), 2))
    stations = tuple(
        Station(float(place), float(side), float(grade), float(sd))
        for place, (grade, side) in zip(places, seen, strict=True)
    )
    ball, hole = Point(0, 0), Point(length, 0)
    ground = Stations((0.0, 0.0), (length, 0.0), stations)
    true = read(Putt(ball, hole, green.grid(length), speed, RollPast(0.3)))
    return Putt(ball, hole, ground, speed, RollPast(0.3)), Uncertainty(), true


# Standard deviations of a reading, written down again from the page of instruments: half of what it says.
SIZE_SD = {
    "level": math.hypot(0.1, 0.25) / 100,
    "phone": math.hypot(0.15, 0.25) / 100,
    "feet": 0.75 / 100,
    "eye": 1.0 / 100,
    "arrow": 0.5 / 100,
}
PLANE_SPREAD = 0.009
"""With the field's own, each slope of a green spreads by 1.5 %, as a first look takes it to."""
WAY_SD = {"plate": (math.radians(5), math.radians(15)), "arrow": (math.radians(12.5),) * 2}


def measured_readings(rng, kinds):
    """Return a putt by readings of some kinds, its mean fall on a green by chance, and its true read."""
    green, length, speed = swells(rng, tilt=PLANE_SPREAD), rng.uniform(2.0, 8.0), rng.uniform(8.5, 11.0)
    mean = falls_at(green, np.linspace(0.0, length, 60)).mean(axis=0)
    readings = []
    for i in range(rng.integers(2, 6)):
        at, by = float(rng.uniform(0, 1)), kinds[rng.integers(len(kinds) if i else 1)]
        fall = falls_at(green, np.array([at * length]))[0]
        readings += some_readings(rng, at, by, fall, mean, length, both=not i)
    ground = Stations((0.0, 0.0), (length, 0.0), stations_of(readings, length, UNSAID))
    ball, hole = Point(0, 0), Point(length, 0)
    true = read(Putt(ball, hole, green.grid(length), speed, RollPast(0.3)))
    return Putt(ball, hole, ground, speed, RollPast(0.3)), mean, true


def falls_at(green, along):
    """Return the falls toward the hole and to the right of a green at places along the line, shape (n, 2)."""
    return green.gradients(np.column_stack([along, 0 * along]))[0] * [-1, 1]


def some_readings(rng, at, by, fall, mean, length, both):
    """Yield what an instrument reads at a place, or of the whole putt, some of it askew."""
    way, steep = math.atan2(fall[1], fall[0]), float(np.hypot(*fall))
    if by == "rise_by_eye":
        rise = -mean[0] * length
        rise += rng.normal(0, 0.0127 + 0.125 * abs(rise))
        yield Reading(0.5, math.pi, float(rise / length), by)
    elif by in WAY_SD:
        turned = way + rng.normal(0, WAY_SD[by][steep < 0.01])
        size = None if by == "plate" else steep + float(rng.normal(0, SIZE_SD[by]))
        yield Reading(at, float(turned), size, by)
    else:
        askew = rng.uniform(-3, 3)
        laid = ([0.0], [math.pi / 2], [0.0, math.pi / 2], [math.pi / 2, askew], [askew, askew + 1.2])
        for toward in laid[2 if both else rng.integers(len(laid))]:
            along = steep * math.cos(toward - way) + float(rng.normal(0, SIZE_SD[by]))
            yield Reading(at, toward, along, by)


def draws(make, count, seed):
    """Yield so many putts that a golfer would aim at, each with its uncertainty and true read."""
    rng, found = np.random.default_rng(seed), 0
    while found < count:
        try:
            putt, uncertainty, true = make(rng)
            seen = read(putt)
        except PuttError:
            continue
        if all(one.aim.pace_met and abs(one.launch_right_rad) < STEEPEST_RAD for one in (seen, true)):
            found += 1
            yield seen, uncertainty, true


def refitted(at, values, sds, place, readings, sd):
    """Return the curve through readings with one more, shape (greens, readings), at a place of its own.

    A reading where there is one already is averaged with that.
    """
    near = np.abs(at - place)
    if near.min() < 1e-9:
        i = int(near.argmin())
        weights = np.array([sds[i] ** -2, sd**-2])
        values = values.copy()
        values[:, i] = (weights[0] * values[:, i] + weights[1] * readings) / weights.sum()
        return curve(at, values)
    order = np.argsort(np.append(at, place))
    return curve(np.append(at, place)[order], np.column_stack([values, readings])[:, order])


def curve(at, values):
    """Return the monotone cubics through rows of values, held beyond the ends, as a function of place."""
    if len(at) == 1:
        return lambda places: np.repeat(values, len(places), axis=1)
    cubic = PchipInterpolator(at, values, axis=1)
    return lambda places: cubic(np.clip(places, at[0], at[-1]))
