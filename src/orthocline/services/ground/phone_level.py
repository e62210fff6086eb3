"""The ground read with a phone."""

from orthocline.core.ground import PhoneLevel, phone_level
from orthocline.services.account.access import Viewer, open_play


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
