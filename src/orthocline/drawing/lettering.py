"""The lettering of a sheet: its sizes, and how wide words are in the shipped type."""

import json
from importlib.resources import files

USUAL, LARGE = 17.0, 23.0
"""Sizes of the type, in units of the sheet; large type is bold."""
ON_PHONE, LARGE_ON_PHONE = 22.0, 28.0
"""The same on a sheet that is drawn small on a phone, and whose letters are larger there."""
REGULAR, BOLD = "400", "700"
WIDTHS: dict[str, dict[str, float]] = json.loads(
    files("orthocline.drawing").joinpath("letter_widths.json").read_text(encoding="utf-8")
)
"""Width [em] of each letter by weight, measured by scripts/letter_widths.py."""
ELSEWHERE = 1.0
"""Width [em] allowed for a letter that the shipped type has not, such as an arrow: another type draws it."""


def text_width(text: str, size: float = USUAL) -> float:
    """Return how wide a text is drawn, in the unit of `size`; large type is bold."""
    letters = WIDTHS[BOLD if size >= LARGE else REGULAR]
    return size * sum(letters.get(letter, ELSEWHERE) for letter in text)


def cut(text: str, width: float, size: float = USUAL) -> str:
    """Return a text that is no wider than so much, its end left out where it is."""
    if text_width(text, size) <= width:
        return text
    kept = text
    while kept and text_width(f"{kept}…", size) > width:
        kept = kept[:-1]
    return f"{kept.rstrip()}…"


def lines_of(text: str, width: float, size: float = USUAL) -> list[str]:
    """Return a text in lines no wider than so much, broken between words; a longer word is cut."""
    lines: list[str] = []
    for word in filter(None, text.split(" ")):
        longer = f"{lines[-1]} {word}" if lines else word
        if lines and text_width(longer, size) <= width:
            lines[-1] = longer
        else:
            lines.append(cut(word, width, size))
    return lines
