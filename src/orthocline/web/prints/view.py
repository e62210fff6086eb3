"""The variables of the pages of what is carried."""

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


def pages_of(carried: Carried) -> list[PageView]:
    """Return the pages of a print; none while it is not made."""
    return [
        PageView(number, title, Markup(drawing))  # as the writer of scenes wrote it, who escapes
        for number, (title, drawing) in enumerate(carried.pages, start=1)
    ]
