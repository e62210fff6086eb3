"""Speeds for tests: kept in a golfer's book as if measured some hours ago."""

from datetime import UTC, datetime, timedelta

from orthocline.core.estimate import Estimate
from orthocline.services.account.access import Viewer
from orthocline.services.ground.places import Place
from orthocline.services.speed.book import keep_speed

COURSE = "Ternholm Links"


def kept_speed(session, golfer, speed_ft=10.2, *, within=0.4, hours=0.5, method="ramp", **more):
    """Return a speed kept `hours` ago."""
    return keep_speed(
        Viewer(golfer),
        session,
        speed_ft=Estimate(speed_ft, within / 2),
        method=method,
        place=Place(more.pop("course", COURSE), more.pop("green", "")),
        measured_at=datetime.now(UTC) - timedelta(hours=hours),
        **more,
    )
