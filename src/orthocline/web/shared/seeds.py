"""The number of a hidden putt in an address."""

from collections.abc import Mapping

from orthocline.core.train import LARGEST_SEED

DIGITS = 10


def seed_in(arguments: Mapping[str, str]) -> int | None:
    """Return the number that an address has; None for none, and for what is no such number."""
    text = arguments.get("seed", "")
    known = text.isdecimal() and len(text) <= DIGITS and int(text) <= LARGEST_SEED
    return int(text) if known else None
