"""Invited by a code, seen until it is taken back."""

from collections.abc import Iterable, Sequence
from datetime import datetime, timedelta
from typing import Final

from sqlalchemy import delete
from sqlalchemy.orm import Session

from orthocline.db.share.models import Invitation as Invitation
from orthocline.db.share.models import Sharing as Sharing
from orthocline.db.share.queries import (
    add_invitation,
    given_by,
    invitation_of,
    open_invitations,
    sharing_between,
)
from orthocline.services.account.access import Share, Viewer, own_data
from orthocline.services.account.codes import digest_of, new_code
from orthocline.services.errors import InvalidError, NotFoundError

CODE_LIFE: Final = timedelta(days=1)
MOST_CODES: Final = 10
TOO_MANY_CODES: Final = f"{MOST_CODES} codes are open already: withdraw one, or wait a day."
PUPILS_CHOICE: Final = (Share.LOG, Share.FIGURES, Share.DRILLS, Share.GREENS)
"""What a pupil lets a coach see."""
MOST_SHARINGS: Final = 300


@own_data
def invite_coach(viewer: Viewer, session: Session, what: Iterable[str], now: datetime) -> str:
    """Return a code by which one coach, once and within a day, sees what of the golfer's is chosen.

    Raises
    ------
    InvalidError
        Where nothing is chosen, or what cannot be, or too many codes are open.
    """
    code = new_code()
    invitation = Invitation(
        giver_id=viewer.owner_id, digest=digest_of(code), what=_chosen(what), ends_at=now + CODE_LIFE
    )
    if not add_invitation(session, invitation, now, MOST_CODES):
        raise InvalidError("what", TOO_MANY_CODES)
    return code


def _chosen(what: Iterable[str]) -> list[str]:
    chosen = [one.value for one in PUPILS_CHOICE if one.value in set(what)]
    if not chosen:
        raise InvalidError("what", "Choose what may be seen: one thing at least.")
    return chosen


@own_data
def invitations_of(viewer: Viewer, session: Session, now: datetime) -> Sequence[Invitation]:
    """Return the golfer's codes that nobody has used yet."""
    return open_invitations(session, viewer.owner_id, now)


@own_data
def withdraw(viewer: Viewer, session: Session, invitation_id: int) -> None:
    """Withdraw a code of the golfer's; one that was used or has ended is gone already."""
    own = Invitation.id == invitation_id, Invitation.giver_id == viewer.owner_id
    session.execute(delete(Invitation).where(*own))


@own_data
def enter_code(viewer: Viewer, session: Session, code: str, now: datetime) -> Sharing:
    """Return what somebody lets the viewer see from now on, by their code; one of a coach's counts once.

    Raises
    ------
    InvalidError
        For a code that is none, has ended or was used, or is the viewer's own.
    """
    invitation = invitation_of(session, digest_of(code), now)
    if invitation is None:
        raise InvalidError("code", "That code opens nothing: it was used, is over, or reads otherwise.")
    if invitation.giver_id == viewer.owner_id:
        raise InvalidError("code", "That is your own code: it is for whoever is to see it.")
    if len(given_by(session, invitation.giver_id)) >= MOST_SHARINGS:
        raise InvalidError("code", f"{MOST_SHARINGS} see it already, and no more can.")
    held = sharing_between(session, invitation.giver_id, viewer.owner_id)
    if held is None:
        held = Sharing(giver_id=invitation.giver_id, taker_id=viewer.owner_id)
        session.add(held)
    held.what, held.keeper = invitation.what, invitation.keeper or bool(held.keeper)
    if not invitation.many:
        session.delete(invitation)
    session.flush()
    return held


@own_data
def coaches_of(viewer: Viewer, session: Session) -> Sequence[Sharing]:
    """Return to whom the golfer lets something be seen."""
    return given_by(session, viewer.owner_id)


@own_data
def choose(viewer: Viewer, session: Session, sharing_id: int, what: Iterable[str]) -> None:
    """Let what is chosen be seen from now on, and nothing else.

    Raises
    ------
    InvalidError
        Where nothing is chosen: that is `take_back`.
    NotFoundError
        Where it is not the golfer's to choose.
    """
    _given(viewer, session, sharing_id).what = _chosen(what)


@own_data
def take_back(viewer: Viewer, session: Session, sharing_id: int) -> None:
    """Let nothing be seen from now on; raises NotFoundError where it is not the golfer's."""
    session.delete(_given(viewer, session, sharing_id))
    session.flush()


@own_data
def look_no_more(viewer: Viewer, session: Session, giver_id: int) -> None:
    """Give up seeing what a golfer shares; nothing changes where they share nothing, or are a club."""
    held = sharing_between(session, giver_id, viewer.owner_id)
    if held is not None and not held.giver.club:
        session.delete(held)
        session.flush()


def _given(viewer: Viewer, session: Session, sharing_id: int) -> Sharing:
    held = next((one for one in given_by(session, viewer.owner_id) if one.id == sharing_id), None)
    if held is None:
        raise NotFoundError("Nobody sees anything of yours by that.")
    return held
