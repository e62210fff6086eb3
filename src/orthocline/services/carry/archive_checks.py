"""What the documents in an archive's rows must be: whatever reads them later reads them here first."""

import re
from collections.abc import Callable, Mapping
from typing import Any, Final
from xml.etree import ElementTree

from pydantic import TypeAdapter

from orthocline.core.account import GOLFERS
from orthocline.core.calls import SCHOOLS
from orthocline.core.drills import LONGEST, TRAINS
from orthocline.core.roll import RANGES
from orthocline.core.speed import METHODS
from orthocline.formats.chart_document import chart_of
from orthocline.formats.putt_document import question_of
from orthocline.formats.read_document import KeptRead
from orthocline.formats.scan_part import ScanPart
from orthocline.formats.sheet import sheet_of
from orthocline.formats.study_part import StudyPart

Row = dict[str, Any]
DRAWN: Final = frozenset(
    ("svg", "g", "path", "line", "polyline", "polygon", "rect", "circle", "ellipse", "text", "tspan")
) | frozenset(("title", "desc", "defs", "clipPath", "pattern", "marker", "use", "style"))
"""What a drawing of this program is made of."""
REACHES_OUT: Final = re.compile(r"url\(\s*['\"]?(?!#)|@import|javascript:", re.IGNORECASE)
NAMESPACE: Final = "{http://www.w3.org/2000/svg}"
SLOTS: Final = TypeAdapter(list[dict[str, str | float]])
LENGTHS: Final = TypeAdapter(dict[str, float])
PAGES: Final = TypeAdapter(list[dict[str, str]])
FIGURES: Final = TypeAdapter(list[float])


def _putt(row: Row) -> None:
    if row["putt_document"] is not None:
        question_of(row["putt_document"])
    if row["read_document"] is not None:
        KeptRead.model_validate(row["read_document"])


def _speed(row: Row) -> None:
    if row["method"] not in METHODS:
        raise ValueError("method: there is no such way of measuring")
    if row["evidence"] is not None:
        sheet_of(row["evidence"])


def _measures(row: Row) -> None:
    if not set(row["calls"] or ()) <= set(SCHOOLS):
        raise ValueError("calls: there is no such call")


def _question(row: Row) -> None:
    if row["given"] is not None:
        FIGURES.validate_python(row["given"]["figures"])


def _plan(row: Row) -> None:
    for one in SLOTS.validate_python(row["slots"]):
        if set(one) != {"what", "minutes", "trains"} or not isinstance(one["minutes"], float | int):
            raise ValueError("slots: a part has what, minutes and trains")
        known = isinstance(one["what"], str) and one["trains"] in TRAINS
        if not known or not 0.0 < one["minutes"] <= LONGEST:
            raise ValueError("slots: there is no such part")


def _print(row: Row) -> None:
    for page in PAGES.validate_python(row["pages"]):
        if set(page) != {"title", "drawing"}:
            raise ValueError("pages: a page has a title and a drawing")
        require_drawing(page["drawing"])


def _study(row: Row) -> None:
    least, most = RANGES.green_speed_ft
    if row["level"] not in GOLFERS or not all(least <= one <= most for one in row["speeds_ft"]):
        raise ValueError("level, speeds_ft: there is no such study")
    if row["found"] is not None:
        part = StudyPart.model_validate(row["found"])
        if len(part.played) != len(row["speeds_ft"]):
            raise ValueError("found: not every speed is played")


def require_drawing(drawing: str) -> None:
    """Refuse what is no drawing of this program's: it will stand in a page as it is.

    Raises
    ------
    ValueError
        For what is no SVG, or holds anything that acts, or reaches out of the page.
    """
    if "<!" in drawing or "<?" in drawing or REACHES_OUT.search(drawing):
        raise ValueError("pages: a drawing holds what no drawing has")
    try:
        whole = ElementTree.fromstring(drawing)
    except ElementTree.ParseError as error:
        raise ValueError("pages: a drawing cannot be read") from error
    for one in whole.iter():
        name = one.tag.removeprefix(NAMESPACE)
        acts = [
            told for told in one.attrib if told.lower().startswith("on") or _leads_out(told, one.attrib[told])
        ]
        if name not in DRAWN or acts:
            raise ValueError("pages: a drawing holds what no drawing has")


def _leads_out(name: str, value: str) -> bool:
    return name.rpartition("}")[2].lower() == "href" and not value.startswith("#")


CHECKS: Final[Mapping[str, Callable[[Row], Any]]] = {
    "own_measures": _measures,
    "green_scans": lambda row: ScanPart.model_validate(row["scan"]).scan,
    "green_charts": lambda row: chart_of(row["chart"]),
    "green_studies": _study,
    "logged_putts": _putt,
    "speed_notes": _speed,
    "trained_questions": _question,
    "drill_runs": lambda row: LENGTHS.validate_python(row["own"]),
    "practice_plans": _plan,
    "coach_sessions": _plan,
    "prints": _print,
}
"""By table. What they raise says what is wrong."""
