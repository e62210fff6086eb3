"""Accounts: sign up, sign in, the mode, and a golfer's data out and gone."""

from datetime import datetime
from typing import Any

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerifyMismatchError
from sqlalchemy.exc import IntegrityError
from sqlalchemy.orm import Session

from orthocline.db.models import NAME_LENGTH, Base, Golfer, LoggedPutt, OwnMeasures
from orthocline.db.queries import golfer_named, measures_of, putts_of, speeds_of
from orthocline.services.errors import InvalidError
from orthocline.services.mode import Mode
from orthocline.services.text import tidy_text

OWN_COLUMNS = ("id", "golfer_id", "key", "deleted_at")
"""Columns that are the program's own: an account's archive holds all others."""
PASSWORD_LENGTHS = (8, 200)
_hasher = PasswordHasher()
_NOBODY = _hasher.hash("nobody has this password")


def sign_up(session: Session, name: str, password: str) -> Golfer:
    """Return a new golfer.

    Raises
    ------
    InvalidError
        For a name that is empty, too long or taken, or a password that is too short or too long.
    """
    tidy = tidy_text(name)
    if not 1 <= len(tidy) <= NAME_LENGTH or not tidy.isprintable():
        raise InvalidError("name", f"A name has 1 to {NAME_LENGTH} characters.")
    least, most = PASSWORD_LENGTHS
    if not least <= len(password) <= most:
        raise InvalidError("password", f"A password has {least} to {most} characters.")
    taken = InvalidError("name", f"Somebody is signed up as “{tidy}” already. Choose another name.")
    if golfer_named(session, tidy):
        raise taken
    golfer = Golfer(name=tidy, password_hash=_hasher.hash(password))
    session.add(golfer)
    try:
        session.flush()
    except IntegrityError as error:
        raise taken from error
    return golfer


def sign_in(session: Session, name: str, password: str) -> Golfer:
    """Return the golfer of that name and password.

    Raises
    ------
    InvalidError
        For a wrong name or password; which of the two is not said, nor told by the time it takes.
    """
    golfer = golfer_named(session, tidy_text(name))
    try:
        _hasher.verify(golfer.password_hash if golfer else _NOBODY, password)
    except (VerifyMismatchError, InvalidHashError):
        golfer = None
    if golfer is None:
        raise InvalidError("password", "That name and password do not go together.")
    return golfer


def set_mode(golfer: Golfer, mode: Mode) -> None:
    """Put a golfer in Practice or Competition."""
    golfer.mode = mode.value


def export_account(session: Session, golfer: Golfer) -> dict[str, Any]:
    """Return everything that is kept of a golfer, as JSON data."""
    return {
        "version": 1,
        "golfer": golfer.name,
        "signed_up": golfer.created_at.isoformat(),
        "measures": _measures_document(measures_of(session, golfer.id)),
        "speeds": [_columns(note) for note in speeds_of(session, golfer.id)],
        "putts": [_putt_document(putt) for putt in putts_of(session, golfer.id)],
    }


def delete_account(session: Session, golfer: Golfer, password: str) -> None:
    """Delete a golfer and everything of theirs.

    Raises
    ------
    InvalidError
        When the password is not the golfer's.
    """
    sign_in(session, golfer.name, password)
    session.delete(golfer)
    session.flush()


def _measures_document(measures: OwnMeasures | None) -> dict[str, Any] | None:
    if measures is None:
        return None
    return _columns(measures) | {
        "stride_tries": [_columns(trial) for trial in measures.stride_trials],
        "stroke_putts": [_columns(trial) for trial in measures.stroke_trials],
    }


def _columns(row: Base) -> dict[str, Any]:
    """Return a row's columns as JSON data, times as ISO text."""
    names = [column.key for column in row.__table__.columns if column.key not in OWN_COLUMNS]
    values = {name: getattr(row, name) for name in names}
    return {name: v.isoformat() if isinstance(v, datetime) else v for name, v in values.items()}


def _putt_document(putt: LoggedPutt) -> dict[str, Any]:
    return {
        "logged_at": putt.created_at.isoformat(),
        "place": putt.place,
        "length_m": putt.length_m,
        "green_speed_ft": putt.green_speed_ft,
        "putt": putt.putt_document,
        "read": putt.read_document,
        "model": putt.model_version,
        "own_aim_right_m": putt.own_aim_right_m,
        "note": putt.note,
        "holed": putt.holed,
        "finish_along_m": putt.finish_along_m,
        "finish_across_m": putt.finish_across_m,
    }
