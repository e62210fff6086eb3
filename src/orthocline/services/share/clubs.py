"""Clubs: greens, pins and the day's speed, kept by their keepers and read by their members."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Final
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.speed import posted_speed
from orthocline.db.account.models import NAME_LENGTH as NAME_LENGTH
from orthocline.db.account.models import Golfer
from orthocline.db.account.queries import golfer_of_key
from orthocline.db.entries import entry_of, one_at_a_time
from orthocline.db.share.models import Invitation, Sharing
from orthocline.db.share.queries import add_invitation, given_by, sharing_between, taken_by
from orthocline.db.speed.models import SpeedNote
from orthocline.services.account.access import NOT_SHARED, Share, Viewer, open_play, own_data, shared_data
from orthocline.services.account.codes import digest_of, new_code
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.ground.places import Place
from orthocline.services.share.looking import club_at
from orthocline.services.share.sharing import CODE_LIFE, MOST_CODES, TOO_MANY_CODES
from orthocline.services.speed.book import keep_speed
from orthocline.services.text import short_text

CLUB_GIVES: Final = (Share.GREENS, Share.SPEEDS)
"""What a club lets its members see."""
MEMBERS_CODE_LIFE: Final = timedelta(days=30)
MOST_CLUBS: Final = 10
"""A golfer is in so many clubs at most."""
LAST_KEEPER: Final = "You are its only keeper: make another one first, or delete the club."


@dataclass(frozen=True)
class Member:
    """Somebody in a club: the number of their membership, their name, and whether they keep it."""

    number: int
    name: str
    keeper: bool


@own_data
def clubs_of(viewer: Viewer, session: Session) -> Sequence[Sharing]:
    """Return the clubs that a golfer is in, by name."""
    return taken_by(session, viewer.owner_id, club=True)


@own_data
def found_club(viewer: Viewer, session: Session, name: str, key: UUID | None = None) -> int:
    """Found a club with the golfer as its keeper, and return its number; the same `key` is the same club.

    Raises
    ------
    InvalidError
        For a name that is missing or too long, or one club too many.
    """
    said = short_text("name", name, NAME_LENGTH)
    if not said:
        raise InvalidError("name", "Name the club.")
    one_at_a_time(session, viewer.owner_id)
    before = golfer_of_key(session, key)
    if before and before.club and sharing_between(session, before.id, viewer.owner_id):
        return before.id
    if len(clubs_of(viewer, session)) >= MOST_CLUBS:
        raise InvalidError("name", f"A golfer is in {MOST_CLUBS} clubs at most.")
    club = Golfer(name=said, password_hash="", club=True, key=None if before else key)
    session.add(club)
    session.flush()
    what = [one.value for one in CLUB_GIVES]
    session.add(Sharing(giver_id=club.id, taker_id=viewer.owner_id, what=what, keeper=True))
    session.flush()
    return club.id


@shared_data(Share.GREENS)
def members_of(viewer: Viewer, session: Session) -> list[Member]:
    """Return a club's keepers and, for a keeper, its members; keepers first, in the order they came."""
    held = given_by(session, viewer.seen_id(Share.GREENS))
    found = [Member(one.id, one.taker.name, one.keeper) for one in held if one.keeper or viewer.keeps]
    return sorted(found, key=lambda one: not one.keeper)


@shared_data(Share.GREENS)
def invite_member(viewer: Viewer, session: Session, now: datetime, *, keeper: bool = False) -> str:
    """Return a code that lets members in for a month, or one keeper within a day.

    Raises
    ------
    InvalidError
        Where too many codes are open.
    NotFoundError
        For whoever does not keep the club.
    """
    code = new_code()
    invitation = Invitation(
        giver_id=viewer.kept_id(Share.GREENS),
        digest=digest_of(code),
        what=[one.value for one in CLUB_GIVES],
        keeper=keeper,
        many=not keeper,
        ends_at=now + (CODE_LIFE if keeper else MEMBERS_CODE_LIFE),
    )
    if not add_invitation(session, invitation, now, MOST_CODES):
        raise InvalidError("what", TOO_MANY_CODES)
    return code


@shared_data(Share.GREENS)
def remove_member(viewer: Viewer, session: Session, number: int) -> None:
    """Let a member, by the number of the membership, see nothing more of a club that the viewer keeps.

    Raises
    ------
    InvalidError
        For its only keeper.
    NotFoundError
        For whoever does not keep the club, or is not in it.
    """
    _leave(session, viewer.kept_id(Share.GREENS), number)


@own_data
def leave_club(viewer: Viewer, session: Session, club_id: int) -> None:
    """Leave a club; raises as `remove_member` does."""
    club_at(viewer, session, club_id)
    one_at_a_time(session, club_id)
    held = sharing_between(session, club_id, viewer.owner_id)
    _leave(session, club_id, held.id if held else 0)


def _leave(session: Session, club_id: int, number: int) -> None:
    one_at_a_time(session, club_id)
    held = given_by(session, club_id)
    leaves = next((one for one in held if one.id == number), None)
    if leaves is None:
        raise NotFoundError("There is no such member.")
    if leaves.keeper and sum(one.keeper for one in held) == 1:
        raise InvalidError("members", LAST_KEEPER)
    session.delete(leaves)
    session.flush()


@shared_data(Share.GREENS)
def delete_club(viewer: Viewer, session: Session) -> None:
    """Delete a club that the viewer keeps, with its greens and speeds, for all its members."""
    club = session.get_one(Golfer, viewer.kept_id(Share.GREENS))
    session.delete(club)
    session.flush()


@open_play("Posting a green speed")
def post_speed(
    viewer: Viewer, session: Session, course: str, speed_ft: float, now: datetime, key: UUID | None = None
) -> None:
    """Post the day's green speed [ft] of a course of a club that the viewer keeps; raises as `keep_speed`."""
    keep_speed(
        viewer,
        session,
        speed_ft=posted_speed(speed_ft),
        method="posted",
        place=Place(course),
        measured_at=now,
        key=key,
    )


@shared_data(Share.SPEEDS)
def take_post_back(viewer: Viewer, session: Session, note_id: int) -> None:
    """Take back a speed that was posted by mistake; raises NotFoundError where there is none to take."""
    note = entry_of(session, SpeedNote, viewer.kept_id(Share.SPEEDS), note_id)
    if note is None:
        raise NotFoundError(NOT_SHARED)
    session.delete(note)
    session.flush()
