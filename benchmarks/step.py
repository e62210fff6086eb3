"""How large a step may be: the errors behind `STEP_SHARE`, `FINE_SHARE` and `COARSE_SHARE`.

Rolls putts in steps of many sizes and prints how far each is off: the tracks of the closed form half-way
between their rows and at the hole (their Hermite curve), and the integrator's rest.
"""

import math

import numpy as np

from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import Point, Putt, RollPast, accelerations_of, roll, roller
from orthocline.core.roll.aim import aim
from orthocline.core.units import FOOT_M, INCH_M

SHARES = (0.01, 0.02, 0.03, 0.04, 0.08, 0.1, 0.2, 0.4)
PUTTS = [
    Putt(
        Point(0.0, 0.0),
        Point(length * FOOT_M, 0.0),
        plane_from_grade(grade, side, 0.0),
        speed,
        RollPast(12 * INCH_M),
    )
    for length in (5, 20, 50)
    for side in (0.01, 0.03)
    for grade in (-0.02, 0.02)
    for speed in (8, 12)
]


def track_error_m(putt, share):
    """Greatest distance [m] from the exact way, looked at five hundred times."""
    solved = aim(putt)
    rolled = roller(putt, solved)
    times = np.linspace(0.0, solved.time_to_hole_s, 500)
    exact, found = (rolled(solved.launch, s).at_times(times) for s in (0.002, share))
    return float(np.hypot(*(found - exact)[:, 1:3].T).max())


def integrator_error_m(putt, share):
    """Distance [m] of the integrator's rest from the closed form's."""
    solved = aim(putt)
    rests = roller(putt, solved)(solved.launch, 0.01).finish
    found = roll(
        putt.surface,
        accelerations_of(putt),
        putt.ball,
        heading_rad=putt.bearing_rad - solved.launch.right_rad,
        speed_mps=solved.launch.speed_mps,
        path_limit_m=math.inf,
        step_share=share,
    ).finish
    return math.hypot(found.x_m - rests.x_m, found.y_m - rests.y_m)


if __name__ == "__main__":
    print("share   track [um]   integrator [um]   (worst of", len(PUTTS), "putts)")
    for step_share in SHARES:
        track = 1e6 * max(track_error_m(putt, step_share) for putt in PUTTS)
        integrated = 1e6 * max(integrator_error_m(putt, step_share) for putt in PUTTS)
        print(f"{step_share:5.2f} {track:12.3f} {integrated:17.3f}")
