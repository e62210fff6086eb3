"""Looking at what somebody else shares."""

from sqlalchemy.orm import Session

from orthocline.db.share.models import Sharing
from orthocline.db.share.queries import sharing_between
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
