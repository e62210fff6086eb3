"""A golfer's day ends at their midnight, also where clocks change."""

from datetime import UTC, datetime, timedelta
from zoneinfo import ZoneInfo

import pytest

from orthocline.wording.dates import HERE, calendar_of


@pytest.mark.parametrize(
    ("zone", "now", "ends"),
    [
        ("Europe/Oslo", "2026-11-27T22:30", "2026-11-27T23:00"),
        ("Europe/Oslo", "2026-11-27T23:00", "2026-11-28T23:00"),
        ("Pacific/Auckland", "2026-11-27T10:00", "2026-11-27T11:00"),
        ("America/Lima", "2026-11-27T03:00", "2026-11-27T05:00"),
        ("Europe/Oslo", "2026-03-29T00:30", "2026-03-29T22:00"),  # clocks go forward at two
        ("Europe/Oslo", "2026-10-25T00:30", "2026-10-25T23:00"),  # and back
        ("Africa/Cairo", "2026-04-23T12:00", "2026-04-23T22:00"),  # midnight itself is left out
    ],
)
def test_the_day_ends_at_the_golfers_midnight(zone, now, ends):
    then = datetime.fromisoformat(now).replace(tzinfo=UTC)
    found = calendar_of(zone).midnight_after(then)
    assert found == datetime.fromisoformat(ends).replace(tzinfo=UTC)
    there = found.astimezone(ZoneInfo(zone))
    assert there.date() == (then.astimezone(ZoneInfo(zone)) + timedelta(days=1)).date()


def test_without_a_zone_it_is_this_machines():
    now = datetime(2026, 11, 27, 12, tzinfo=UTC)
    ends = HERE.midnight_after(now)
    assert timedelta(0) < ends - now <= timedelta(days=1, hours=1)
    assert ends.astimezone().hour == 0
    assert HERE.place == "this machine's clock"
    assert calendar_of("Europe/Oslo").place == "Europe/Oslo"
