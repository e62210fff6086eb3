"""Numbers in an address or a form."""

from flask import request

LARGEST = 2**63 - 1
"""No row has a larger number."""
MOST_DIGITS = 18
"""So many digits always make one that a row may have."""


def number_asked(name: str) -> int | None:
    """Return a number of the address or the form; None where there is none, or anything else."""
    text = request.values.get(name, "")
    return int(text) if text.isascii() and text.isdecimal() and len(text) <= MOST_DIGITS else None
