"""Which putts of a log are asked for, and the query that finds them."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime

from sqlalchemy import ColumnElement, Select, and_, func, or_, select, true

from orthocline.db.ground.models import Course, Green
from orthocline.db.log.conditions import CONDITIONS
from orthocline.db.log.models import LoggedPutt, Outing


@dataclass(frozen=True)
class Which:
    """Which putts of a golfer's: all that fulfil everything that is said here.

    Attributes
    ----------
    place : str
        Part of the names of course and green.
    kind : str
        ``round``, ``practice``, or empty for both and for putts of neither.
    outing_id : int or None
        One round or practice.
    rounds : int or None
        Only those of the last so many rounds.
    method : str
        By what they were read.
    least_m, most_m : float or None
        Longer than this, and no longer than that [m].
    since, until : datetime or None
        From a time on, and before another.
    only : tuple of str
        Names of `CONDITIONS`.
    opened : bool
        Only putts whose finish is still to be noted.
    """

    place: str = ""
    kind: str = ""
    outing_id: int | None = None
    rounds: int | None = None
    method: str = ""
    least_m: float | None = None
    most_m: float | None = None
    since: datetime | None = None
    until: datetime | None = None
    only: tuple[str, ...] = ()
    opened: bool = False

    def chosen(self, golfer_id: int) -> ColumnElement[bool]:
        """Return the condition of a golfer's putts that are meant."""
        return and_(true(), *self._conditions(golfer_id))

    def _conditions(self, golfer_id: int) -> Iterator[ColumnElement[bool]]:
        if self.place:
            yield _lies_at(golfer_id, self.place)
        if self.kind:
            yield LoggedPutt.outing_id.in_(_outings(golfer_id, self.kind))
        if self.outing_id is not None:
            yield LoggedPutt.outing_id == self.outing_id
        if self.rounds is not None:
            last = _outings(golfer_id, "round").order_by(Outing.begun_at.desc(), Outing.id.desc())
            yield LoggedPutt.outing_id.in_(last.limit(self.rounds).scalar_subquery())
        if self.method:
            yield LoggedPutt.method == self.method
        yield from self._bounds()
        if self.opened:
            yield LoggedPutt.holed.is_(None)
        for name in self.only:
            yield CONDITIONS[name](golfer_id)

    def _bounds(self) -> Iterator[ColumnElement[bool]]:
        if self.least_m is not None:
            yield LoggedPutt.length_m > self.least_m
        if self.most_m is not None:
            yield LoggedPutt.length_m <= self.most_m
        if self.since is not None:
            yield LoggedPutt.created_at >= self.since
        if self.until is not None:
            yield LoggedPutt.created_at < self.until


ALL = Which()


def _outings(golfer_id: int, kind: str) -> Select[int]:
    kept = (Outing.golfer_id == golfer_id, Outing.deleted_at.is_(None), Outing.kind == kind)
    return select(Outing.id).where(*kept)


def _lies_at(golfer_id: int, place: str) -> ColumnElement[bool]:
    """Return whether a putt's course, or course and green, have a part of that name."""

    def has_it(name: ColumnElement[str]) -> ColumnElement[bool]:
        return func.strpos(func.folded(name), func.folded(place)) > 0

    courses = select(Course.id).where(Course.golfer_id == golfer_id, has_it(Course.name.expression))
    both = Course.name + ", " + Green.name
    greens = select(Green.id).join(Course).where(Green.golfer_id == golfer_id, has_it(both))
    return or_(LoggedPutt.course_id.in_(courses), LoggedPutt.green_id.in_(greens))
