"""A forgotten password: a new one by a code that was shown once. There is no mail here."""

import hmac
from typing import Final

from sqlalchemy.orm import Session

from orthocline.db.account.models import Golfer
from orthocline.db.account.queries import golfer_named
from orthocline.services.account.access import Viewer, anyone, own_data
from orthocline.services.account.accounts import check_owner, check_password, set_password
from orthocline.services.account.codes import digest_of, new_code
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.text import tidy_text

GROUPS: Final = 5
"""Twenty-five letters, 124 bits: nobody finds them by trying, whatever they have of the database."""
CODE_LENGTH: Final = 60
"""So much of what is typed can be a code."""


@own_data
def make_reset_code(viewer: Viewer, password: str) -> str:
    """Return a new code by which the golfer gets a new password, once; one before it counts no more.

    Raises
    ------
    InvalidError
        For a wrong password.
    """
    check_owner(viewer.owner, password)
    return _given(viewer.owner)


@anyone
def give_reset_code(session: Session, name: str) -> str:
    """Return a code for a golfer who has none, as whoever runs this may give one.

    Raises
    ------
    NotFoundError
        When nobody has that name.
    """
    golfer = golfer_named(session, tidy_text(name))
    if golfer is None:
        raise NotFoundError(f"Nobody is signed up as “{tidy_text(name)}”.")
    return _given(golfer)


@anyone
def reset_password(session: Session, name: str, code: str, new: str) -> Golfer:
    """Give the golfer of a name and code a new password, which ends all sessions, and return them.

    The code counts no more.

    Raises
    ------
    InvalidError
        For a wrong name or code, which of the two is not said; or a bad new password.
    """
    golfer = golfer_named(session, tidy_text(name), locked=True)
    kept = golfer.reset_digest if golfer else None
    if golfer is None or kept is None or not hmac.compare_digest(kept, digest_of(code[:CODE_LENGTH])):
        raise InvalidError("code", "That name and code do not go together, or the code was used.")
    check_password("new_password", new, golfer.name)
    set_password(golfer, new)
    golfer.reset_digest = None
    return golfer


def _given(golfer: Golfer) -> str:
    code = new_code(GROUPS)
    golfer.reset_digest = digest_of(code)
    return code
