"""Cup entry: the hour on the rim, as the golfer faces it, where the ball goes in."""

import math

from orthocline.core.roll.putt import Point, Putt


def entry_clock_hours(putt: Putt, rim: Point) -> float:
    """Return the hour (0 to 12) of a place on the rim; 6 is the side nearest the ball, 3 the golfer's right.

    Six minus the degrees to the right of the rim point, seen from the centre, over thirty.

    Parameters
    ----------
    putt : Putt
        The putt.
    rim : Point
        Place on the rim [m].

    Returns
    -------
    float
        Hour, 0 to 12.
    """
    along, right = putt.along_and_right_m(rim)
    degrees_right = math.degrees(math.atan2(right, putt.length_m - along))
    return (6.0 - degrees_right / 30.0) % 12.0
