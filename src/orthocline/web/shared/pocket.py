"""What links put into a browser's cookie: keys to single things, and the challenge that is on.

The cookie is signed by the application, as the links were; each key counts until the link's end.
"""

from collections.abc import Mapping
from datetime import UTC, datetime
from typing import Any, Final

from flask import session as cookie
from itsdangerous import BadSignature, URLSafeSerializer

from orthocline.services.errors import NotFoundError
from orthocline.services.share.links import OVER, Link

CHALLENGE: Final = "challenge"
SALT: Final = "link"


def token_of(link: Link, secret: str) -> str:
    """Return a link as it stands in an address, signed."""
    told = {
        "k": link.kind,
        "a": link.address,
        "g": link.giver_id,
        "v": link.version,
        "e": int(link.ends_at.timestamp()),
        "n": link.green_id,
        "s": link.score,
    }
    return URLSafeSerializer(secret, SALT).dumps(told)


def link_of(token: str, secret: str) -> Link:
    """Return the link of an address; raises NotFoundError for one that was not signed here."""
    try:
        told = URLSafeSerializer(secret, SALT).loads(token)
        ends_at = datetime.fromtimestamp(told["e"], UTC)
        return Link(told["k"], told["a"], told["g"], told["v"], ends_at, told["n"], told["s"])
    except (BadSignature, KeyError, TypeError, ValueError, OverflowError, OSError) as error:
        raise NotFoundError(OVER) from error


def take_challenge(link: Link, name: str) -> None:
    """Remember who gave the challenge that is on, and what they scored."""
    cookie[CHALLENGE] = {"at": link.address, "by": name, "score": link.score}


def challenge_at(address: str) -> Mapping[str, Any] | None:
    """Return the challenge that is on, where it is the one of this address."""
    held = cookie.get(CHALLENGE)
    return held if isinstance(held, dict) and held.get("at") == address else None
