"""Accounts: sign up, sign in, the mode, and gone."""

from uuid import UUID

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerifyMismatchError
from sqlalchemy.orm import Session
from zxcvbn import zxcvbn

from orthocline.db.account.models import NAME_LENGTH as NAME_LENGTH
from orthocline.db.account.models import TIME_ZONE_LENGTH as TIME_ZONE_LENGTH
from orthocline.db.account.models import Golfer as Golfer
from orthocline.db.account.queries import golfer_by_id, golfer_named, golfer_of_key
from orthocline.db.entries import hold
from orthocline.db.share.queries import clubs_kept_alone
from orthocline.services.account.access import Viewer, anyone, own_data
from orthocline.services.errors import InvalidError
from orthocline.services.text import tidy_text
from orthocline.wording.dates import is_zone

SIGNING_UP = 7_501_002
"""Key of the lock under which one golfer at a time signs up."""
PASSWORD_LENGTHS = (10, 200)
LEAST_GUESSES_LOG10 = 6.0
"""A password that is among the first million guesses is refused."""
GUESSED_LETTERS = 72
"""So many letters are enough to judge a password by."""
_hasher = PasswordHasher()
_NOBODY = _hasher.hash("nobody has this password")


@anyone
def sign_up(session: Session, name: str, password: str, key: UUID | None = None) -> Golfer:
    """Return a new golfer. The same `key` again, with the same password, is the same golfer.

    Raises
    ------
    InvalidError
        For a name that is empty, too long or taken, or a password that is too short, too long or too common.
    """
    tidy = tidy_text(name)
    if not 1 <= len(tidy) <= NAME_LENGTH or not tidy.isprintable():
        raise InvalidError("name", f"A name has 1 to {NAME_LENGTH} characters, all of which can be seen.")
    check_password("password", password, tidy)
    golfer = Golfer(name=tidy, password_hash=_hasher.hash(password))
    hold(session, SIGNING_UP)
    before = golfer_of_key(session, key)
    if before and _opens(before, password):
        return before
    golfer.key = None if before else key
    if golfer_named(session, tidy):
        raise InvalidError("name", f"Somebody is signed up as “{tidy}” already. Choose another name.")
    session.add(golfer)
    session.flush()
    return golfer


@anyone
def golfer_in_session(session: Session, golfer_id: int, version: str) -> Golfer | None:
    """Return the golfer of a session, unless all of theirs were ended since it began."""
    golfer = golfer_by_id(session, golfer_id)
    return golfer if golfer and version == str(golfer.session_version) else None


@anyone
def sign_in(session: Session, name: str, password: str) -> Golfer:
    """Return the golfer of that name and password.

    Raises
    ------
    InvalidError
        For a wrong name or password; which of the two is not said, nor told by the time it takes.
    """
    golfer = golfer_named(session, tidy_text(name))
    if not _opens(golfer, password) or golfer is None:
        raise InvalidError("password", "That name and password do not go together.")
    return golfer


@own_data
def change_password(viewer: Viewer, password: str, new: str) -> None:
    """Give a golfer a new password, which ends all sessions.

    Raises
    ------
    InvalidError
        When the password is not the golfer's, or the new one is too short, too long or too common.
    """
    check_owner(viewer.owner, password)
    check_password("new_password", new, viewer.owner.name)
    set_password(viewer.owner, new)


@own_data
def end_sessions(viewer: Viewer) -> None:
    """Sign a golfer out everywhere: every cookie that was made so far, copied ones too, counts no more."""
    viewer.owner.session_version += 1


def set_password(golfer: Golfer, new: str) -> None:
    """Give a golfer a password that was checked, and end all of their sessions."""
    golfer.password_hash = _hasher.hash(new)
    golfer.session_version += 1


def _opens(golfer: Golfer | None, password: str) -> bool:
    """Return whether a password is the golfer's; for nobody it takes as long."""
    try:
        return _hasher.verify(golfer.password_hash if golfer else _NOBODY, password) and golfer is not None
    except (VerifyMismatchError, InvalidHashError):
        return False


def check_owner(golfer: Golfer, password: str) -> None:
    """Raise InvalidError unless that is the golfer's password."""
    if not _opens(golfer, password):
        raise InvalidError("password", "That is not your password.")


def check_password(field: str, password: str, name: str) -> None:
    """Raise InvalidError for a new password that is too short, too long or too common."""
    least, most = PASSWORD_LENGTHS
    if not least <= len(password) <= most:
        raise InvalidError(field, f"A password has {least} to {most} characters.")
    if zxcvbn(password[:GUESSED_LETTERS], user_inputs=[name])["guesses_log10"] < LEAST_GUESSES_LOG10:
        raise InvalidError(
            field,
            "That is among the first that anybody would guess. Three unrelated words do well.",
        )


@own_data
def keep_time_zone(viewer: Viewer, zone: str) -> None:
    """Keep by whose clock a golfer lives.

    Raises
    ------
    InvalidError
        For a name that is not that of a time zone.
    """
    if not is_zone(zone):
        raise InvalidError("time_zone", "That is no time zone: choose one such as Europe/Oslo.")
    viewer.owner.time_zone = zone


@own_data
def live_where_seen(viewer: Viewer, zone: str) -> None:
    """Keep the browser's time zone for a golfer who has none yet; a name that is none is let pass."""
    if viewer.owner.time_zone is None and is_zone(zone):
        viewer.owner.time_zone = zone


@own_data
def delete_account(viewer: Viewer, session: Session, password: str) -> None:
    """Delete a golfer and everything of theirs, clubs that nobody else keeps too.

    A copy of the demo needs no password.

    Raises
    ------
    InvalidError
        When the password is not the golfer's.
    """
    golfer = viewer.owner
    if golfer.demo is None:
        check_owner(golfer, password)
    for club in clubs_kept_alone(session, golfer.id):
        session.delete(club)
    session.delete(golfer)
    session.flush()
