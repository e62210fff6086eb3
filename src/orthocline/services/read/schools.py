"""Two schools side by side: what each says of one putt, and the ball of whoever plays by it."""

from dataclasses import dataclass
from typing import Any

from orthocline.core.calls import SCHOOLS, GolferFigures, Parting, parting_of
from orthocline.core.roll import OwnRoll, Read, roll_of
from orthocline.services.account.access import Viewer, open_play


@dataclass(frozen=True)
class Played:
    """A school's value of a putt, and the ball of a golfer who plays by it; None where it says nothing."""

    name: str
    value: Any
    rolled: OwnRoll | None


@dataclass(frozen=True)
class SideBySide:
    """Two schools on one putt, and where their balls part; None where one of them has none."""

    schools: tuple[Played, Played]
    parting: Parting | None


@open_play("Two schools side by side")
def side_by_side(_viewer: Viewer, solved: Read, names: tuple[str, str], golfer: GolferFigures) -> SideBySide:
    """Return what two schools say of a putt and how their balls roll; refused in Competition."""
    one, other = (_played(solved, name, golfer) for name in names)
    if one.rolled is None or other.rolled is None:
        return SideBySide((one, other), None)
    return SideBySide((one, other), parting_of(solved.putt, one.rolled.track, other.rolled.track))


def _played(solved: Read, name: str, golfer: GolferFigures) -> Played:
    school = SCHOOLS[name]
    value = school.value(solved, golfer)
    launch = school.played(solved, golfer, value)
    rolled = roll_of(solved.putt, solved.aim, launch) if launch else None
    return Played(name, value, rolled)
