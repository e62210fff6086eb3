"""One face of a pocket card: a table in large type, to be read at arm's length."""

from collections.abc import Iterator
from typing import Final

from orthocline.drawing.lettering import LARGE, text_width
from orthocline.drawing.scene import Item, Line, Scene, Sign, Spot, Words, spots_of
from orthocline.wording.carry.cards import MOST_ROWS, Face, FaceRow, Told

WIDTH: Final = 245.0
HEIGHT: Final = 364.0
INSET: Final = 6.0
TITLE, UNIT, HEADS, TABLE = 30.0, 51.0, 76.0, 84.0
"""Heights of the feet of the first lines, and where the table begins."""
ROW: Final = 38.5
FIGURE, BELOW = 20.5, 35.0
"""The feet of a cell's two lines, below the upper edge of its row."""
FOOT, PAST = 336.0, 355.0
GAP, APART = 4.0, 2.0


def card_face(face: Face, name: str = "") -> Scene:
    """Return a face as a drawing, black on white."""
    head = max(text_width(one) for one in (face.corner, *(row.head for row in face.rows)))
    first = INSET + head + GAP
    column = (WIDTH - INSET - first) / len(face.heads)
    middles = [first + column * (i + 0.5) for i in range(len(face.heads))]
    items: list[Item] = [
        _fitting(face.title, Spot(INSET, TITLE), WIDTH - 2.0 * INSET - GAP - text_width(face.speed, LARGE)),
        Words(face.speed, Spot(WIDTH - INSET, TITLE), anchor="end", large=True),
        *_ends(face.unit, face.made, UNIT),
        Words(face.corner, Spot(INSET, HEADS), Sign.QUIET),
        *(
            Words(head, Spot(middle, HEADS), Sign.QUIET, "middle", name="head")
            for head, middle in zip(face.heads, middles, strict=True)
        ),
    ]
    for i, row in enumerate(face.rows):
        items += _row(row, TABLE + ROW * i, middles, column)
    items += [
        _rule(TABLE + ROW * MOST_ROWS),
        *_ends(face.below, "", FOOT),
        *_ends(face.past, face.dashes or face.note, PAST),
    ]
    return Scene(name, WIDTH, HEIGHT, face.says, tuple(items))


def _row(row: FaceRow, top: float, middles: list[float], column: float) -> Iterator[Item]:
    yield _rule(top)
    yield Words(row.head, Spot(INSET, top + FIGURE), name="row")
    for told, middle in zip(row.cells, middles, strict=True):
        yield from _cell(told, Spot(middle, top), column)


def _cell(told: Told, at: Spot, column: float) -> Iterator[Item]:
    yield _fitting(told.figure, Spot(at.x, at.y + FIGURE), column - APART, "middle", "figure")
    if told.below:
        yield Words(told.below, Spot(at.x, at.y + BELOW), Sign.QUIET, "middle", name="below")


def _fitting(text: str, at: Spot, width: float, anchor: str = "start", name: str = "title") -> Item:
    """Return words in large type, or in the usual one where they are too wide for it."""
    return Words(text, at, anchor=anchor, large=text_width(text, LARGE) <= width, name=name)


def _ends(left: str, right: str, y: float) -> Iterator[Item]:
    """Yield words at both ends of a line."""
    yield Words(left, Spot(INSET, y), Sign.QUIET)
    if right:
        yield Words(right, Spot(WIDTH - INSET, y), Sign.QUIET, "end")


def _rule(y: float) -> Item:
    return Line(spots_of((INSET, y), (WIDTH - INSET, y)), Sign.EDGE, 1.0)
