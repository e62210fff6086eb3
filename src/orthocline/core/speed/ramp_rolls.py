"""Green speed from a ramp's rolls, both ways or one way, with the slope and the grain that they find."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from orthocline.core.constants import PULL_PER_SLOPE_MPS2, RAMP_SPEED_MPS
from orthocline.core.estimate import Estimate, widened
from orthocline.core.instruments import (
    GRAIN_SD,
    ONE_WAY_SD_FT,
    RAMP_ROLL_SHARE,
    RAMP_SD_FT,
    TAPE_SHARE,
    UNPROVED_SLOPE_SD,
)
from orthocline.core.roll import rolling_deceleration_mps2, steepest_holding_slope
from orthocline.core.speed.method import SpeedMethod
from orthocline.core.units import FOOT_M, PERCENT

ROLL_RANGE_M = (0.3, 60.0 * FOOT_M)
OUTLIER_SPREADS = 3.0
OUTLIER_LEAST_SHARE = 0.025
"""A roll stands out beyond three spreads of the others, taken as at least 2.5 % of their mean."""
SLOPE_PER_INVERSE_M = RAMP_SPEED_MPS**2 / (4.0 * PULL_PER_SLOPE_MPS2)
"""v_ramp^2 / (4 * 5/7 g) [m]: slope found per difference of the inverse rolls, 1/out - 1/back."""


@dataclass(frozen=True)
class OneWay:
    """The rolls of one direction, as the standard ramp would have made them.

    Attributes
    ----------
    rolls_m : tuple of float
        Their lengths [m].
    stands_out : tuple of bool
        For each roll, whether it lies far from the others; nothing is left out for it.
    """

    rolls_m: tuple[float, ...]
    stands_out: tuple[bool, ...]

    @property
    def mean_m(self) -> float:
        """Mean roll [m]."""
        return math.fsum(self.rolls_m) / len(self.rolls_m)

    @property
    def spread_m(self) -> float:
        """Standard deviation of one roll [m], 0 for one."""
        return math.sqrt(self.squares_m2 / max(len(self.rolls_m) - 1, 1))

    @property
    def squares_m2(self) -> float:
        """Sum of the squared distances from the mean [m^2]."""
        return math.fsum((roll - self.mean_m) ** 2 for roll in self.rolls_m)


@dataclass(frozen=True)
class RampSpeed:
    """What a ramp's rolls say.

    Attributes
    ----------
    speed_ft : Estimate
        Green speed [ft].
    out, back : OneWay or None
        The two directions; None where nothing was rolled that way.
    slope : Estimate or None
        Rise of the ground toward `out` [ratio], found from the difference of the two ways.
    grain : Estimate or None
        Strength of the grain along the line, positive where it grows toward `out`: what the slope found has
        over the level's reading. None without both.
    flat_range_ft : tuple of two float, or None
        For rolls one way on ground not proved level: the speeds they would mean if it fell, or rose, by one
        percent that way.
    """

    speed_ft: Estimate
    out: OneWay | None
    back: OneWay | None
    slope: Estimate | None = None
    grain: Estimate | None = None
    flat_range_ft: tuple[float, float] | None = None


def across_share(speed_ft: float, across: float) -> float:
    """Return by what share a slope across the line lengthens the rolls of a ramp.

    Three eighths of the square of the slope over the steepest that holds a ball: the limit of the uniform
    slope's closed form for gentle slopes, an eighth too small at 40 % of it.

    Parameters
    ----------
    speed_ft : float
        Green speed [ft].
    across : float
        Slope [ratio] across the line; grain across it as strong does the same.

    Returns
    -------
    float
        Share of the roll.
    """
    return 0.375 * (across / steepest_holding_slope(speed_ft)) ** 2


def one_way(rolls_m: Sequence[float], correction: float = 1.0) -> OneWay | None:
    """Return the rolls [m] of one direction times a ramp's correction; None for no rolls.

    Parameters
    ----------
    rolls_m : sequence of float
        Rolls as they were taped [m].
    correction : float
        What each counts: the ramp's `correction`.

    Returns
    -------
    OneWay or None
        The rolls as the standard ramp would have made them; None for none.
    """
    if not rolls_m:
        return None
    rolls = tuple(correction * roll for roll in rolls_m)
    return OneWay(rolls, tuple(_stands_out(rolls, i) for i in range(len(rolls))))


def _stands_out(rolls: tuple[float, ...], i: int) -> bool:
    others = OneWay(rolls[:i] + rolls[i + 1 :], ())
    if len(others.rolls_m) < 2:
        return False
    spread = max(others.spread_m, OUTLIER_LEAST_SHARE * others.mean_m)
    reach = OUTLIER_SPREADS * spread * math.sqrt(1.0 + 1.0 / len(others.rolls_m))
    return abs(rolls[i] - others.mean_m) > reach


def speed_from_rolls(
    out: OneWay | None, back: OneWay | None, *, level: Estimate | None = None, length_share_sd: float = 0.0
) -> RampSpeed:
    """Return green speed, slope and grain from the rolls of a ramp.

    Parameters
    ----------
    out : OneWay or None
        The two directions; one of them at least.
    back : OneWay or None
        The two directions; one of them at least.
    level : Estimate or None
        Rise of the ground toward `out` [ratio], read by a level beside the rolls.
    length_share_sd : float
        How far all lengths may be off together, as a share: paces that a tape has not proved.

    Returns
    -------
    RampSpeed
        Speed [ft], slope [ratio], grain.

    Raises
    ------
    ValueError
        Without a roll, or where the slope read explains away all of the drag.

    Notes
    -----
    Both ways S = 2 A B / (A + B) (Brede 1991) and s = v^2/4 (1/A - 1/B) / (5/7 g), exact along the fall line:
    each roll's inverse is 2 (d +- G) / v^2. One way, a slope read by a level is taken out of that inverse.
    """
    if out is not None and back is not None:
        return _both_ways(out, back, level, length_share_sd)
    rolled = out or back
    if rolled is None:
        raise ValueError("no rolls")
    return _single_way(rolled, 1.0 if out else -1.0, out, back, level, length_share_sd)


def _both_ways(out: OneWay, back: OneWay, level: Estimate | None, length_share_sd: float) -> RampSpeed:
    a, b = out.mean_m, back.mean_m
    share, freedom = _roll_share(out, back)
    speed_m = 2.0 * a * b / (a + b)
    shares = share / math.sqrt(len(out.rolls_m)), share / math.sqrt(len(back.rolls_m))
    scatter = speed_m * math.hypot(b * shares[0], a * shares[1]) / (a + b)
    # For the way back the ramp is set up anew: what that does to its rolls stays in their difference.
    set_up = RAMP_SD_FT * FOOT_M / speed_m
    slope = Estimate(
        SLOPE_PER_INVERSE_M * (1.0 / a - 1.0 / b),
        widened(
            SLOPE_PER_INVERSE_M * math.hypot(shares[0] / a, shares[1] / b),
            freedom,
            SLOPE_PER_INVERSE_M * math.hypot(set_up / a, set_up / b),
        ),
    )
    speed = Estimate(speed_m / FOOT_M, _sd_ft(scatter, freedom, speed_m * length_share_sd))
    return RampSpeed(speed, out, back, slope, _grain(slope, level, speed.value) if level else None)


def _single_way(
    rolled: OneWay,
    way: float,
    out: OneWay | None,
    back: OneWay | None,
    level: Estimate | None,
    length_share_sd: float,
) -> RampSpeed:
    share, freedom = _roll_share(rolled)
    mean = rolled.mean_m
    speed_m = level_speed_m(mean, way * level.value if level else 0.0)
    scatter = share / math.sqrt(len(rolled.rolls_m)) * speed_m**2 / mean
    per_slope_m = speed_m**2 / (2.0 * SLOPE_PER_INVERSE_M)
    ground_m = (
        level.sd * per_slope_m if level else max(UNPROVED_SLOPE_SD * per_slope_m, ONE_WAY_SD_FT * FOOT_M)
    )
    # Grain along the line lengthens or shortens a roll as its share of the drag does.
    common_m = math.hypot(ground_m, speed_m * GRAIN_SD, speed_m * length_share_sd)
    sd = _sd_ft(scatter, freedom, common_m)
    falls, rises = (level_speed_m(mean, slope) / FOOT_M for slope in (-PERCENT, PERCENT))
    flat = None if level else (falls, rises)
    return RampSpeed(Estimate(speed_m / FOOT_M, sd), out, back, flat_range_ft=flat)


def level_speed_m(roll_m: float, rise: float) -> float:
    """Return how far a roll on ground that rises would have gone on the level.

    Parameters
    ----------
    roll_m : float
        Length of the roll [m].
    rise : float
        Rise [ratio] of the ground the way it rolled, negative if it falls.

    Returns
    -------
    float
        Length [m].

    Raises
    ------
    ValueError
        Where the slope explains away all of the drag.
    """
    inverse = 1.0 / roll_m - rise / (2.0 * SLOPE_PER_INVERSE_M)
    if inverse <= 0.0:
        raise ValueError("on such a slope the ball could not have stopped there")
    return 1.0 / inverse


def _roll_share(*ways: OneWay) -> tuple[float, int]:
    """Return the scatter of one roll as a share of it, and its degrees of freedom (0: the usual scatter)."""
    freedom = sum(len(way.rolls_m) - 1 for way in ways)
    if freedom < 2:
        return RAMP_ROLL_SHARE, 0
    share = math.sqrt(math.fsum(way.squares_m2 / way.mean_m**2 for way in ways) / freedom)
    return max(share, TAPE_SHARE), freedom


def _sd_ft(scatter_m: float, freedom: int, common_m: float) -> float:
    return widened(scatter_m / FOOT_M, freedom, math.hypot(RAMP_SD_FT, common_m / FOOT_M))


def _grain(slope: Estimate, level: Estimate, speed_ft: float) -> Estimate:
    """Return the grain toward `out` that makes rolls find another slope than the level."""
    per_slope = PULL_PER_SLOPE_MPS2 / rolling_deceleration_mps2(speed_ft)
    return Estimate(per_slope * (level.value - slope.value), per_slope * math.hypot(level.sd, slope.sd))


METHOD = SpeedMethod("ramp")
"""Its rolls go both ways and its rails count: it has a page of its own."""
