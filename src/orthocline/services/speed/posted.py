"""What a golfer's clubs posted: each number as sure as that club's have been."""

from collections.abc import Sequence
from dataclasses import replace
from datetime import timedelta
from typing import Final

from sqlalchemy.orm import Session

from orthocline.core.estimate import Estimate, combine
from orthocline.core.speed import METHODS, posted_speed
from orthocline.db.ground.queries import course_named
from orthocline.db.speed.models import SpeedNote
from orthocline.db.speed.queries import newest_speed, speeds_of
from orthocline.services.account.access import Share, Viewer, open_play
from orthocline.services.share.looking import clubs_seen
from orthocline.services.speed.notes import DAY, KeptSpeed, kept_speed

REMEMBERED: Final = timedelta(days=365)
"""So far back days are looked at that tell how sure a club's numbers are."""


@open_play("The speed book")
def posted_speeds(viewer: Viewer, session: Session, course: str = "") -> list[KeptSpeed]:
    """Return the newest number that each of the golfer's clubs posted, of a course or of any."""
    found = []
    for who in clubs_seen(viewer, session, Share.SPEEDS):
        club_id = who.seen_id(Share.SPEEDS)
        there = course_named(session, club_id, course) if course else None
        if course and there is None:
            continue
        newest = newest_speed(session, club_id, course=there)
        if newest is None:
            continue
        pairs = _pairs(viewer, session, club_id, newest)
        name = who.of.giver.name if who.of else ""
        found.append(replace(kept_speed(newest), speed_ft=posted_speed(newest.speed_ft, pairs), by=name))
    return found


def _pairs(viewer: Viewer, session: Session, club_id: int, newest: SpeedNote) -> list[tuple[float, Estimate]]:
    """Return the numbers that a club posted before, each with what the golfer measured there that day."""
    since, course = newest.measured_at - REMEMBERED, newest.names[0]
    own = course_named(session, viewer.owner_id, course)
    if own is None:
        return []
    measured = [
        one
        for one in speeds_of(session, viewer.owner_id, course=own, since=since)
        if METHODS[one.method].measured
    ]
    posts = speeds_of(session, club_id, course=newest.course, since=since)
    pairs = ((post.speed_ft, _that_day(post, measured)) for post in posts)
    return [(posted, found) for posted, found in pairs if found is not None]


def _that_day(post: SpeedNote, measured: Sequence[SpeedNote]) -> Estimate | None:
    near = [one for one in measured if abs(one.measured_at - post.measured_at) <= DAY]
    return combine([kept_speed(one).speed_ft for one in near]) if near else None
