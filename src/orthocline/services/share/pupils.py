"""Pupils as their coach sees them: side by side, and what each needs most."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Final

from sqlalchemy.orm import Session

from orthocline.db.log.models import LoggedPutt
from orthocline.db.share.queries import taken_by
from orthocline.db.train.models import DrillRun
from orthocline.services.account.access import Share, Viewer, open_play
from orthocline.services.log.figures import LogFigures, log_figures
from orthocline.services.log.putts import Which, list_putts
from orthocline.services.share.coaching import ROOM, SetSession, sessions_of
from orthocline.services.share.looking import grant_of
from orthocline.services.train.drills import newest_runs
from orthocline.services.train.practice import Need, needs_of

LATELY: Final = timedelta(days=60)
"""What a pupil did since then is set beside what was before."""


@dataclass(frozen=True)
class Pupil:
    """A pupil, as far as they let themselves be seen; what they do not is None, or empty.

    Attributes
    ----------
    who : Viewer
        The coach, as who looks at the pupil's data.
    lately, before : LogFigures or None
        The figures of the last `LATELY`, and of what was before.
    last : LoggedPutt or None
        The newest putt.
    runs : dict
        The newest run of each drill, by the drill.
    sessions : list of SetSession
        What the coach set.
    needs : dict
        What is needed how much, as far as what is shared says.
    """

    who: Viewer
    name: str
    lately: LogFigures | None
    before: LogFigures | None
    last: LoggedPutt | None
    runs: Mapping[str, DrillRun]
    sessions: Sequence[SetSession]
    needs: Mapping[str, Need]

    @property
    def number(self) -> int:
        """The pupil's number."""
        return self.who.of.giver.id if self.who.of else 0

    @property
    def weakest(self) -> tuple[str, Need] | None:
        """What is needed most, if anything is weaker than usual."""
        found = max(self.needs.items(), key=lambda one: one[1].much, default=None)
        return found if found and found[1].much > 1.0 else None


@open_play(ROOM)
def side_by_side(viewer: Viewer, session: Session, level: str, now: datetime) -> list[Pupil]:
    """Return a golfer's pupils by name, compared with the usual golfer of a level; refused in Competition."""
    found = []
    for one in taken_by(session, viewer.owner_id, club=False):
        who = Viewer(viewer.golfer, viewer.mode, grant_of(one))
        found.append(pupil_of(who, session, level, now))
    return found


@open_play(ROOM)
def pupil_of(viewer: Viewer, session: Session, level: str, now: datetime) -> Pupil:
    """Return the pupil at whom a coach looks; refused in Competition."""
    giver = viewer.of.giver if viewer.of else viewer.owner
    drills = viewer.sees(Share.DRILLS)
    lately = before = None
    if viewer.sees(Share.FIGURES):
        asked = (Which(since=now - LATELY), Which(until=now - LATELY))
        lately, before = log_figures(viewer, session, level, asked)
    putts = list_putts(viewer, session).putts if viewer.sees(Share.LOG) else ()
    return Pupil(
        viewer,
        giver.name,
        lately,
        before,
        putts[0] if putts else None,
        newest_runs(viewer, session) if drills else {},
        sessions_of(viewer, session) if drills else (),
        needs_of(viewer, session, None, now),
    )
