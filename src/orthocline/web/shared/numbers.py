"""Numbers in an address."""

from flask import request

LARGEST = 2**63 - 1
"""No row has a larger number."""
MOST_DIGITS = 18
"""So many digits always make one that a row may have."""


def number_asked(name: str) -> int | None:
    """Return a number of the address; None where there is none, or anything else."""
    text = request.args.get(name, "")
    return int(text) if text.isascii() and text.isdecimal() and len(text) <= MOST_DIGITS else None
