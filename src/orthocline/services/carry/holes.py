"""The keeper's sheet of a study, as a print."""

from collections.abc import Mapping
from typing import Any, Final

from sqlalchemy.orm import Session

from orthocline.core.constants import MODEL_VERSION
from orthocline.core.study import FROM_EDGE_M, MOST_RANKED
from orthocline.drawing.carry.holes_sheet import SheetWords, holes_sheet
from orthocline.drawing.ground.holes_map import HolesShown
from orthocline.drawing.svg import svg_file
from orthocline.formats.paper import Size
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.account.measures import own_measures, own_senses, wording_of
from orthocline.services.carry.pages import Page, Pages
from orthocline.services.errors import DomainError
from orthocline.services.ground.studies import Studied, find_study
from orthocline.services.ground.studying import ROOM
from orthocline.wording.ground.holes import COLUMN_WORDS, foot_words, hole_line, lead_words

PAPER: Final = "a4"
PAGE: Final = Size(210.0, 297.0)


@open_play(ROOM)
def holes_title(viewer: Viewer, session: Session, asked: Mapping[str, Any]) -> str:
    """Return what a sheet is called: ``Holes of green 6, Breakwater``."""
    return f"Holes of {_study(viewer, session, asked).held.place.green}"


@open_play(ROOM)
def holes_inputs(viewer: Viewer, session: Session, asked: Mapping[str, Any]) -> list[str]:
    """Return what a sheet depends on besides what is asked: the green's chart, the golfer, the model."""
    found = _study(viewer, session, asked)
    return [MODEL_VERSION, found.held.mark, repr(wording_of(own_measures(viewer, session)))]


@open_play(ROOM)
def holes_pages(viewer: Viewer, session: Session, asked: Mapping[str, Any]) -> Pages:
    """Return the sheet, its map at the slowest speed; raises DomainError for a study that is not made."""
    found, wording = _study(viewer, session, asked), wording_of(own_measures(viewer, session))
    holes, known = found.holes, found.known
    if holes is None or known is None or found.made_at is None:
        raise DomainError("That study is not made yet.")
    ranked = holes.ranked(FROM_EDGE_M, MOST_RANKED)
    lines = [
        hole_line(f"{i}", one.place, holes, found.speeds_ft, FROM_EDGE_M, wording)
        for i, one in enumerate(ranked, start=1)
    ]
    said = SheetWords(
        f"{found.held.place.course}: {found.held.place.green}",
        lead_words(ranked, holes, found.speeds_ft, wording),
        COLUMN_WORDS,
        lines,
        foot_words(found.speeds_ft, found.level, f"Made {wording.calendar.day(found.made_at)}"),
    )
    shown = HolesShown("three", 0, ranked)
    scene = holes_sheet(found.held.chart, known, holes, shown, said, wording)
    return Pages((Page(found.held.place.green, svg_file(scene, printed=True)),), PAGE, PAPER)


def _study(viewer: Viewer, session: Session, asked: Mapping[str, Any]) -> Studied:
    return find_study(viewer, session, asked["study_id"], own_senses(own_measures(viewer, session)))
