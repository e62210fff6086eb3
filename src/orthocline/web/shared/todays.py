"""What whoever asks would play today: the book's speed, and their own roll-past."""

from datetime import UTC, datetime

from orthocline.core.account import USUAL_PASTS
from orthocline.core.cards import Conditions
from orthocline.services.speed.book import day_speed
from orthocline.web.database import session
from orthocline.web.identity import viewer
from orthocline.web.shared.read_start import own_pasts

USUAL_SPEED_FT = 10.0


def todays_conditions() -> Conditions:
    """Return green speed and roll-past; usual ones of which nothing is known, and in Competition."""
    who, pasts = viewer(), own_pasts() or USUAL_PASTS
    day = day_speed(who, session(), datetime.now(UTC)) if who.golfer and not who.in_competition else None
    return Conditions(round(day.speed_ft.value, 1) if day else USUAL_SPEED_FT, pasts.level_m)
