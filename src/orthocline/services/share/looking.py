"""Looking at what somebody else shares."""

from sqlalchemy.orm import Session

from orthocline.db.account.queries import golfer_by_id
from orthocline.db.share.models import Sharing
from orthocline.db.share.queries import sharing_between, taken_by
from orthocline.services.account.access import NOT_SHARED, Grant, Share, Viewer, anyone
from orthocline.services.errors import NotFoundError


def grant_of(sharing: Sharing) -> Grant:
    """Return what a sharing lets its taker see."""
    return Grant(sharing.giver, frozenset(Share(one) for one in sharing.what), sharing.keeper)


@anyone
def looking_at(viewer: Viewer, session: Session, giver_id: int) -> Viewer:
    """Return a viewer as who looks at what a golfer of that number, perhaps themselves, lets them see.

    Raises
    ------
    NotAllowedError
        For a visitor.
    NotFoundError
        Where nothing of theirs is shared with the viewer.
    """
    own = Viewer(viewer.golfer, viewer.mode)
    if giver_id == own.owner_id:
        return own
    sharing = sharing_between(session, giver_id, own.owner_id)
    if sharing is None:
        raise NotFoundError(NOT_SHARED)
    return Viewer(viewer.golfer, viewer.mode, grant_of(sharing))


@anyone
def looking_at_one(viewer: Viewer, session: Session, giver_id: int, what: Share, number: int) -> Viewer:
    """Return a viewer as who looks at a single thing: as `looking_at` says, or else by a link to it."""
    opened = _opened(viewer, session, giver_id, what, number)
    if opened is None:
        return looking_at(viewer, session, giver_id)
    if viewer.golfer is None:
        return opened
    try:
        shared = looking_at(viewer, session, giver_id)
    except NotFoundError:
        return opened
    return shared if shared.sees(what) else opened


def _opened(viewer: Viewer, session: Session, giver_id: int, what: Share, number: int) -> Viewer | None:
    """Return a viewer as who looks at a single thing by a link that still counts; None without such."""
    for key in viewer.keys:
        if (key.giver_id, key.what, key.number) == (giver_id, what, number):
            giver = golfer_by_id(session, giver_id)
            if giver and giver.links_version == key.version:
                grant = Grant(giver, frozenset(), single=(what, number))
                return Viewer(viewer.golfer, viewer.mode, grant)
    return None


@anyone
def clubs_seen(viewer: Viewer, session: Session, what: Share) -> list[Viewer]:
    """Return a golfer as who looks at each of their clubs that lets them see that; none for a visitor."""
    if viewer.golfer is None or viewer.of is not None:
        return []
    shared = taken_by(session, viewer.golfer.id, club=True)
    found = [Viewer(viewer.golfer, viewer.mode, grant_of(one)) for one in shared]
    return [one for one in found if one.sees(what)]


@anyone
def pupil_at(viewer: Viewer, session: Session, pupil_id: int) -> Viewer:
    """Return a coach as who looks at a pupil; raises NotFoundError for anybody else's number."""
    return _at(viewer, session, pupil_id, club=False)


@anyone
def club_at(viewer: Viewer, session: Session, club_id: int) -> Viewer:
    """Return a golfer as who looks at a club of theirs; raises NotFoundError for any other number."""
    return _at(viewer, session, club_id, club=True)


@anyone
def club_kept(viewer: Viewer, session: Session, club_id: int) -> Viewer:
    """Return a golfer as the keeper of a club; raises NotFoundError where they do not keep it."""
    who = club_at(viewer, session, club_id)
    if not who.keeps:
        raise NotFoundError(NOT_SHARED)
    return who


def _at(viewer: Viewer, session: Session, giver_id: int, *, club: bool) -> Viewer:
    who = looking_at(viewer, session, giver_id)
    if who.of is None or who.of.giver.club != club:
        raise NotFoundError(NOT_SHARED)
    return who
