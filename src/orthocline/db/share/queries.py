"""Sharings, invitations, and what coaches left."""

from collections.abc import Sequence
from datetime import datetime

from sqlalchemy import ColumnElement, delete, exists, func, select
from sqlalchemy.orm import Session, aliased

from orthocline.db.account.models import Golfer
from orthocline.db.entries import LARGEST_ID, one_at_a_time
from orthocline.db.share.models import ApiToken, CoachNote, CoachSession, Invitation, Sharing
from orthocline.db.train.models import PracticePlan


def sharing_between(session: Session, giver_id: int, taker_id: int) -> Sharing | None:
    """Return what one golfer lets another see, if anything."""
    both = Sharing.giver_id == giver_id, Sharing.taker_id == taker_id
    return session.scalar(select(Sharing).where(*both)) if giver_id <= LARGEST_ID else None


def given_by(session: Session, golfer_id: int) -> Sequence[Sharing]:
    """Return to whom a golfer gives, the oldest first."""
    return session.scalars(select(Sharing).where(Sharing.giver_id == golfer_id).order_by(Sharing.id)).all()


def taken_by(session: Session, golfer_id: int, *, club: bool | None = None) -> Sequence[Sharing]:
    """Return what others let a golfer see, by the givers' names: clubs alone, golfers alone, or all."""
    query = select(Sharing).join(Golfer, Golfer.id == Sharing.giver_id).where(Sharing.taker_id == golfer_id)
    if club is not None:
        query = query.where(Golfer.club.is_(club))
    return session.scalars(query.order_by(func.folded(Golfer.name), Sharing.id)).all()


def clubs_kept_alone(session: Session, golfer_id: int) -> Sequence[Golfer]:
    """Return the clubs that nobody but a golfer keeps."""
    others = aliased(Sharing)
    another = exists().where(
        others.giver_id == Golfer.id, others.keeper.is_(True), others.taker_id != golfer_id
    )
    query = select(Golfer).join(Sharing, Sharing.giver_id == Golfer.id)
    query = query.where(Golfer.club.is_(True), Sharing.keeper.is_(True), Sharing.taker_id == golfer_id)
    return session.scalars(query.where(~another)).all()


def open_invitations(session: Session, giver_id: int, now: datetime) -> Sequence[Invitation]:
    """Return a giver's codes that have not ended, the oldest first; those that have are gone."""
    session.execute(delete(Invitation).where(Invitation.giver_id == giver_id, Invitation.ends_at <= now))
    query = select(Invitation).where(Invitation.giver_id == giver_id)
    return session.scalars(query.order_by(Invitation.id)).all()


def add_invitation(session: Session, invitation: Invitation, now: datetime, most: int) -> bool:
    """Keep a code of a giver's, and return whether there was room for it: so many are open at most."""
    one_at_a_time(session, invitation.giver_id)
    if len(open_invitations(session, invitation.giver_id, now)) >= most:
        return False
    session.add(invitation)
    session.flush()
    return True


def invitation_of(session: Session, digest: bytes, now: datetime) -> Invitation | None:
    """Return the invitation of a code that has not ended, held against anybody else until the end."""
    query = select(Invitation).where(Invitation.digest == digest, Invitation.ends_at > now)
    return session.scalar(query.with_for_update(of=Invitation))


def notes_on(
    session: Session, golfer_id: int, putts: Sequence[int], coach_id: int | None = None
) -> Sequence[CoachNote]:
    """Return the notes on a golfer's putts, the oldest first: all, or one coach's."""
    query = select(CoachNote).where(_left(CoachNote, golfer_id, coach_id), CoachNote.putt_id.in_(putts))
    return session.scalars(query.order_by(CoachNote.id)).all()


def newest_note(session: Session, golfer_id: int) -> CoachNote | None:
    """Return what was left last on a golfer's putts."""
    query = select(CoachNote).where(CoachNote.golfer_id == golfer_id)
    return session.scalar(query.order_by(CoachNote.left_at.desc(), CoachNote.id.desc()).limit(1))


def sessions_left(
    session: Session, golfer_id: int, most: int, coach_id: int | None = None
) -> Sequence[tuple[CoachSession, PracticePlan | None]]:
    """Return the newest sessions that coaches, or one, set a golfer, with what the golfer made of them."""
    made = PracticePlan.id == CoachSession.plan_id
    query = select(CoachSession, PracticePlan).outerjoin(PracticePlan, made)
    query = query.where(_left(CoachSession, golfer_id, coach_id))
    found = session.execute(query.order_by(CoachSession.id.desc()).limit(most))
    return [(row[0], row[1]) for row in found]


def delete_left(
    session: Session, kind: type[CoachNote | CoachSession], golfer_id: int, left_id: int, coach_id: int | None
) -> None:
    """Delete what was left for a golfer, where there is such a thing: of anybody, or of one coach."""
    session.execute(delete(kind).where(_left(kind, golfer_id, coach_id), kind.id == left_id))


def _left(kind: type[CoachNote | CoachSession], golfer_id: int, coach_id: int | None) -> ColumnElement[bool]:
    """Return what of a kind was left for a golfer: by anybody, or by one coach."""
    theirs = kind.golfer_id == golfer_id
    return theirs if coach_id is None else theirs & (kind.coach_id == coach_id)


def tokens_of(session: Session, golfer_id: int) -> Sequence[ApiToken]:
    """Return a golfer's tokens, the oldest first."""
    return session.scalars(
        select(ApiToken).where(ApiToken.golfer_id == golfer_id).order_by(ApiToken.id)
    ).all()


def token_of_digest(session: Session, digest: bytes) -> ApiToken | None:
    """Return the token of a digest."""
    return session.scalar(select(ApiToken).where(ApiToken.digest == digest))
