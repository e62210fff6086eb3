"""The aim spot: how far off the hole's centre to aim, at the hole's distance."""

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.school import Goes, School, Term, aimed
from orthocline.core.roll import Read


def aim_spot_of(read: Read, _golfer: GolferFigures) -> float | None:
    """Return the aim spot [m] to the right of the hole's centre; None where there is no aim mark.

    Parameters
    ----------
    read : Read
        The solved putt.

    Returns
    -------
    float or None
        Offset from the centre [m], positive to the right; None beyond 60 degrees of launch angle.
    """
    return read.aim_right_m


SCHOOL = School(
    "aim_spot",
    aim_spot_of,
    terms=(Term.ASIDE,),
    goes=(Goes.AIM,),
    figures=lambda _, right_m: None if right_m is None else (right_m,),
    launch=lambda putt, figures, _: aimed(putt, figures[0]),
)
