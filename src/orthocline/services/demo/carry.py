"""What Wren carries: the cards for the day's green."""

from datetime import datetime

from sqlalchemy.orm import Session

from orthocline.core.units import INCH_M
from orthocline.db.account.models import Golfer
from orthocline.services.account.access import Viewer, anyone
from orthocline.services.carry.cards import usual_cards
from orthocline.services.carry.making import make_print
from orthocline.services.carry.prints import new_print
from orthocline.services.jobs.task import Task
from orthocline.wording.dates import calendar_of

SPEED_FT, PAST_M = 10.2, 9.0 * INCH_M


@anyone
def carry_demo(session: Session, golfer: Golfer, made: datetime) -> None:
    """Make a golfer's cards for the speed that she measured, and let her carry them."""
    viewer = Viewer(golfer)
    asked = usual_cards((SPEED_FT,), PAST_M, metric=False).document
    day = calendar_of(golfer.time_zone).day(made)
    cards = new_print(viewer, session, "cards", {**asked, "day": day})
    cards.asked_at = made
    session.add(cards)
    session.flush()
    make_print(viewer, session, Task({"print_id": cards.id}))
    cards.made_at = made
