"""What the demo's golfers share: two pupils with their coach, and a club whose keeper posts speeds."""

from collections.abc import Sequence
from datetime import datetime, timedelta
from typing import Final

import numpy as np
from sqlalchemy.orm import Session

from orthocline.db.account.models import Golfer
from orthocline.db.share.models import Sharing
from orthocline.services.account.access import Viewer, anyone
from orthocline.services.demo.greens import DemoGreen
from orthocline.services.demo.speeds import COURSE
from orthocline.services.ground.charts import describe_green, keep_chart
from orthocline.services.log.putts import Which, list_putts
from orthocline.services.share.clubs import CLUB_GIVES, post_speed
from orthocline.services.share.coaching import leave_note, set_session
from orthocline.services.share.looking import looking_at
from orthocline.services.speed.book import list_speeds

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
CLUB: Final = "Ternholm Links Club"
KEEPER: Final = "Runa Askvik"
KEEPERS_HABIT_FT, KEEPERS_SPREAD_FT = 0.25, 0.15
"""The keeper measures where the green is quickest."""
DAYS_POSTED: Final = 14


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


@anyone
def found_demo_club(
    session: Session, members: Sequence[Golfer], greens: Sequence[DemoGreen], rng: np.random.Generator
) -> None:
    """Found the club, whose keeper charts some greens and posts a speed on each day that one was measured."""
    club = Golfer(name=CLUB, password_hash="", demo="template", club=True)
    keeper = Golfer(name=KEEPER, password_hash="", demo="template")
    session.add_all((club, keeper))
    session.flush()
    for golfer in (keeper, *members):
        what = [one.value for one in CLUB_GIVES]
        session.add(Sharing(giver_id=club.id, taker_id=golfer.id, what=what, keeper=golfer is keeper))
    for green in greens:
        number = keep_chart(Viewer(club), session, green.place, green.chart(rng), "the keeper's survey")
        describe_green(
            Viewer(club), session, number, name=green.place.green, character=green.character, note=""
        )
    measured = list_speeds(Viewer(members[0]), session, COURSE)
    for one in [note for note in measured if note.method == "ramp"][:DAYS_POSTED]:
        put_up_ft = one.speed_ft.value + KEEPERS_HABIT_FT + float(rng.normal(0.0, KEEPERS_SPREAD_FT))
        at = one.measured_at - timedelta(minutes=50)
        post_speed(Viewer(club), session, COURSE, round(put_up_ft, 1), at)
