"""A day and a time by the golfer's clock, as a field."""

from datetime import datetime

from wtforms import DateTimeLocalField

from orthocline.services.errors import InvalidError
from orthocline.wording.dates import Calendar

NOT_A_TIME = "A day and a time, such as 2026-11-23T07:40."
TYPED = "%Y-%m-%dT%H:%M"


class LocalTimeField(DateTimeLocalField):
    """A day and a time by the golfer's clock."""

    def process_formdata(self, valuelist: list[str]) -> None:
        """Read the day and the time."""
        try:
            super().process_formdata(valuelist)
        except ValueError as error:
            raise ValueError(NOT_A_TIME) from error


def instant(typed: datetime, calendar: Calendar) -> datetime:
    """Return what a typed day and time mean.

    Raises
    ------
    InvalidError
        For a time that clocks cannot show.
    """
    try:
        return calendar.instant(typed)
    except (OverflowError, ValueError) as error:
        raise InvalidError("when", "No clock shows that time.") from error
