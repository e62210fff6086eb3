"""Light on the ground: the shade of a low sun, and the sheen of grass that grows with the water."""

import math
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.sight import Eye
from orthocline.drawing.scene import Spots
from orthocline.drawing.sight.lie import Tone

FULL_SHADE, FULL_SHEEN = 0.045, 0.06
"""Slopes [ratio] away from the sun, and toward the eye, from which on the ground is darkest."""
MOTTLED: Final = 0.18
"""Grass is mottled by so much, up to so much more or less dark."""
PATCH: Final = (12.9898, 78.233, 43758.5453)
"""A pattern without order, from nothing but the place."""


def sunlight(sun_rad: float) -> Tone:
    """Return how dark ground is that the sun shines on from so far clockwise of the way to the hole."""
    toward = np.array([math.cos(sun_rad), math.sin(sun_rad)])

    def tone(_places: Spots, falls: Spots) -> NDArray[np.float64]:
        return np.asarray(0.5 - 0.5 * np.clip(falls @ toward / FULL_SHADE, -1.0, 1.0))

    return tone


def sheen(eye: Eye) -> Tone:
    """Return how dark grass is that grows the way water runs: dark toward the eye, shiny away from it."""

    def tone(places: Spots, falls: Spots) -> NDArray[np.float64]:
        away = places - (eye.along_m, eye.right_m)
        away = away / np.maximum(np.hypot(*away.T), 1e-9)[:, None]
        shiny = np.clip((falls * away).sum(axis=1) / FULL_SHEEN, -1.0, 1.0)
        wild = np.sin(places @ np.array(PATCH[:2])) * PATCH[2]
        mottled = 2.0 * (wild - np.floor(wild)) - 1.0
        return np.asarray(np.clip(0.5 - 0.5 * shiny + MOTTLED * mottled, 0.0, 1.0))

    return tone
