"""A single thing by link: a read, a challenge, a green to look at. Signed by the web, and over at its end."""

from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Final

from sqlalchemy.orm import Session

from orthocline.db.account.queries import golfer_by_id
from orthocline.services.account.access import Share, Viewer, anyone, open_play, own_data
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.ground.charts import green_to_change
from orthocline.services.train.sessions import find_question

LIVES: Final = {1: timedelta(days=1), 7: timedelta(days=7), 30: timedelta(days=30)}
"""How long a link may work, by days."""
OVER: Final = "That link is over, was withdrawn, or is not whole. Ask for a new one."


@dataclass(frozen=True)
class Link:
    """A link as it is given.

    Attributes
    ----------
    kind : str
        ``read``, ``challenge`` or ``green``.
    address : str
        Where it leads on this site.
    giver_id, version : int
        Who gave it, and which of their links it is among.
    ends_at : datetime
    green_id : int or None
        The green that it opens.
    score : float or None
        What the giver's own answer to a challenge was worth [1].
    """

    kind: str
    address: str
    giver_id: int
    version: int
    ends_at: datetime
    green_id: int | None = None
    score: float | None = None


@open_play("Giving a link")
def give_link(
    viewer: Viewer,
    session: Session,
    kind: str,
    address: str,
    now: datetime,
    days: int,
    *,
    green_id: int | None = None,
    question_id: int | None = None,
) -> Link:
    """Return a link to something of the golfer's, or of the club that they keep.

    Raises
    ------
    InvalidError
        For a time that links do not live.
    NotFoundError
        For a green or an answer that is not theirs to give.
    """
    if days not in LIVES:
        raise InvalidError("days", f"Choose among {', '.join(map(str, LIVES))} days.")
    golfer = viewer.owner
    link = Link(kind, address, golfer.id, golfer.links_version, now + LIVES[days], green_id)
    if green_id is not None:
        held = green_to_change(viewer, session, green_id)
        giver = held.of.giver if held.of else golfer
        link = replace(link, giver_id=giver.id, version=giver.links_version)
    if question_id is not None:
        link = replace(link, score=find_question(viewer, session, question_id).score)
    return link


@anyone
def giver_of(session: Session, link: Link, now: datetime) -> str:
    """Return the name of who gave a link; raises NotFoundError for one that is over or was withdrawn."""
    giver = golfer_by_id(session, link.giver_id)
    if giver is None or giver.links_version != link.version or link.ends_at <= now:
        raise NotFoundError(OVER)
    return giver.name


@own_data
def withdraw_links(viewer: Viewer) -> None:
    """Let all links that the golfer gave open nothing from now on."""
    viewer.owner.links_version += 1


def shared_by(link: Link) -> tuple[Share, int] | None:
    """Return the single thing that a link opens, if it is somebody's own."""
    return None if link.green_id is None else (Share.GREENS, link.green_id)
