"""Set the bend of the hand gauge on a putt whose slope was measured."""

from sqlalchemy.orm import Session

from orthocline.core.calls import bend_m
from orthocline.core.roll import Putt
from orthocline.core.units import INCH_M
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.account.measures import golfer_figures, keep_bend, own_measures
from orthocline.services.errors import InvalidError
from orthocline.services.read.reading import read_putt

LEAST_AIM_M, LEAST_FINGERS = 2.0 * INCH_M, 0.25
"""Fewer fingers, and less of an aim, set no bend."""


@open_play("Setting your bend")
def set_bend(viewer: Viewer, session: Session, putt: Putt, fingers: float) -> None:
    """Keep the bend with which so many fingers met the aim of a putt, for its green speed.

    Raises
    ------
    InvalidError
        When no arm bends so, or the putt breaks too little to tell.
    NotAllowedError
        In Competition.
    """
    aim = read_putt(viewer, putt).aim_right_m
    if aim is None or abs(aim) < LEAST_AIM_M or abs(fingers) < LEAST_FINGERS:
        raise InvalidError("fingers", "Set the bend on a putt that breaks, by a quarter finger or more.")
    gauge = golfer_figures(own_measures(viewer, session)).gauge
    keep_bend(viewer, session, bend_m(putt, gauge, abs(fingers), abs(aim)), putt.green_speed_ft)
