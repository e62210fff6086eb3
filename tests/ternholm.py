"""The nine greens of Ternholm by their formulas, 24 x 20 m, slopes by difference quotients of heights."""

import numpy as np

SIZE_M = (24.0, 20.0)
STEP_M = 1e-5


def _saltings(x, y):
    return 0.018 * y - 0.10 * np.exp(-(((x - 0.5 * y - 7) / 3) ** 2))


def _marram(x, y):
    wave = 0.05 * np.sin(0.55 * x + 0.4) * np.cos(0.5 * y)
    return 0.012 * y + wave + 0.03 * np.sin(0.3 * x - 0.62 * y)


def _breakwater(x, y):
    return 0.012 * y + 0.225 * (1 + np.tanh((y - 10.5 + 0.15 * (x - 12)) / 1.4))


HEIGHTS = {
    "Saltings": _saltings,
    "Curlew": lambda x, y: 0.0016 * ((x - 12) ** 2 + (y - 9) ** 2) + 0.006 * y,
    "Lantern": lambda x, y: -0.0014 * ((x - 12) ** 2 + 1.3 * (y - 10) ** 2),
    "Spindrift": lambda x, y: 0.021 * x + 0.009 * y,
    "Marram": _marram,
    "Breakwater": _breakwater,
    "Samphire": lambda x, y: 0.0016 * ((x - 12) ** 2 - (y - 10) ** 2) + 0.008 * y,
    "Anvil": lambda _x, y: 0.014 * y - 0.35 * np.exp(-((y / 2.6) ** 2)),
    "Homeward": lambda x, y: 0.012 * y + 0.16 * np.exp(-(((x - 12 + 0.2 * (y - 10)) / 2.8) ** 2)),
}


def slopes(name, places):
    """Return the slopes east and north at places, shape (n, 2)."""
    x, y = places.T
    height = HEIGHTS[name]
    east = (height(x + STEP_M, y) - height(x - STEP_M, y)) / (2 * STEP_M)
    north = (height(x, y + STEP_M) - height(x, y - STEP_M)) / (2 * STEP_M)
    return np.column_stack([east, north])
