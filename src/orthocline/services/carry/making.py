"""Prints made in the background: their pages, the same as pictures, and all of them as PDF."""

from collections.abc import Mapping
from datetime import UTC, datetime
from importlib import import_module
from typing import Final

from sqlalchemy.orm import Session

from orthocline.db.carry.models import Print
from orthocline.drawing.plain import TYPE
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.carry.book import book_inputs, book_pages, book_title
from orthocline.services.carry.cards import cards_inputs, cards_pages, cards_title
from orthocline.services.carry.holes import holes_inputs, holes_pages, holes_title
from orthocline.services.carry.pages import Maker
from orthocline.services.jobs.task import Task
from orthocline.services.undo import find_entry

MAKERS: Final[Mapping[str, Maker]] = {
    "cards": Maker(cards_title, cards_inputs, cards_pages),
    "book": Maker(book_title, book_inputs, book_pages),
    "holes": Maker(holes_title, holes_inputs, holes_pages),
}
"""The kinds of prints. One more is one more entry."""
MISSING: Final = "print of yours"
DOTS: Final = 2.0
"""Of a picture, in a unit of its drawing."""
WHITE: Final = "#ffffff"
PDF, PICTURES = "orthocline.formats.printed", "orthocline.formats.pictures"
"""Loaded only where a print is made: what they need is heavy."""


@open_play("Making cards and books")
def print_size(_viewer: Viewer, _session: Session, _task: Task) -> int:
    """Return in how many steps a print is made: it is there, or not."""
    return 1


@open_play("Making cards and books")
def make_print(viewer: Viewer, session: Session, task: Task) -> None:
    """Make the pages of a print that was asked for; raises NotFoundError for one that was deleted."""
    made = find_entry(viewer, session, Print, task.asked["print_id"], MISSING)
    laid = MAKERS[made.kind].pages(viewer, session, made.asked)
    drawings = [one.drawing for one in laid.pages]
    made.pages = [{"title": one.title, "drawing": one.drawing} for one in laid.pages]
    picture = import_module(PICTURES).png_of
    made.pictures = [picture(one, DOTS, WHITE) for one in drawings]
    made.document = import_module(PDF).pdf_of(drawings, laid.size, laid.paper, made.title, TYPE)
    made.made_at = datetime.now(UTC)
