"""Numbers in an address."""

from flask import request

MOST_DIGITS = 18
"""No row has a longer number."""


def number_asked(name: str) -> int | None:
    """Return a number of the address; None where there is none, or anything else."""
    text = request.args.get(name, "")
    return int(text) if text.isascii() and text.isdecimal() and len(text) <= MOST_DIGITS else None
