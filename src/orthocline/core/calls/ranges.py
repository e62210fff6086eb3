"""Between what a call's figures lie, in its own unit, given between what aim and launch speed do."""

from collections.abc import Iterator
from dataclasses import replace
from typing import Any, Final

from orthocline.core.calls.cup_entry import NEAREST
from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.school import Goes, School, Term
from orthocline.core.estimate import Span
from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import Read, read
from orthocline.core.units import INCH_M, PERCENT

LEAST_AIM_M: Final = 2.0 * INCH_M
"""What goes with a smaller aim goes as on the same putt across a slope of one percent."""


def ranges_of(
    school: School, solved: Read, golfer: GolferFigures, aims: Span | None, speeds: Span
) -> tuple[Span | None, ...]:
    """Return the range of each of a call's figures.

    What goes with the aim is taken to be as much of it as on the putt itself; what goes with the speed
    follows from it.

    Parameters
    ----------
    school : School
        Whose call it is.
    solved : Read
        The solved putt.
    golfer : GolferFigures
        What is known of the golfer.
    aims : Span or None
        Between which aims [m] the read lies; None where an end has no aim spot.
    speeds : Span
        Between which launch speeds [m/s].

    Returns
    -------
    tuple of Span or None
        One for each term, in its unit; None for what stays. Empty where the call says nothing.
    """
    value = school.value(solved, golfer)
    figures = None if value is None else school.figures(solved, value)
    if figures is None or not school.goes:
        return ()
    found = []
    for i, (goes, figure) in enumerate(zip(school.goes, figures, strict=True)):
        ends: tuple[float, ...] = ()
        if goes is Goes.AIM and aims is not None:
            ends = tuple(_with_aim(school, solved, golfer, i, figure, aims))
        elif goes not in (Goes.AIM, Goes.STAYS):
            ends = tuple(
                _with_speed(goes, solved, golfer, figure, one) for one in (speeds.least, speeds.most)
            )
        found.append(Span(min(ends), max(ends)) if ends else None)
    return tuple(found)


def _with_aim(
    school: School, solved: Read, golfer: GolferFigures, i: int, figure: float, aims: Span
) -> Iterator[float]:
    """Yield a figure at both ends of the aim's range."""
    aim, base = solved.aim_right_m, NEAREST if school.terms[i] is Term.HOUR else 0.0
    if aim is None:
        return
    share = (figure - base) / aim if abs(aim) >= LEAST_AIM_M else _share(school, solved, golfer, i, base)
    if share is None:
        return
    for end in (aims.least, aims.most):
        at_end = figure + share * (end - aim)
        yield max(at_end, 0.0) if school.terms[i] is Term.SIZE else at_end


def _share(school: School, solved: Read, golfer: GolferFigures, i: int, base: float) -> float | None:
    """Return how much of the aim a figure is, on the same putt across a slope of one percent."""
    putt = solved.putt
    ground = plane_from_grade(putt.grade, -PERCENT, putt.bearing_rad)
    across = read(replace(putt, surface=ground, line=1))
    value: Any = school.value(across, golfer)
    figures = None if value is None else school.figures(across, value)
    return (figures[i] - base) / across.aim_right_m if figures and across.aim_right_m else None


def _with_speed(goes: Goes, solved: Read, golfer: GolferFigures, figure: float, speed_mps: float) -> float:
    """Return a figure at another launch speed."""
    meant = solved.launch_speed_mps
    if goes is Goes.SPEED:
        return figure * speed_mps / meant
    if goes is Goes.TIME:
        return figure + (speed_mps - meant) * golfer.tempo.beat_s
    length, past = solved.putt.length_m, solved.aim.past_m or 0.0
    return (length + figure + past) * (speed_mps / meant) ** 2 - past - length
