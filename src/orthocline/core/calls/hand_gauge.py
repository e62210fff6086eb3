"""The hand gauge: so many fingers, their edge on the hole's centre, reach the aim as one eye sees it."""

import math
from dataclasses import dataclass

from orthocline.core.calls.golfer import STAND_M, Gauge, GolferFigures
from orthocline.core.calls.school import Blind, Figures, Goes, School, Stance, Term, aimed, toward
from orthocline.core.roll import Launch, Putt, Read
from orthocline.core.units import PERCENT


@dataclass(frozen=True)
class HandGauge:
    """Fingers of a putt, positive to the right.

    Attributes
    ----------
    fingers : float
        So many reach the aim.
    arm_m : float
        From the eye to the fingers, bent for the green's speed [m].
    rule : float
        So many by the rule of a finger for a percent of side tilt.
    rule_right_m, straight_right_m : float
        Where these end [m] at the hole's distance: with the arm bent for the speed, and straight.
    eye : str
        The eye that looks, `right` or `left`; empty while it is not known.
    """

    fingers: float
    arm_m: float
    rule: float
    rule_right_m: float
    straight_right_m: float
    eye: str = ""


def covered_m(gauge: Gauge, putt: Putt, fingers: float, arm_m: float) -> float:
    """Return how far beside the hole fingers reach: n f (L + s) / a.

    Parameters
    ----------
    gauge : Gauge
        The golfer's hand.
    putt : Putt
        The putt.
    fingers : float
        How many [1], positive to the right.
    arm_m : float
        From the eye to the fingers [m].

    Returns
    -------
    float
        At the hole's distance [m], positive to the right.
    """
    width = gauge.width_m(abs(fingers)) * (putt.length_m + STAND_M) / arm_m
    return math.copysign(width, fingers)


def hand_gauge_of(read: Read, golfer: GolferFigures) -> HandGauge | None:
    """Return the fingers of a putt.

    Parameters
    ----------
    read : Read
        The solved putt.
    golfer : GolferFigures
        Whose hand it is.

    Returns
    -------
    HandGauge or None
        None for a putt without an aim spot.
    """
    putt, aim, gauge = read.putt, read.aim_right_m, golfer.gauge
    if aim is None:
        return None
    arm = gauge.arm_m(putt.green_speed_ft)
    rule = -putt.side_tilt_right / PERCENT
    return HandGauge(
        gauge.fingers_to(aim, putt.length_m, arm),
        arm,
        rule,
        covered_m(gauge, putt, rule, arm),
        covered_m(gauge, putt, rule, gauge.straight_m),
        golfer.eye,
    )


def bend_m(putt: Putt, gauge: Gauge, fingers: float, aim_m: float) -> float:
    """Return how far from the eye fingers must be held to end at an aim: n f (L + s) / aim.

    Parameters
    ----------
    putt : Putt
        The putt.
    gauge : Gauge
        The golfer's hand.
    fingers : float
        How many [1], above 0.
    aim_m : float
        Aim from the hole's centre [m], above 0.

    Returns
    -------
    float
        Distance [m]; it may be more than an arm is long.
    """
    return gauge.width_m(fingers) * (putt.length_m + STAND_M) / aim_m


def _by_rule(read: Read, _golfer: GolferFigures, hand: HandGauge | None) -> Launch | None:
    return toward(read, hand.rule_right_m) if hand else None


def _launch(putt: Putt, figures: Figures, golfer: GolferFigures) -> Launch:
    arm = golfer.gauge.arm_m(putt.green_speed_ft)
    return aimed(putt, covered_m(golfer.gauge, putt, figures[0], arm))


SCHOOL = School(
    "hand_gauge",
    hand_gauge_of,
    blind_to=(Blind.PACE, Blind.GRADE, Blind.BETWEEN),
    played=_by_rule,
    terms=(Term.FINGERS,),
    goes=(Goes.AIM,),
    figures=lambda _, hand: (hand.fingers,) if hand else None,
    launch=_launch,
    stance=Stance(STAND_M),
)
