"""Every further reading tried on simulated putts, each read anew: what narrows the range by how much."""

import numpy as np

from orthocline.core.roll import PlaneSets
from tests.simulated import curve, refitted, swells

DRAWN, DRAWN_PLANES = 1500, 16_000
LEVEL_SD = np.hypot(0.001, 0.0025)


def spread(errors):
    return float(np.subtract(*np.quantile(errors, [0.975, 0.025])))


def cuts_by_trying(seen, uncertainty, rng):
    """Return by which share each reading narrows the aim's range on a plane, by refits of simulated ones."""
    putt = seen.putt
    figures = np.array([putt.length_m, putt.side_tilt_right, putt.grade, putt.green_speed_ft])
    sds = np.array(
        [uncertainty.length * putt.length_m, uncertainty.side, uncertainty.grade, uncertainty.green_speed_ft]
    )
    true = figures[:, None] + sds[:, None] * rng.normal(size=(4, DRAWN_PLANES))
    ramp_sd = np.hypot(0.15, 0.03 * putt.green_speed_ft / np.sqrt(3))
    pacing = min(uncertainty.length, 0.05) * putt.length_m
    readings = {"pacing": (0, pacing), "across": (1, LEVEL_SD), "along": (2, LEVEL_SD), "ramp": (3, ramp_sd)}

    def aims(length, side, grade, speed):
        nothing = np.zeros(DRAWN_PLANES)
        sets = PlaneSets(length, side, grade, speed, nothing, nothing)
        return length * np.tan(sets.launches(putt.pace)[:, 0])

    flat = [np.full(DRAWN_PLANES, figure) for figure in figures]
    now = spread(aims(*true) - aims(*flat))
    found = {}
    for name, (i, sd) in readings.items():
        if sds[i] > 0.0:
            refit = [column.copy() for column in flat]
            seen_again = true[i] + sd * rng.normal(size=DRAWN_PLANES)
            refit[i] = (figures[i] / sds[i] ** 2 + seen_again / sd**2) / (sds[i] ** -2 + sd**-2)
            found[name] = 1.0 - spread(aims(*true) - aims(*refit)) / now
    return found


def tried_at_stations(sure, rng):
    """Return by which share a level across each tenth of the way narrows the aim's error, by refits."""
    putt, weights = sure.read.putt, sure.weights
    at = np.array([one.at for one in putt.surface.readings])
    sds = np.array([one.sd for one in putt.surface.readings])
    way = np.linspace(0.0, weights.way_m[-1], 60)
    along = np.interp(way, weights.way_m, weights.places_m[:, 0]) / putt.length_m
    counts = np.interp(way, weights.way_m, weights.aim_rad[:, 0]) * way[1]
    tenths = np.linspace(0.0, 1.0, 11)
    places = np.concatenate([along, at, tenths]) * putt.length_m
    sides = swells(rng, DRAWN).gradients(np.column_stack([places, np.zeros(len(places))]))[..., 1]
    true, read_at, new = np.split(sides, [len(along), len(along) + len(at)], axis=1)
    values = read_at + sds * rng.normal(size=read_at.shape)

    def error(fitted):
        return spread((true - fitted(along)) @ counts)

    now, noise = error(curve(at, values)), LEVEL_SD * rng.normal(size=DRAWN)
    return [
        1.0 - error(refitted(at, values, sds, tenth, new[:, i] + noise, LEVEL_SD)) / now
        for i, tenth in enumerate(tenths)
    ]


def named(reading):
    if reading.across is None:
        return reading.by
    return "across" if reading.across else "along"
