"""The posted number: what the club has put up."""

from orthocline.core.estimate import Estimate
from orthocline.core.instruments import POSTED_SD_FT
from orthocline.core.roll import RANGES
from orthocline.core.speed.method import Figure, Quantity, SpeedMethod


def posted_speed(speed_ft: float) -> Estimate:
    """Return the green speed [ft] of a posted number, on its day.

    Parameters
    ----------
    speed_ft : float
        The number [ft].

    Returns
    -------
    Estimate
        Speed [ft].
    """
    return Estimate(speed_ft, POSTED_SD_FT)


METHOD = SpeedMethod(
    "posted",
    (Figure("posted", Quantity.GREEN_SPEED, RANGES.green_speed_ft),),
    lambda findings: posted_speed(findings.figures["posted"][0]),
    measured=False,
)
