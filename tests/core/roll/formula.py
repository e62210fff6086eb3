"""Uneven ground by exact formulas, slopes written out by hand: one kind, so that it is compiled once."""

import math

import numpy as np
from numba import njit

TILT, DOUBLE_BREAK, TIER, QUADRIC, SLIDING_TILT = (float(i) for i in range(5))
NAMED = {
    "double_break": (DOUBLE_BREAK, ("grade", "A", "L")),
    "tier": (TIER, ("h", "m", "w", "q", "tilt")),
    "quadric": (QUADRIC, ("cx", "x0", "cy", "y0")),
    "sliding_tilt": (SLIDING_TILT, ("grade", "t0", "t1", "L")),
}
"""The reference's formulas: which it is, and its members in the order of the parameters."""


@njit(nogil=True)
def formula_slope(x, y, p):
    if p[0] == DOUBLE_BREAK:
        turn = math.pi / p[3]
        return p[1] - y * p[2] * turn * math.sin(turn * x), p[2] * math.cos(turn * x)
    if p[0] == TIER:
        up = math.cosh((x * math.cos(p[4]) + y * math.sin(p[4]) - p[2]) / p[3])
        steep = p[1] / (2 * p[3] * up * up)
        return steep * math.cos(p[4]), steep * math.sin(p[4]) + p[5]
    if p[0] == QUADRIC:
        return p[1] * (x - p[2]), p[3] * (y - p[4])
    if p[0] == SLIDING_TILT:
        return p[1] + y * (p[3] - p[2]) / p[4], p[2] + (p[3] - p[2]) * x / p[4]
    return p[1], p[2]


class Formula:
    slope, steepest, step_m = staticmethod(formula_slope), 0.1, 0.05

    def __init__(self, figures):
        self.parameters = np.array(figures, dtype=float)


def named_formula(surface, length_m):
    """Return the ground of a reference's formula."""
    which, members = NAMED[surface["name"]]
    values = {**surface["parameters"], "L": length_m}
    return Formula([which, *(values[name] for name in members)])
