"""Codes that are said or typed by hand: drawn by chance, and kept as a digest alone."""

import hashlib
import secrets
from typing import Final

LETTERS: Final = "23456789ABCDEFGHJKMNPQRSTUVWXYZ"
"""None that is taken for another."""
GROUP_LENGTH: Final = 5


def new_code(groups: int = 2) -> str:
    """Return a code that nobody guesses, of so many groups of letters: ``7K4MQ-2XWHB``."""
    return "-".join("".join(secrets.choice(LETTERS) for _ in range(GROUP_LENGTH)) for _ in range(groups))


def digest_of(code: str) -> bytes:
    """Return the digest of a code, however it is typed."""
    letters = "".join(one for one in code.upper() if one.isalnum())
    return hashlib.sha256(letters.encode()).digest()
