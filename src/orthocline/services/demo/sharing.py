"""What the demo's golfers share: two pupils with their coach, who left a note and set a session."""

from collections.abc import Sequence
from datetime import datetime, timedelta
from typing import Final

from sqlalchemy.orm import Session

from orthocline.db.account.models import Golfer
from orthocline.db.share.models import Sharing
from orthocline.services.account.access import Viewer, anyone
from orthocline.services.log.putts import Which, list_putts
from orthocline.services.share.coaching import leave_note, set_session
from orthocline.services.share.looking import looking_at

SHARED: Final[Sequence[Sequence[str]]] = (
    ("log", "figures", "drills", "greens"),
    ("log", "figures", "drills"),
)
"""What each pupil lets their coach see."""
NOTES: Final[Sequence[str]] = (
    "You read less than it breaks from this side. Say a number before you look at the call.",
    "Short again from out here. Ten home-length putts before you aim at a hole.",
)
SESSIONS: Final[Sequence[tuple[Sequence[str], str]]] = (
    (
        ("start_gate", "curve_gate", "two_methods"),
        "Gate first: is it the line at all?",
    ),
    (("home_length", "pace_ladder", "roll_past"), "Pace before aim, twice this week."),
)


@anyone
def share_demo(session: Session, coach: Golfer, pupils: Sequence[Golfer], now: datetime) -> None:
    """Let pupils share with their coach, and the coach leave something for each."""
    for pupil, what, words, (drills, why) in zip(pupils, SHARED, NOTES, SESSIONS, strict=True):
        session.add(Sharing(giver_id=pupil.id, taker_id=coach.id, what=list(what)))
        session.flush()
        who = looking_at(Viewer(coach), session, pupil.id)
        missed = list_putts(who, session, Which(only=("stopped",))).putts[0]
        leave_note(who, session, missed.id, words).left_at = now - timedelta(hours=20)
        set_session(who, session, drills, why).left_at = now - timedelta(hours=20)
