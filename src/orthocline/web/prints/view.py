"""The variables of the pages of what is carried."""

from dataclasses import dataclass
from typing import NamedTuple

from markupsafe import Markup

from orthocline.services.carry.prints import Carried, Print
from orthocline.wording.dates import Calendar


class PrintRow(NamedTuple):
    """A print in the list."""

    id: int
    title: str
    when: str
    made: bool

    @classmethod
    def of(cls, one: Print, calendar: Calendar) -> "PrintRow":
        """Return a print as the list shows it."""
        return cls(one.id, one.title, calendar.moment(one.made_at or one.asked_at), one.made_at is not None)


class PageView(NamedTuple):
    """A page: its number from 1, what it is called, and its drawing."""

    number: int
    title: str
    drawing: Markup


@dataclass(frozen=True)
class PrintView:
    """A print, and the page that is asked for."""

    carried: Carried
    asked: int

    @property
    def pages(self) -> list[PageView]:
        """Its pages."""
        return [
            PageView(number, title, Markup(drawing))  # as the writer of scenes wrote it, who escapes
            for number, (title, drawing) in enumerate(self.carried.pages, start=1)
        ]

    @property
    def here(self) -> PageView | None:
        """The page that is asked for, or the first."""
        pages = self.pages
        return next((one for one in pages if one.number == self.asked), pages[0] if pages else None)
