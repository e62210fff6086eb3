"""A putt on a plane seen along the fall line, as the closed form takes it."""

from dataclasses import dataclass

from orthocline.core.constants import PULL_PER_SLOPE_MPS2
from orthocline.core.ground import Plane
from orthocline.core.roll.accelerations import plane_with_grain
from orthocline.core.roll.green_speed import rolling_deceleration_mps2
from orthocline.core.roll.putt import Putt
from orthocline.core.units import wrap_rad


@dataclass(frozen=True)
class PlaneFrame:
    """A putt seen along the fall line of its plane, the grain folded in.

    Attributes
    ----------
    drag, pull : float
        Of the grass, and down the slope [m/s^2].
    downhill : float
        The way water runs [rad], counter-clockwise from +x.
    hole_rad : float
        Direction of the hole from straight downhill, 0 to pi.
    side : float
        +1 where that is counter-clockwise, -1 where it is clockwise.
    """

    drag: float
    pull: float
    downhill: float
    hole_rad: float
    side: float


def plane_frame(putt: Putt) -> PlaneFrame:
    """Return a putt on a plane as the closed form takes it.

    Parameters
    ----------
    putt : Putt
        The putt; of other ground the mean along its line is taken, and the wind is left aside.

    Returns
    -------
    PlaneFrame
        The same along the fall line.
    """
    plane = plane_with_grain(putt)
    turn = wrap_rad(putt.bearing_rad - plane.downhill_rad)
    drag, pull = rolling_deceleration_mps2(putt.green_speed_ft), PULL_PER_SLOPE_MPS2 * plane.tilt
    return PlaneFrame(drag, pull, plane.downhill_rad, abs(turn), 1.0 if turn >= 0.0 else -1.0)


def by_closed_form(putt: Putt) -> bool:
    """Return whether a putt is one on a plane in still air, its grain everywhere: it is solved in no time.

    Parameters
    ----------
    putt : Putt
        The putt.

    Returns
    -------
    bool
        Whether it is.
    """
    return isinstance(putt.surface, Plane) and putt.wind.speed_mps == 0.0 and putt.grain.since == 0.0
