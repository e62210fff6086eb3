"""A green book: what is asked of it, and its pages."""

import json
from collections.abc import Mapping
from dataclasses import asdict, dataclass, replace
from typing import Any, Final

from sqlalchemy.orm import Session

from orthocline.core.cards import BookSize
from orthocline.core.constants import MODEL_VERSION
from orthocline.drawing.carry.book import BookGreen, BookLook, book_page
from orthocline.drawing.scene import Scene
from orthocline.drawing.svg import svg_file
from orthocline.formats.chart_document import chart_document
from orthocline.formats.paper import Size
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.account.measures import own_measures, own_senses, wording_of
from orthocline.services.carry.pages import Page, Pages
from orthocline.services.ground.charts import ChartedGreen, find_green, known_of

ROOM: Final = "Making a green book"
MOST_PAGES: Final = 36


@dataclass(frozen=True)
class BookAsked:
    """What is asked of a book.

    Attributes
    ----------
    greens : tuple of int
        The numbers of its greens, a page each.
    size : BookSize
        How large its maps and pages are.
    shows : str
        ``arrows`` or ``contours``.
    hand : bool
        Whether only what the golfer entered by hand is drawn.
    pins, notes : bool
        Whether pins and notes are there.
    paper : str
        On which it is printed.
    """

    greens: tuple[int, ...]
    size: BookSize
    shows: str = "arrows"
    hand: bool = False
    pins: bool = True
    notes: bool = True
    paper: str = "a4"

    @property
    def document(self) -> dict[str, Any]:
        """The same as open data."""
        return asdict(self)

    @classmethod
    def of(cls, document: Mapping[str, Any]) -> "BookAsked":
        """Return what is asked, from `document`."""
        told = {name: one for name, one in document.items() if name not in ("greens", "size")}
        return cls(tuple(document["greens"]), BookSize(**document["size"]), **told)

    def look(self, day: str) -> BookLook:
        """Return how its pages look, made on a day."""
        return BookLook(
            self.size,
            self.shows,
            self.hand,
            self.pins,
            self.notes,
            "Made {}.".format(day.replace(" ", "\u00a0")),
        )


@open_play(ROOM)
def book_page_of(viewer: Viewer, session: Session, asked: BookAsked, green_id: int, day: str) -> Scene:
    """Return the page of one green of a book; raises NotFoundError where it is not the golfer's."""
    own, held = own_measures(viewer, session), find_green(viewer, session, green_id)
    known = None if asked.hand else known_of(viewer, held.chart, own_senses(own))
    green = BookGreen(held.place.course, held.place.green, held.chart, known, held.note)
    return book_page(green, asked.look(day), wording_of(own))


@open_play(ROOM)
def book_title(viewer: Viewer, session: Session, asked: Mapping[str, Any]) -> str:
    """Return what a book is called: ``Green book, Ternholm Links``."""
    course = find_green(viewer, session, asked["greens"][0]).place.course
    return f"{'Hand-entered' if asked['hand'] else 'Green'} book, {course}"


@open_play(ROOM)
def book_inputs(viewer: Viewer, session: Session, asked: Mapping[str, Any]) -> list[str]:
    """Return what a book depends on besides what is asked: its charts and notes, the golfer, the model."""
    own = own_measures(viewer, session)
    greens = [_told(find_green(viewer, session, one)) for one in asked["greens"]]
    return [MODEL_VERSION, repr(own_senses(own)), repr(wording_of(own)), *greens]


@open_play(ROOM)
def book_pages(viewer: Viewer, session: Session, asked: Mapping[str, Any]) -> Pages:
    """Return the pages of a book."""
    wanted = BookAsked.of({name: one for name, one in asked.items() if name != "day"})
    pages = []
    for number in wanted.greens:
        name = find_green(viewer, session, number).place.green
        scene = book_page_of(viewer, session, wanted, number, asked["day"])
        pages.append(Page(name, svg_file(scene, printed=True)))
    size = Size(1000.0 * wanted.size.wide_m, 1000.0 * wanted.size.tall_m)
    return Pages(tuple(pages), size, wanted.paper)


def _told(green: ChartedGreen) -> str:
    """Return all that a page says of a green, as text."""
    scan = float(green.chart.scan.grid.heights_m.sum()) if green.chart.scan else None
    chart = chart_document(replace(green.chart, scan=None))
    return json.dumps([green.place.course, green.place.green, green.note, scan, chart], sort_keys=True)
