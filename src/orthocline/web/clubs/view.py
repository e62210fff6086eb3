"""The variables of a club's page."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import NamedTuple

from orthocline.services.account.access import Viewer
from orthocline.services.share.clubs import Member
from orthocline.services.speed.book import KeptSpeed
from orthocline.web.shared.green_rows import CourseRow
from orthocline.wording.figures import speed_text
from orthocline.wording.wording import Wording


class Posted(NamedTuple):
    """A number that was posted."""

    number: int
    speed: str
    course: str
    when: str


@dataclass(frozen=True)
class ClubView:
    """A club as a member sees it, or a keeper.

    Attributes
    ----------
    valued : KeptSpeed or None
        The newest number as it is worth to the viewer; None where none is posted.
    posts : sequence of KeptSpeed
        The numbers as they were posted, newest first.
    """

    who: Viewer
    valued: KeptSpeed | None
    posts: Sequence[KeptSpeed]
    courses: Sequence[CourseRow]
    members: Sequence[Member]
    wording: Wording
    now: datetime

    @property
    def number(self) -> int:
        """The club's number."""
        return self.who.of.giver.id if self.who.of else 0

    @property
    def name(self) -> str:
        """The club's name."""
        return self.who.of.giver.name if self.who.of else ""

    @property
    def keeps(self) -> bool:
        """Whether the viewer keeps it."""
        return self.who.keeps

    @property
    def speed(self) -> str:
        """The number that was posted last."""
        return speed_text(self.posts[0].speed_ft.value) if self.posts else ""

    @property
    def when(self) -> str:
        """How long ago that was."""
        return self.wording.calendar.ago(self.posts[0].measured_at, self.now) if self.posts else ""

    @property
    def worth(self) -> str:
        """What that number is worth to the viewer: ``10.2 ±0.7 ft``."""
        if self.valued is None:
            return ""
        return f"{speed_text(self.valued.speed_ft.value)} ±{speed_text(self.valued.speed_ft.within)} ft"

    @property
    def posted(self) -> list[Posted]:
        """The numbers, newest first."""
        return [
            Posted(
                one.id,
                speed_text(one.speed_ft.value),
                one.place.course,
                self.wording.calendar.moment(one.measured_at),
            )
            for one in self.posts
        ]

    @property
    def keepers(self) -> str:
        """Who keeps it."""
        return ", ".join(one.name for one in self.members if one.keeper)
