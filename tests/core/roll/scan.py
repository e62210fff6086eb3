"""A dense scan of launches: rolls of its own, in steps of time, that know nothing of the solver's way."""

import math

import numpy as np
from numba import njit
from scipy.optimize import root

from tests.core.roll.formula import formula_slope

PULL = 5 / 7 * 9.80665
STEP_S, SLOW_MPS, LONGEST_S, PASSES, WIDEST = 0.03, 0.02, 60.0, 3, 2.5
ANGLES, SPEEDS = 240, 36


@njit(nogil=True)
def push(x, y, vx, vy, p, drag, wind_x, wind_y, k):
    east, north = formula_slope(x, y, p)
    v = max(math.hypot(vx, vy), 1e-9)
    wx, wy = wind_x - vx, wind_y - vy
    w = math.hypot(wx, wy)
    return (
        -PULL * east - drag * vx / v + k * (w * wx + v * vx),
        -PULL * north - drag * vy / v + k * (w * wy + v * vy),
    )


@njit(nogil=True)
def passes_of(heading, speed, hole_x, hole_y, p, drag, wind_x, wind_y, k, out):
    """Write (signed distance, path left) of the first closest approaches to the hole; NaN for the rest."""
    x, y, s, t = 0.0, 0.0, 0.0, 0.0
    vx, vy = speed * math.cos(heading), speed * math.sin(heading)
    out[:] = np.nan
    count, near = 0, -1.0
    at = np.zeros(PASSES)
    v = speed
    far = WIDEST * math.hypot(hole_x, hole_y)
    while t < LONGEST_S and v > SLOW_MPS:
        h = STEP_S
        ax, ay = push(x, y, vx, vy, p, drag, wind_x, wind_y, k)
        bx, by = push(
            x + h / 2 * vx, y + h / 2 * vy, vx + h / 2 * ax, vy + h / 2 * ay, p, drag, wind_x, wind_y, k
        )
        ux, uy = vx + h / 2 * ax, vy + h / 2 * ay
        cx, cy = push(
            x + h / 2 * ux, y + h / 2 * uy, vx + h / 2 * bx, vy + h / 2 * by, p, drag, wind_x, wind_y, k
        )
        qx, qy = vx + h / 2 * bx, vy + h / 2 * by
        dx, dy = push(x + h * qx, y + h * qy, vx + h * cx, vy + h * cy, p, drag, wind_x, wind_y, k)
        rx, ry = vx + h * cx, vy + h * cy
        x += h / 6 * (vx + 2 * ux + 2 * qx + rx)
        y += h / 6 * (vy + 2 * uy + 2 * qy + ry)
        vx += h / 6 * (ax + 2 * bx + 2 * cx + dx)
        vy += h / 6 * (ay + 2 * by + 2 * cy + dy)
        now = math.hypot(vx, vy)
        s += h / 2 * (v + now)
        v = now
        t += h
        ahead = (hole_x - x) * vx + (hole_y - y) * vy
        if near > 0.0 and ahead <= 0.0 and count < PASSES:
            out[count, 0] = ((hole_x - x) * vy - (hole_y - y) * vx) / v
            at[count] = s + ahead / v
            count += 1
        near = ahead
        if math.hypot(x - hole_x, y - hole_y) > far:
            return
    ax, ay = push(x, y, 0.0, 0.0, p, 0.0, wind_x, wind_y, k)
    pull = math.hypot(ax, ay)
    left = math.inf
    if pull < drag:
        c = 0.5 * (1.0 + (vx * ax + vy * ay) / max(v * pull, 1e-12))
        left = v * v / 2 * (c * c / (drag - pull) + 2 * c * (1 - c) / drag + (1 - c) ** 2 / (drag + pull))
    for i in range(count):
        out[i, 1] = s + left - at[i]


@njit(nogil=True)
def scan(headings, speeds, hole_x, hole_y, p, drag, wind_x, wind_y, k):
    out = np.empty((len(headings), len(speeds), PASSES, 2))
    for i in range(len(headings)):
        for j in range(len(speeds)):
            passes_of(headings[i], speeds[j], hole_x, hole_y, p, drag, wind_x, wind_y, k, out[i, j])
    return out


def lines_by_scan(hole, p, drag, past_m, wind):
    """Return (heading, speed) of all launches from the origin found to pass the hole and stop so far past."""
    length = math.hypot(*hole)
    bearing = math.atan2(hole[1], hole[0])
    headings = bearing + np.linspace(-math.pi, math.pi, ANGLES, endpoint=False)
    speeds = np.geomspace(0.6, 3.0, SPEEDS) * math.sqrt(2 * drag * (length + past_m))
    given = (*hole, p, drag, *wind)
    seen = scan(headings, speeds, *given)
    cell = length * 2 * math.pi / ANGLES + 0.02
    off = np.abs(seen[..., 0]) / cell
    pace = np.abs(np.log(seen[..., 1] / past_m))
    found = []
    for c in range(PASSES):
        cost = np.where(np.isfinite(off[..., c] + pace[..., c]), off[..., c] + pace[..., c], np.inf)
        around = [np.roll(cost, (i, j), (0, 1)) for i in (-1, 0, 1) for j in (-1, 0, 1) if i or j]
        starts = np.argwhere((cost <= np.min(around, axis=0)) & (cost < 8.0))
        found += [line for i, j in starts for line in _settled(headings[i], speeds[j], c, past_m, given)]
    return _apart(found)


def _settled(heading, speed, c, past_m, given):
    out = np.empty((PASSES, 2))

    def residual(launch):
        passes_of(launch[0], launch[1] * speed, *given, out)
        miss, left = out[c]
        return [miss, math.log(left / past_m)] if math.isfinite(left) else [1e3, 1e3]

    solved = root(residual, [heading, 1.0], options={"eps": 1e-5})
    if np.abs(residual(solved.x)).max() < 1e-4:
        yield float(solved.x[0]), float(solved.x[1] * speed)


def _apart(lines):
    kept = []
    for heading, speed in lines:
        turned = [abs(math.remainder(heading - other, 2 * math.pi)) + abs(speed / v - 1) for other, v in kept]
        if not turned or min(turned) > 1e-3:
            kept.append((math.remainder(heading, 2 * math.pi), speed))
    return kept
