"""Figures with their units, as a golfer reads them."""

import math
from dataclasses import dataclass

from orthocline.core.units import FOOT_M, INCH_M, PERCENT
from orthocline.wording.figures import COUNTS, quarters, tidy
from orthocline.wording.units import USUAL_UNITS, Units

LONG_IN = 36.0
"""From so many inches on a length is said in feet."""
IN_A_RANGE = 4.0
"""A figure is rounded to the largest step of which so many go into its range."""
STEPS_IN = (0.25, 0.5, 1.0, 2.0, 3.0, 6.0, 12.0)
STEP_FAR = 0.5
"""From half a foot or metre on, a length along the putt is rounded further than to a tenth."""
STEPS_CM = (1.0, 2.0, 5.0, 10.0, 20.0, 50.0)


@dataclass(frozen=True)
class Format:
    """Writes lengths, slopes and speeds in a golfer's units."""

    units: Units = USUAL_UNITS

    @property
    def least_m(self) -> float:
        """The least that is told apart near the hole [m]: a quarter inch, or a centimetre."""
        return (STEPS_CM if self.units.metric else STEPS_IN)[0] * self.units.near_m

    def borne(self, length_m: float, width_m: float) -> float:
        """Return a length [m] rounded to what a range so wide bears: never quarter inches on one of six."""
        steps = STEPS_CM if self.units.metric else STEPS_IN
        fit = [step for step in steps if step * self.units.near_m <= width_m / IN_A_RANGE]
        step_m = (fit or steps)[-1 if fit else 0] * self.units.near_m
        return step_m * round(length_m / step_m)

    def short(self, length_m: float, width_m: float = 0.0) -> str:
        """Return a length near the hole: ``17¾ in``, from a yard on ``6 ft``; ``45 cm``, ``1.8 m``.

        One within a range so wide is rounded to what that bears.
        """
        length_m = self.borne(length_m, width_m) if width_m else length_m
        if self.units.metric:
            size = abs(length_m)
            return f"{round(100 * size)} cm" if size < 0.995 else f"{tidy(size, 2 if size < 2 else 1)} m"
        inches = abs(length_m) / INCH_M
        return f"{quarters(inches)} in" if inches < LONG_IN else f"{quarters(inches / 12)} ft"

    def exact(self, length_m: float) -> str:
        """Return a length near the hole to a tenth: ``17.7 in``, ``45.1 cm``."""
        return f"{tidy(abs(length_m) / self.units.near_m)} {self.units.near}"

    def far(self, length_m: float, width_m: float = 0.0) -> str:
        """Return a length along the putt: ``15.1 ft``, ``4.6 m``; within a range what that bears."""
        bears = 4.0 * STEP_FAR * self.units.far_m
        length_m = self.borne(length_m, width_m) if width_m > bears else length_m
        return f"{tidy(length_m, 2)} m" if self.units.metric else f"{tidy(length_m / FOOT_M)} ft"

    def taped(self, length_m: float) -> str:
        """Return a length as a tape says it: ``9 ft 2 in``, ``2.79 m``."""
        if self.units.metric:
            return f"{tidy(length_m, 2)} m"
        feet, inches = divmod(round(length_m / INCH_M), 12)
        return f"{feet} ft {inches} in" if inches else f"{feet} ft"

    def slope(self, slope: float) -> str:
        """Return a slope [ratio]: ``2.1 %``, ``1.2°``."""
        if self.units.degrees:
            return f"{tidy(math.degrees(math.atan(slope)))}°"
        return f"{tidy(slope / PERCENT)} %"

    def ball_speed(self, speed_mps: float, decimals: int = 1) -> str:
        """Return how fast a ball rolls: ``5.4 ft/s``, ``1.6 m/s``."""
        return f"{tidy(speed_mps / self.units.far_m, decimals)} {self.units.ball_speed}"

    def past(self, past_m: float) -> str:
        """Return a roll-past: ``one foot``, ``16 in``, ``4½ ft``; ``30 cm``."""
        inches = past_m / INCH_M
        feet = round(inches / 12)
        if not self.units.metric and 1 <= feet <= 10 and abs(inches - 12 * feet) < 0.25:
            return f"{COUNTS[feet]} {'foot' if feet == 1 else 'feet'}"
        return self.short(past_m)

    def typed_near(self, length_m: float) -> str:
        """Return a length near the hole as it would be typed."""
        return f"{tidy(length_m / self.units.near_m, 2)} {self.units.near}"

    def typed_slope(self, slope: float) -> str:
        """Return a slope [ratio] as it would be typed."""
        figure = math.degrees(math.atan(slope)) if self.units.degrees else slope / PERCENT
        return f"{tidy(figure, 2)} {self.units.slope}"
