"""Measure a green's speed, by ramp or any other method; and check pace."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from orthocline.core.estimate import Estimate
from orthocline.core.instruments import INSTRUMENTS, LEVEL_SD
from orthocline.core.roll import RANGES
from orthocline.core.speed import (
    METHODS,
    FindingError,
    Findings,
    HiddenGreen,
    Ramp,
    RampSpeed,
    TuningScore,
    one_way,
    score_tuning_putts,
    setting_up,
    simulated_roll_m,
    some_green,
    speed_from_rolls,
)
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.errors import InvalidError, MissingError
from orthocline.wording.figures import speed_text
from orthocline.wording.speed.methods import METHOD_WORDS
from orthocline.wording.speed.tuning_putts import WORDS as TUNING_WORDS

WHAT = "Measuring green speed"


def level_reading(slope: float, instrument: str) -> Estimate:
    """Return a reading [ratio] of the slope beside the rolls, by the name of what read it."""
    return Estimate(slope, INSTRUMENTS[instrument].sd)


@open_play(WHAT)
def ramp_speed(
    _viewer: Viewer,
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
    if not out_m and not back_m:
        raise MissingError("out", "No rolls yet: enter the first one.")
    out, back = one_way(out_m, ramp.correction), one_way(back_m, ramp.correction)
    try:
        rolled = speed_from_rolls(out, back, level=level, length_share_sd=length_share_sd)
    except ValueError as error:
        raise InvalidError("level", f"Check the level's reading: {error}.") from error
    _plausible("out", rolled.speed_ft)
    return rolled


@open_play(WHAT)
def speed_by(_viewer: Viewer, method: str, findings: Findings) -> Estimate:
    """Return the green speed [ft] that one of `METHODS` gives; refused in Competition.

    Raises
    ------
    InvalidError
        When a figure is missing or cannot be true, or the speed is one that no green has.
    """
    how, words = METHODS[method], METHOD_WORDS[method]
    for figure in how.figures:
        if not figure.optional and not findings.figures.get(figure.name):
            raise MissingError(figure.name, words.figures[figure.name].missing)
    assert how.speed is not None
    try:
        return _plausible(how.figures[-1].name, how.speed(findings))
    except FindingError as error:
        said = words.figures[error.name].wrong or f"Check the figures: {error}."
        raise InvalidError(error.name, said) from error


@open_play("Tuning putts")
def tuning_putts(_viewer: Viewer, target_m: float, zone_m: float, lengths_m: Sequence[float]) -> TuningScore:
    """Return the score of balls putted to one level distance; refused in Competition.

    Raises
    ------
    InvalidError
        Without a ball.
    """
    if not lengths_m:
        raise MissingError("balls", TUNING_WORDS.figures["balls"].missing)
    return score_tuning_putts(target_m, zone_m, lengths_m)


def _plausible(field: str, speed_ft: Estimate) -> Estimate:
    least, most = RANGES.green_speed_ft
    if not least <= speed_ft.value <= most:
        raise InvalidError(
            field,
            f"That would be a green speed of {speed_text(speed_ft.value)}; no green lies outside {least:g} to"
            f" {most:g} feet. Check the figures.",
        )
    return speed_ft


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
