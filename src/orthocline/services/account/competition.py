"""Competition: begun by a tap, ended by another, or by itself at midnight where the golfer lives."""

from datetime import datetime

from orthocline.db.account.models import Golfer
from orthocline.services.account.access import Mode, Viewer, own_data
from orthocline.wording.dates import HERE, calendar_of


def mode_until(until: datetime | None, now: datetime) -> Mode:
    """Return the mode of whoever is in Competition until a time, None for never."""
    return Mode.COMPETITION if until is not None and now < until else Mode.OPEN_PLAY


def end_of(golfer: Golfer | None, now: datetime) -> datetime:
    """Return when Competition that is begun now ends by itself: at midnight, where it is known, theirs."""
    calendar = calendar_of(golfer.time_zone) if golfer else HERE
    return calendar.midnight_after(now)


@own_data
def set_mode(viewer: Viewer, mode: Mode, now: datetime) -> None:
    """Put a golfer in Competition until their midnight, or in Open play."""
    viewer.owner.competition_until = end_of(viewer.owner, now) if mode is Mode.COMPETITION else None
