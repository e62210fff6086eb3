"""Numbers in an address or a form: none is larger than a row's can be."""

from typing import Final

from flask import request
from werkzeug.routing import IntegerConverter, Map
from wtforms import IntegerField

LARGEST: Final = 2**63 - 1
"""No row has a larger number."""
MOST_DIGITS: Final = 18
"""So many digits always make one that a row may have."""


class RowNumber(IntegerConverter):
    """The number of a row in an address; with a larger one there is nothing."""

    def __init__(self, map: Map) -> None:
        super().__init__(map, max=LARGEST)


class WholeField(IntegerField):
    """A whole number, as a form brings it; one of more digits than any has is none."""

    def process_formdata(self, valuelist: list[str]) -> None:
        """Take it, or say that it is none."""
        super().process_formdata([one if len(one.strip()) <= MOST_DIGITS else "" for one in valuelist])


def number_asked(name: str) -> int | None:
    """Return a number of the address or the form; None where there is none, or anything else."""
    text = request.values.get(name, "")
    return int(text) if text.isascii() and text.isdecimal() and len(text) <= MOST_DIGITS else None
