"""Many balls rolled at once by an integrator of the tests' own: small even steps of time, nothing shared."""

import math

import numpy as np

G, SHARE, RAMP_MPS, FOOT = 9.80665, 5.0 / 7.0, 1.83, 0.3048
STEP_S = 0.01


def drag(speed_ft):
    return RAMP_MPS**2 / (2.0 * FOOT * np.asarray(speed_ft, dtype=float))


def roll_out(slopes, speed_ft, right_rad, launch_mps, push=None):
    """Return the ways of balls that start at the origin along +x turned right, shape (steps, n, 2).

    `slopes` are the rise ahead and the fall to the right of each ball's plane, shape (n, 2); `push` takes
    places (n, 2) and returns what else pushes, ahead and to the right [m/s^2]. A ball at rest stays.
    """
    slopes, brake = np.asarray(slopes, dtype=float), drag(speed_ft)
    pull = SHARE * G * slopes * (-1.0, 1.0)
    place = np.zeros_like(pull)
    velocity = np.column_stack([launch_mps * np.cos(right_rad), launch_mps * np.sin(right_rad)])
    going, ways = np.ones(len(place), dtype=bool), [place]

    def change(place, velocity):
        speed = np.maximum(np.hypot(*velocity.T), 1e-9)[:, None]
        return pull - brake[:, None] * velocity / speed + (push(place) if push else 0.0)

    brake = np.broadcast_to(brake, len(place))
    while going.any() and len(ways) < 6000:
        k1 = change(place, velocity)
        k2 = change(place + 0.5 * STEP_S * velocity, velocity + 0.5 * STEP_S * k1)
        k3 = change(place + 0.5 * STEP_S * (velocity + 0.5 * STEP_S * k1), velocity + 0.5 * STEP_S * k2)
        k4 = change(place + STEP_S * (velocity + 0.5 * STEP_S * k2), velocity + STEP_S * k3)
        ahead = STEP_S * velocity + STEP_S**2 / 6.0 * (k1 + k2 + k3)
        after = velocity + STEP_S / 6.0 * (k1 + 2.0 * k2 + 2.0 * k3 + k4)
        slow = np.hypot(*after.T) < 2.0 * STEP_S * brake
        place = np.where(going[:, None], place + ahead, place)
        velocity = np.where(going[:, None], after, 0.0)
        going = going & ~slow
        ways.append(place)
    return np.array(ways)


def holed_by_trying(slopes, speed_ft, length_m, past_m, tries=9):
    """Return directions to the right [rad] and launch speeds that go through the hole and rest beyond it.

    The roll-past counts along the way, as on a covered hole; found by trying and correcting.
    """
    right = np.zeros(len(length_m))
    launch = np.sqrt(2.0 * drag(speed_ft) * (length_m + past_m))

    def wrong(right, launch):
        ways = roll_out(slopes, speed_ft, right, launch)
        return np.array([_wrong(ways[:, i], length_m[i], past_m[i]) for i in range(len(length_m))])

    for _ in range(tries):
        here = wrong(right, launch)
        turned, faster = wrong(right + 1e-3, launch), wrong(right, 1.002 * launch)
        columns = np.stack([(turned - here) / 1e-3, (faster - here) / 0.002], axis=-1)
        step = -np.linalg.solve(columns + 1e-9 * np.eye(2), here[..., None])[..., 0]
        right = right + np.clip(step[:, 0], -0.15, 0.15)
        launch = launch * (1.0 + np.clip(step[:, 1], -0.2, 0.2))
    return right, launch


def _wrong(way, length_m, past_m):
    """Return how far a way passes to the right of the hole, and how far it runs too far on from there."""
    away = way - (length_m, 0.0)
    i = min(max(int(np.hypot(*away.T).argmin()), 1), len(way) - 1)
    steps = np.hypot(*np.diff(way, axis=0).T)
    chord = way[i] - way[i - 1] if steps[i - 1] > 1e-9 else way[i] - way[0]
    ahead = chord / max(math.hypot(*chord), 1e-9)
    short = -float(away[i] @ ahead)
    miss = float(away[i] @ (-ahead[1], ahead[0]))
    return np.array([miss, steps[i:].sum() - short - past_m])
