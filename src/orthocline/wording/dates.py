"""Days and times in a golfer's own time zone."""

from dataclasses import dataclass
from datetime import UTC, datetime, time, timedelta
from functools import cache
from zoneinfo import ZoneInfo, available_timezones

from babel.dates import format_datetime

LOCALE = "en_GB"
YESTERDAY = "yesterday"
LONG_AGO_DAYS = 14
"""From so many days on a day is said by its date."""


@dataclass(frozen=True)
class Calendar:
    """Says days and times; in the zone of this machine where a golfer's is not known.

    Attributes
    ----------
    zone : ZoneInfo or None
        The golfer's time zone.
    """

    zone: ZoneInfo | None = None

    def here(self, then: datetime) -> datetime:
        """Return the same time by the golfer's clock."""
        return then.astimezone(self.zone)

    def instant(self, typed: datetime) -> datetime:
        """Return what a day and time typed without a zone mean, in UTC.

        Raises
        ------
        OverflowError, ValueError
            For a time that clocks cannot show.
        """
        return typed.replace(tzinfo=self.zone).astimezone(UTC)

    def midnight_after(self, now: datetime) -> datetime:
        """Return when the golfer's day ends, in UTC."""
        return self.instant(datetime.combine(self.here(now).date() + timedelta(days=1), time()))

    @property
    def place(self) -> str:
        """By whose clock it says times: ``Europe/Oslo``, or that of this machine."""
        return self.zone.key if self.zone else "this machine's clock"

    def clock(self, then: datetime) -> str:
        """Return the time of day: ``07:40``."""
        return self._said(then, "HH:mm")

    def day(self, then: datetime) -> str:
        """Return the day without its year: ``25 Nov``."""
        return self._said(then, "d MMM")

    def month(self, then: datetime) -> str:
        """Return the month: ``Nov``."""
        return self._said(then, "MMM")

    def moment(self, then: datetime) -> str:
        """Return day and time: ``25 Nov, 07:40``."""
        return self._said(then, "d MMM, HH:mm")

    def ago(self, then: datetime, now: datetime) -> str:
        """Return when something was: ``07:40``, ``yesterday 07:40``, ``3 days ago``, ``2 Nov 2026``."""
        day = self.day_ago(then, now)
        return f"{day} {self.clock(then)}" if day == YESTERDAY else day

    def day_ago(self, then: datetime, now: datetime) -> str:
        """Return when something was, on another day without the hour: ``07:40``, ``yesterday``."""
        days = (self.here(now).date() - self.here(then).date()).days
        if days <= 0:
            return self.clock(then)
        if days == 1:
            return YESTERDAY
        return f"{days} days ago" if days < LONG_AGO_DAYS else self._said(then, "d MMM y")

    def _said(self, then: datetime, pattern: str) -> str:
        here = self.here(then)
        return format_datetime(here, pattern, tzinfo=here.tzinfo, locale=LOCALE)


HERE = Calendar()
"""This machine's clock."""


def calendar_of(zone: str | None) -> Calendar:
    """Return the calendar of a time zone by its name; None is this machine's."""
    return Calendar(ZoneInfo(zone) if zone else None)


@cache
def time_zones() -> tuple[str, ...]:
    """Return the names of all time zones."""
    return tuple(sorted(available_timezones()))


def is_zone(name: str) -> bool:
    """Return whether a name is that of a time zone, such as ``Europe/Oslo``."""
    return name in time_zones()
