"""The pace target: where the cup would be for the same pace on the level, and what that does to the aim."""

from dataclasses import dataclass, replace

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.level_twin import level_speed_mps, level_twin_of
from orthocline.core.calls.school import Blind, Figures, Goes, School, Term, solved_aim
from orthocline.core.ground import Plane, plane_from_grade
from orthocline.core.roll import Launch, Putt, Read, read


@dataclass(frozen=True)
class PaceTarget:
    """Where to pace a putt to, as if the ground were level.

    Attributes
    ----------
    beyond_m : float
        How far beyond the hole it lies [m], negative if short of it.
    extra_aim_m : float or None
        How much further out [m] the putt is aimed than one without its rise or fall would be, for the launch
        is softer downhill and firmer uphill; negative where that is less. None off a plane, and where
        either has no aim spot.
    """

    beyond_m: float
    extra_aim_m: float | None


def pace_target_of(solved: Read) -> PaceTarget:
    """Return where to pace a putt to.

    Parameters
    ----------
    solved : Read
        The solved putt.

    Returns
    -------
    PaceTarget
        The target, and what it asks of the aim.
    """
    beyond = level_twin_of(solved).plays_like_m - solved.putt.length_m
    return PaceTarget(beyond, _extra_aim_m(solved))


def _extra_aim_m(solved: Read) -> float | None:
    putt = solved.putt
    if not isinstance(putt.surface, Plane) or solved.aim_right_m is None:
        return None
    flat = plane_from_grade(0.0, putt.side_tilt_right, putt.bearing_rad)
    across = read(replace(putt, surface=flat, line=1)).aim_right_m
    return None if across is None else abs(solved.aim_right_m) - abs(across)


def _launch(putt: Putt, figures: Figures, _golfer: GolferFigures) -> Launch:
    speed = level_speed_mps(putt, putt.length_m + figures[0])
    return Launch(solved_aim(putt).launch.right_rad, speed)


SCHOOL = School(
    "pace_target",
    lambda solved, _: pace_target_of(solved),
    blind_to=(Blind.AIM,),
    terms=(Term.BEYOND,),
    goes=(Goes.ROLL,),
    figures=lambda _, target: (target.beyond_m,),
    launch=_launch,
)
