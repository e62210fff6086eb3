"""Where a putt lies or a speed was measured: a course, and perhaps one of its greens."""

from dataclasses import dataclass

from sqlalchemy.orm import Session

from orthocline.db.ground.models import COURSE_LENGTH as COURSE_LENGTH
from orthocline.db.ground.models import GREEN_LENGTH as GREEN_LENGTH
from orthocline.db.ground.models import Placed
from orthocline.db.ground.queries import kept_course, kept_green
from orthocline.services.account.access import anyone
from orthocline.services.text import short_text


@dataclass(frozen=True)
class Place:
    """A course and a green of it by their names, empty where they are not known."""

    course: str = ""
    green: str = ""

    @property
    def text(self) -> str:
        """Both as one."""
        return ", ".join(name for name in (self.course, self.green) if name)

    @property
    def nearest(self) -> str:
        """The green, or the course where no green is known."""
        return self.green or self.course


NOWHERE = Place()


def place_of(row: Placed) -> Place:
    """Return where something lies."""
    return Place(*row.names)


@anyone
def put_at(session: Session, row: Placed, place: Place) -> None:
    """Write down where a row lies that may be changed; a new name is a new course or green of its owner's.

    One name alone is a course's.

    Raises
    ------
    InvalidError
        For a name that is too long.
    """
    green = short_text("green", place.green, GREEN_LENGTH)
    course = short_text("course", place.course, COURSE_LENGTH)
    if not course:
        course, green = green, ""
    row.course = kept_course(session, row.golfer_id, course) if course else None
    row.green = kept_green(session, row.course, green) if row.course and green else None
