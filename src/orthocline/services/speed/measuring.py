"""Measure a green's speed: by ramp, posted number, timed putt or calibrated stroke; and check pace."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from orthocline.core.estimate import Estimate
from orthocline.core.instruments import LEVEL_BUMP_SD, LEVEL_SD
from orthocline.core.roll import GREEN_SPEED_RANGE_FT
from orthocline.core.speed import (
    HiddenGreen,
    Ramp,
    RampSpeed,
    ZeroScore,
    one_way,
    posted_speed,
    score_zero_putts,
    setting_up,
    simulated_roll_m,
    some_green,
    speed_from_rolls,
    speed_from_strokes,
    timed_speed,
)
from orthocline.services.account.mode import Mode, require_practice
from orthocline.services.errors import InvalidError
from orthocline.wording.figures import speed_text

WHAT = "Measuring green speed"


def level_reading(slope: float, *, averaged: bool) -> Estimate:
    """Return a digital level's reading [ratio]; a bump under it counts unless three places are averaged."""
    return Estimate(slope, LEVEL_SD if averaged else float(np.hypot(LEVEL_SD, LEVEL_BUMP_SD)))


def ramp_speed(
    mode: Mode,
    ramp: Ramp,
    out_m: Sequence[float],
    back_m: Sequence[float],
    *,
    level: Estimate | None = None,
    length_share_sd: float = 0.0,
) -> RampSpeed:
    """Return what a ramp's rolls say; refused in Competition.

    Raises
    ------
    InvalidError
        Without a roll, for a speed that no green has, or a level's reading that cannot be true.
    """
    require_practice(mode, WHAT)
    if not out_m and not back_m:
        raise InvalidError("out", "No rolls yet: enter the first one.")
    out, back = one_way(out_m, ramp.correction), one_way(back_m, ramp.correction)
    try:
        found = speed_from_rolls(out, back, level=level, length_share_sd=length_share_sd)
    except ValueError as error:
        raise InvalidError("level", f"Check the level's reading: {error}.") from error
    _plausible("out", found.speed_ft)
    return found


def by_posting(mode: Mode, speed_ft: float) -> Estimate:
    """Return the speed of a posted number; refused in Competition."""
    require_practice(mode, WHAT)
    return posted_speed(speed_ft)


def by_timing(
    mode: Mode, length_m: float, times_s: Sequence[float], length_share_sd: float = 0.0
) -> Estimate:
    """Return the speed of a timed putt; refused in Competition.

    Raises
    ------
    InvalidError
        Without a time, or for one too short for any ball.
    """
    require_practice(mode, WHAT)
    if not times_s:
        raise InvalidError("times", "No times yet: enter the first one.")
    try:
        return _plausible("times", timed_speed(length_m, times_s, length_share_sd))
    except ValueError as error:
        raise InvalidError("times", f"Check the times: {error}.") from error


def by_stroke(
    mode: Mode, putts: Sequence[tuple[float, float]], rate: Estimate | None, length_share_sd: float = 0.0
) -> Estimate:
    """Return the speed from putts as (stroke, roll) [m] by a calibrated stroke; refused in Competition.

    Raises
    ------
    InvalidError
        Without a putt or a calibration.
    """
    require_practice(mode, WHAT)
    if rate is None:
        raise InvalidError("strokes", "Calibrate your stroke first, under My measures.")
    if not putts:
        raise InvalidError("strokes", "No putts yet: enter the first one.")
    return _plausible("strokes", speed_from_strokes(putts, rate, length_share_sd))


def zero_putts(mode: Mode, target_m: float, lengths_m: Sequence[float]) -> ZeroScore:
    """Return the score of balls putted to one level distance; refused in Competition.

    Raises
    ------
    InvalidError
        Without a ball.
    """
    require_practice(mode, "Zero putts")
    if not lengths_m:
        raise InvalidError("balls", "No balls yet: enter how far the first one rolled.")
    return score_zero_putts(target_m, lengths_m)


def _plausible(field: str, found: Estimate) -> Estimate:
    least, most = GREEN_SPEED_RANGE_FT
    if not least <= found.value <= most:
        raise InvalidError(
            field,
            f"That would be a green speed of {speed_text(found.value)}; no green lies outside {least:g} to"
            f" {most:g} feet. Check the figures.",
        )
    return found


@dataclass(frozen=True)
class SimulatedRamp:
    """A simulated ramp on a hidden green: the same `seed` makes the same green and the same rolls."""

    seed: int
    ramp: Ramp
    green: HiddenGreen

    def roll_m(self, *, back: bool, number: int) -> float:
        """Return how long the roll of that number in that direction is [m]."""
        set_up = setting_up(self.green, np.random.default_rng([self.seed, 0]))
        rng = np.random.default_rng([self.seed, 2 if back else 1, number])
        return simulated_roll_m(self.green, self.ramp, back=back, set_up=set_up, rng=rng)

    def level(self) -> float:
        """Return what a level laid beside it reads [ratio], averaged over three places."""
        return self.green.slope + float(np.random.default_rng([self.seed, 3]).normal(0.0, LEVEL_SD))


def hidden_green(seed: int) -> HiddenGreen:
    """Return the green that a seed stands for."""
    return some_green(np.random.default_rng([seed, 4]))
