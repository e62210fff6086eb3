"""Putts whose best pace was found by a separate program, for two golfers."""

import math

from orthocline.core.ground import Plane
from orthocline.core.roll import Point, Putt, RollPast
from orthocline.core.units import FOOT_M


def _putt(feet, tilt, downhill_deg, speed_ft):
    plane = Plane(tilt, math.radians(downhill_deg))
    return Putt(Point(0, 0), Point(feet * FOOT_M, 0), plane, speed_ft, RollPast(FOOT_M))


SPECIMENS = [
    # The putt; first and last best roll-past [in] and putts of the tournament golfer; of the middle one.
    (_putt(10, 0.015, -90, 10), (18, 24, 1.660), (12, 12, 1.837)),
    (_putt(10, 0.03, 17, 11), (18, 24, 1.587), (12, 18, 1.811)),
    (_putt(10, 0.03, 163, 10), (12, 18, 1.612), (6, 12, 1.848)),
    (_putt(30, 0.015, -90, 10), (6, 6, 1.971), (1, 6, 2.194)),
    (_putt(5, 0.02, -90, 10), (24, 24, 1.359), (18, 18, 1.585)),
]
