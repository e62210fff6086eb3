"""The stroke: how long a stroke gives the pace."""

from dataclasses import dataclass

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.school import Blind, Figures, Goes, School, Term, solved_aim
from orthocline.core.instruments import USUAL_STROKE_RATE
from orthocline.core.roll import Launch, Putt, Read
from orthocline.core.speed import stroke_length_m


@dataclass(frozen=True)
class StrokeLength:
    """The stroke of a putt.

    Attributes
    ----------
    length_m : float
        Of the whole stroke, half of it back.
    calibrated : bool
        Whether the golfer's own putts say so, or the usual stroke.
    within_share : float
        How far it may be off, as a share of its length.
    outside_feet_m : float or None
        How far the stroke's ends go outside the golfer's feet, negative inside them, with the ball in the
        middle of the stance; None where the stance was not measured.
    """

    length_m: float
    calibrated: bool
    within_share: float
    outside_feet_m: float | None = None


def stroke_of(read: Read, golfer: GolferFigures) -> StrokeLength:
    """Return the stroke by the golfer's own putts, or else the usual one.

    Parameters
    ----------
    read : Read
        The solved putt.
    golfer : GolferFigures
        What is known of the golfer.

    Returns
    -------
    StrokeLength
        Length of the whole stroke, how sure, and against the feet.
    """
    rate = golfer.stroke_rate or USUAL_STROKE_RATE
    length_m = stroke_length_m(read.launch_speed_mps, rate)
    outside = None if golfer.stance_m is None else 0.5 * (length_m - golfer.stance_m)
    return StrokeLength(length_m, golfer.stroke_rate is not None, rate.within / rate.value, outside)


def _launch(putt: Putt, figures: Figures, golfer: GolferFigures) -> Launch:
    rate = golfer.stroke_rate or USUAL_STROKE_RATE
    return Launch(solved_aim(putt).launch.right_rad, figures[0] * rate.value)


SCHOOL = School(
    "stroke",
    stroke_of,
    blind_to=(Blind.AIM,),
    terms=(Term.SIZE,),
    goes=(Goes.SPEED,),
    figures=lambda _, stroke: (stroke.length_m,),
    launch=_launch,
)
