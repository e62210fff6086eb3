"""Tokens by which a golfer's own programs ask: made, shown once, revoked."""

import hashlib
import secrets
from collections.abc import Iterable, Mapping, Sequence
from datetime import datetime, timedelta
from typing import Final, NamedTuple

from sqlalchemy import delete
from sqlalchemy.orm import Session

from orthocline.db.entries import one_at_a_time
from orthocline.db.share.models import TOKEN_NAME_LENGTH as TOKEN_NAME_LENGTH
from orthocline.db.share.models import ApiToken as ApiToken
from orthocline.db.share.queries import token_of_digest
from orthocline.db.share.queries import tokens_of as rows_of
from orthocline.services.account.access import Viewer, anyone, own_data
from orthocline.services.account.competition import mode_until
from orthocline.services.errors import InvalidError
from orthocline.services.text import short_text

SCOPES: Final[Mapping[str, str]] = {
    "reads": "solve putts",
    "greens": "see your greens and your clubs'",
    "putts": "see your log",
    "note": "note putts in your log",
}
"""What a token may be for, in words."""
PREFIX: Final = "oc_"
"""By this a token is known for one wherever it turns up."""
TOKEN_BYTES: Final = 32
MOST_TOKENS: Final = 20
USED: Final = timedelta(minutes=1)


class Program(NamedTuple):
    """A program that asks: for which golfer, by which token, what for."""

    viewer: Viewer
    token_id: int
    scopes: frozenset[str]


@own_data
def make_token(viewer: Viewer, session: Session, name: str, scopes: Iterable[str]) -> str:
    """Return a new token of the golfer's; kept of it is a digest alone.

    Raises
    ------
    InvalidError
        For a name that is missing or too long, no scope that there is, or one token too many.
    """
    said, chosen = short_text("name", name, TOKEN_NAME_LENGTH), [one for one in SCOPES if one in set(scopes)]
    if not said:
        raise InvalidError("name", "Name what it is for: “my launch monitor”.")
    if not chosen:
        raise InvalidError("scopes", "Choose what it may do: one thing at least.")
    one_at_a_time(session, viewer.owner_id)
    if len(rows_of(session, viewer.owner_id)) >= MOST_TOKENS:
        raise InvalidError("name", f"{MOST_TOKENS} tokens are kept at most: revoke one.")
    token = PREFIX + secrets.token_urlsafe(TOKEN_BYTES)
    session.add(ApiToken(golfer_id=viewer.owner_id, name=said, digest=_digest(token), scopes=chosen))
    session.flush()
    return token


@own_data
def tokens_of(viewer: Viewer, session: Session) -> Sequence[ApiToken]:
    """Return the golfer's tokens, the oldest first."""
    return rows_of(session, viewer.owner_id)


@own_data
def revoke_token(viewer: Viewer, session: Session, token_id: int) -> None:
    """Revoke a token of the golfer's; one that is gone already is gone."""
    own = ApiToken.id == token_id, ApiToken.golfer_id == viewer.owner_id
    session.execute(delete(ApiToken).where(*own))


@anyone
def program_of(session: Session, token: str, now: datetime) -> Program | None:
    """Return the program that shows a token; None for one that nobody made, or that was revoked."""
    row = token_of_digest(session, _digest(token)) if token.startswith(PREFIX) else None
    if row is None:
        return None
    if row.used_at is None or now - row.used_at > USED:
        row.used_at = now
    viewer = Viewer(row.golfer, mode_until(row.golfer.competition_until, now))
    return Program(viewer, row.id, frozenset(row.scopes))


def _digest(token: str) -> bytes:
    """Return the digest of a token: it is long and drawn by chance, so that no salt and no work is needed."""
    return hashlib.sha256(token.encode()).digest()
