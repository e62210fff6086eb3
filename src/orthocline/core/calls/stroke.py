"""The stroke: how long a stroke gives the pace."""

from dataclasses import dataclass

from orthocline.core.calls.level_twin import level_twin_of
from orthocline.core.calls.school import GolferFigures, School
from orthocline.core.roll import Read
from orthocline.core.speed import rule_of_thumb_stroke_m, stroke_length_m


@dataclass(frozen=True)
class StrokeLength:
    """Length of the whole stroke [m], and whether the golfer's own putts say so or the rule of thumb."""

    length_m: float
    calibrated: bool


def stroke_of(read: Read, golfer: GolferFigures) -> StrokeLength:
    """Return the length of the stroke, by the golfer's own putts or else by the rule of thumb.

    Parameters
    ----------
    read : Read
        The solved putt.
    golfer : GolferFigures
        What is known of the golfer.

    Returns
    -------
    StrokeLength
        Length of the whole stroke, and whose figures it comes from.
    """
    if golfer.stroke_rate is None:
        return StrokeLength(rule_of_thumb_stroke_m(level_twin_of(read).plays_like_m), calibrated=False)
    return StrokeLength(stroke_length_m(read.launch_speed_mps, golfer.stroke_rate), calibrated=True)


SCHOOL = School("stroke", stroke_of)
