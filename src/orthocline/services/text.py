"""Words as golfers type them."""

import unicodedata

from orthocline.services.errors import InvalidError


def tidy_text(value: str) -> str:
    """Return typed words on one line: single spaces, letters whole, nothing that the database cannot keep."""
    return " ".join(unicodedata.normalize("NFC", value.replace("\0", "")).split())


def short_text(field: str, value: str, most: int) -> str:
    """Return typed words on one line.

    Raises
    ------
    InvalidError
        When there are more than `most` characters.
    """
    tidy = tidy_text(value)
    if len(tidy) > most:
        raise InvalidError(field, f"At most {most} characters; these are {len(tidy)}.")
    return tidy
