"""What is printed: its fields, and on how many sheets."""

from typing import Final

from wtforms import Form
from wtforms.fields.choices import SelectChoice

from orthocline.formats.paper import Size, laid

PAPER_CHOICES: Final = [
    SelectChoice("a4", "A4"),
    SelectChoice("letter", "Letter"),
    SelectChoice("each", "a page each"),
]


def typed_fields_of(form: Form) -> tuple[tuple[str, str], ...]:
    """Return the fields of a form as they stand in an address: of a list each choice."""
    return tuple(
        (name, str(value))
        for name, field in form._fields.items()
        for value in (field.data if isinstance(field.data, list) else [field.data])
        if value
    )


def sheets_words(pages: int, what: str, size: Size, paper: str) -> str:
    """Return on how many sheets pages are printed: ``8 cards on 1 sheet``."""
    count = -(-pages // len(laid(size, paper).places))
    return f"{pages} {what}{'' if pages == 1 else 's'} on {count} {'sheet' if count == 1 else 'sheets'}"
