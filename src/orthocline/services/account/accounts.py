"""Accounts: sign up, sign in, the mode, and a golfer's data out and gone."""

import json
from collections.abc import Iterator
from datetime import datetime
from typing import Any
from uuid import UUID

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerifyMismatchError
from sqlalchemy.orm import Session
from zxcvbn import zxcvbn

from orthocline.db.account.models import NAME_LENGTH as NAME_LENGTH
from orthocline.db.account.models import TIME_ZONE_LENGTH as TIME_ZONE_LENGTH
from orthocline.db.account.models import Golfer as Golfer
from orthocline.db.account.models import OwnMeasures
from orthocline.db.account.queries import golfer_by_id, golfer_named, golfer_of_key, measures_of
from orthocline.db.base import Base
from orthocline.db.entries import hold
from orthocline.db.ground.models import Course, Placed
from orthocline.db.ground.queries import courses_of
from orthocline.db.log.models import LoggedPutt
from orthocline.db.log.queries import all_putts
from orthocline.db.speed.queries import all_speeds
from orthocline.services.account.access import Mode, Viewer, anyone, own_data
from orthocline.services.errors import InvalidError
from orthocline.services.text import tidy_text
from orthocline.wording.dates import is_zone

OWN_COLUMNS = ("id", "golfer_id", "key", "deleted_at", "course_id", "green_id")
"""Columns that are the program's own: an account's archive holds all others."""
WITHHELD = "In Competition reads, speeds and strokes are left out. They are here again when it ends."
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
    _check_password("password", password, tidy)
    golfer = Golfer(name=tidy, password_hash=_hasher.hash(password), key=key)
    hold(session, SIGNING_UP)
    before = golfer_of_key(session, key)
    if before and _opens(before, password):
        return before
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
    _check_owner(viewer.owner, password)
    _check_password("new_password", new, viewer.owner.name)
    viewer.owner.password_hash = _hasher.hash(new)
    end_sessions(viewer)


@own_data
def end_sessions(viewer: Viewer) -> None:
    """Sign a golfer out everywhere: every cookie that was made so far, copied ones too, counts no more."""
    viewer.owner.session_version += 1


def _opens(golfer: Golfer | None, password: str) -> bool:
    """Return whether a password is the golfer's; for nobody it takes as long."""
    try:
        return _hasher.verify(golfer.password_hash if golfer else _NOBODY, password) and golfer is not None
    except (VerifyMismatchError, InvalidHashError):
        return False


def _check_owner(golfer: Golfer, password: str) -> None:
    if not _opens(golfer, password):
        raise InvalidError("password", "That is not your password.")


def _check_password(field: str, password: str, name: str) -> None:
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
def set_mode(viewer: Viewer, mode: Mode) -> None:
    """Put a golfer in Open play or Competition."""
    viewer.owner.mode = mode.value


@own_data
def export_account(viewer: Viewer, session: Session) -> Iterator[str]:
    """Return everything that is kept of a golfer as JSON, in pieces: a log may be long.

    In Competition reads and speeds are left out, and the file says so.
    """
    golfer, hidden = viewer.owner, viewer.in_competition
    whole = {
        "version": 1,
        "golfer": golfer.name,
        "signed_up": golfer.created_at.isoformat(),
        "time_zone": golfer.time_zone,
        "measures": _measures_document(measures_of(session, viewer.owner_id), hidden=hidden),
    }
    if hidden:
        whole["withheld"] = WITHHELD
    yield f"{json.dumps(whole, indent=1)[:-2]},\n"
    courses = courses_of(session, viewer.owner_id)
    yield from _listed("courses", (_course_document(course) for course in courses))
    yield ",\n"
    speeds = () if hidden else all_speeds(session, viewer.owner_id)
    yield from _listed("speeds", (_where(note) | _columns(note) for note in speeds))
    yield ",\n"
    yield from _listed(
        "putts", (_putt_document(putt, hidden=hidden) for putt in all_putts(session, viewer.owner_id))
    )
    yield "\n}\n"


def _listed(name: str, rows: Iterator[dict[str, Any]]) -> Iterator[str]:
    yield f' "{name}": ['
    for i, row in enumerate(rows):
        yield f"{',' if i else ''}\n  {json.dumps(row)}"
    yield "\n ]"


@own_data
def delete_account(viewer: Viewer, session: Session, password: str) -> None:
    """Delete a golfer and everything of theirs; a copy of the demo needs no password.

    Raises
    ------
    InvalidError
        When the password is not the golfer's.
    """
    golfer = viewer.owner
    if golfer.demo is None:
        _check_owner(golfer, password)
    session.delete(golfer)
    session.flush()


def _measures_document(measures: OwnMeasures | None, *, hidden: bool) -> dict[str, Any] | None:
    if measures is None:
        return None
    told = _columns(measures) | {"stride_trials": [_columns(trial) for trial in measures.stride_trials]}
    if hidden:
        return told
    return told | {"stroke_putts": [_columns(trial) for trial in measures.stroke_trials]}


def _columns(row: Base) -> dict[str, Any]:
    """Return a row's columns as JSON data, times as ISO text."""
    names = [column.key for column in row.__table__.columns if column.key not in OWN_COLUMNS]
    values = {name: getattr(row, name) for name in names}
    return {name: v.isoformat() if isinstance(v, datetime) else v for name, v in values.items()}


def _course_document(course: Course) -> dict[str, Any]:
    return {"course": course.name, "greens": [green.name for green in course.greens]}


def _where(row: Placed) -> dict[str, str]:
    return dict(zip(("course", "green"), row.names, strict=True))


def _putt_document(putt: LoggedPutt, *, hidden: bool) -> dict[str, Any]:
    read = {
        "green_speed_ft": putt.green_speed_ft,
        "putt": putt.putt_document,
        "read": putt.read_document,
        "model": putt.model_version,
        "own_aim_right_m": putt.own_aim_right_m,
    }
    return {
        "logged_at": putt.created_at.isoformat(),
        **_where(putt),
        "length_m": putt.length_m,
        **({} if hidden else read),
        "note": putt.note,
        "holed": putt.holed,
        "finish_along_m": putt.finish_along_m,
        "finish_across_m": putt.finish_across_m,
    }
