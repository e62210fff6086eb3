"""The ground read with a phone, or with a simulated one on a hidden place."""

import numpy as np

from orthocline.core.ground import HiddenPlace, PhoneLevel, phone_level, simulated_readings, some_place
from orthocline.services.account.access import Viewer, open_play

LARGEST_SEED = 999_999
"""Of the simulated phones, each of which lies on a hidden place of its own."""


@open_play("The phone as a level")
def read_level(
    _viewer: Viewer, laid_rad: float | None, turned_rad: float | None, own_error_rad: float | None = None
) -> PhoneLevel | None:
    """Return what a phone laid down and turned round says of the ground, once both are there.

    Laid down alone it says so by its own error, where that was found before. Refused in Competition, also
    before anything is there.
    """
    if laid_rad is None or (turned_rad is None and own_error_rad is None):
        return None
    return phone_level(laid_rad, turned_rad, own_error_rad or 0.0)


@open_play("The simulated phone")
def simulated_phone(_viewer: Viewer, seed: int) -> tuple[HiddenPlace, tuple[float, float]]:
    """Return a hidden place, and what the simulated phone shows there [rad]; refused in Competition."""
    rng = np.random.default_rng(seed)
    place = some_place(rng)
    return place, simulated_readings(place, rng)


@open_play("The simulated phone")
def some_seed(_viewer: Viewer) -> int:
    """Return the number of a simulated phone by chance; refused in Competition."""
    return int(np.random.default_rng().integers(1, LARGEST_SEED))
