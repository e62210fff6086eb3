"""A golfer's greens and their charts: listed, made, edited, undone and done again."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from uuid import UUID

from pydantic import ValidationError
from sqlalchemy.orm import Session

from orthocline.core.chart import NARROWEST_M, WIDEST_M, Chart, ChartError, Known, surveyed
from orthocline.core.ground import Sense
from orthocline.core.relief import Outline, oval
from orthocline.core.survey import GrainArea, Scan, SurveyReading
from orthocline.db.entries import count_of, one_at_a_time, row_of
from orthocline.db.ground.models import CHANGE_LENGTH, Course, Green, GreenChart
from orthocline.db.ground.models import CHARACTER_LENGTH as CHARACTER_LENGTH
from orthocline.db.ground.models import NOTE_LENGTH as NOTE_LENGTH
from orthocline.db.ground.queries import (
    add_chart,
    add_scan,
    charted_greens,
    charts_near,
    edits_since,
    green_named,
    kept_course,
    kept_green,
    scan_document,
    scan_key,
)
from orthocline.formats.chart_document import chart_document, chart_of
from orthocline.formats.scan_part import ScanPart, scan_members
from orthocline.services.account.access import NOT_SHARED, Grant, Share, Viewer, open_play
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.ground.places import COURSE_LENGTH, GREEN_LENGTH, Place
from orthocline.services.share.looking import clubs_seen, looking_at_one
from orthocline.services.text import short_text

MOST_GREENS = 300
UNDO_STEPS = 40
"""So many edits of a chart can be undone."""
ROOM = "The map of a green"
CHARTS_KEPT = 24
"""Grounds of so many charts are held in memory, for whoever asks next."""


@dataclass(frozen=True)
class ChartedGreen:
    """A green with its chart.

    Attributes
    ----------
    scanned : bool
        Whether its ground was measured densely; a list of greens has no scans themselves.
    undoes, redoes : str
        What would be undone or done again; empty for nothing.
    note : str
        The golfer's own words on it.
    mark : str
        Tells its chart from that of any other edit.
    of : Grant or None
        By what it is seen, where it is not the viewer's own.
    """

    id: int
    place: Place
    character: str
    chart: Chart
    scanned: bool = False
    undoes: str = ""
    redoes: str = ""
    note: str = ""
    mark: str = ""
    of: Grant | None = None

    @property
    def kept(self) -> bool:
        """Whether the viewer may change it."""
        return self.of is None or self.of.keeper


@dataclass(frozen=True)
class Edit:
    """A chart after an edit, the edit in words, and what is chosen on a page after it (None: as before)."""

    chart: Chart
    words: str
    chosen: str | None = None


@open_play(ROOM)
def list_greens(viewer: Viewer, session: Session) -> tuple[ChartedGreen, ...]:
    """Return the greens of the golfer, or the club, that is looked at, course by course."""
    return _listed(charted_greens(session, viewer.seen_id(Share.GREENS)), viewer.of)


@open_play(ROOM)
def greens_at_hand(viewer: Viewer, session: Session) -> tuple[ChartedGreen, ...]:
    """Return a golfer's own greens, and of their clubs' those that they have not charted by that name."""
    found = list_greens(viewer, session)
    for who in clubs_seen(viewer, session, Share.GREENS):
        rows = charted_greens(session, who.seen_id(Share.GREENS), unless_of=viewer.owner_id)
        found += _listed(rows, who.of)
    return found


def _listed(
    rows: Sequence[tuple[Course, Green, GreenChart | None]], of: Grant | None
) -> tuple[ChartedGreen, ...]:
    return tuple(
        ChartedGreen(
            green.id,
            Place(course.name, green.name),
            green.character,
            chart_of(chart.chart) if chart else Chart(),
            bool(chart and chart.scan_id),
            note=green.note,
            of=of,
        )
        for course, green, chart in rows
    )


@open_play(ROOM)
def find_green(viewer: Viewer, session: Session, green_id: int) -> ChartedGreen:
    """Return a green with its chart, of the viewer's own or shared; raises NotFoundError for another."""
    green, who = _seen(viewer, session, green_id)
    near = charts_near(session, green)
    before, after = near.get(green.chart_number - 1), near.get(green.chart_number + 1)
    course = session.get_one(Course, green.course_id)
    held = near.get(green.chart_number)
    return ChartedGreen(
        green.id,
        Place(course.name, green.name),
        green.character,
        _chart(session, held),
        bool(held and held.scan_id),
        held.change if held and before and who.keeps else "",
        after.change if after and who.keeps else "",
        green.note,
        str(held.key) if held else "",
        who.of,
    )


@open_play(ROOM)
def green_to_change(viewer: Viewer, session: Session, green_id: int) -> ChartedGreen:
    """Return a green with its chart that the viewer may change; raises NotFoundError for another."""
    held = find_green(viewer, session, green_id)
    if not held.kept:
        raise NotFoundError(NOT_SHARED)
    return held


@open_play(ROOM)
def new_green(
    viewer: Viewer, session: Session, place: Place, *, deep_m: float, wide_m: float, character: str = ""
) -> int:
    """Chart a green by its size alone, and return its number; one of that name has this outline then.

    Raises
    ------
    InvalidError
        For a name that is missing or too long, or a size that no green has.
    """
    for field, size in (("deep", deep_m), ("wide", wide_m)):
        if not NARROWEST_M <= size <= WIDEST_M:
            raise InvalidError(field, f"A green is between {NARROWEST_M:g} and {WIDEST_M:g} metres across.")
    green = _named(viewer, session, place)
    if not green.chart_number:
        _keep(session, green, Chart(oval(deep_m, wide_m).corners), "the green charted")
    if character:
        green.character = short_text("character", character, CHARACTER_LENGTH)
    return green.id


@open_play(ROOM)
def keep_chart(
    viewer: Viewer, session: Session, where: int | Place, chart: Chart, change: str, key: UUID | None = None
) -> int:
    """Let a chart hold for a green, by its number or its name, and return its number; undo has what was.

    Raises
    ------
    InvalidError
        For a name that is missing or too long.
    NotFoundError
        For a number that is not theirs.
    """
    green = _kept(viewer, session, where) if isinstance(where, int) else _named(viewer, session, where)
    if not key or all(one.key != key for one in charts_near(session, green).values()):
        _keep(session, green, chart, change, key)
    return green.id


@open_play(ROOM)
def describe_green(
    viewer: Viewer, session: Session, green_id: int, *, name: str, character: str, note: str
) -> None:
    """Change a green's name, sentence and note; raises as `new_green` does, and for the name of another."""
    green, told = _kept(viewer, session, green_id), short_text("green", name, GREEN_LENGTH)
    if not told:
        raise InvalidError("green", "Name the green.")
    other = green_named(session, green.course_id, told)
    if other is not None and other.id != green.id:
        raise InvalidError("green", "Another green of this course has that name.")
    green.name, green.character = told, short_text("character", character, CHARACTER_LENGTH)
    green.note = short_text("note", note, NOTE_LENGTH)


@open_play(ROOM)
def edit_chart(
    viewer: Viewer,
    session: Session,
    green_id: int,
    edit: Callable[[Chart], Edit | None],
    key: UUID | None = None,
) -> Edit | None:
    """Keep what an edit makes of the chart that holds, if it makes any, and return it.

    The same `key` again is the same edit: nothing is made. Nobody else changes the chart meanwhile.

    Raises
    ------
    InvalidError
        For an edit that makes no chart, and as the edit itself raises it.
    """
    green = _kept(viewer, session, green_id)
    near = charts_near(session, green)
    held = near.get(green.chart_number)
    charted = _chart(session, held)
    if key and any(one.key == key for one in near.values()):
        return Edit(charted, "")
    try:
        edited = edit(charted)
        if edited is None:
            return None
        # Whatever is no chart is refused as it would be read.
        chart_of(chart_document(replace(edited.chart, scan=None)))
    except ChartError as error:
        raise InvalidError("chart", str(error)) from error
    except ValidationError as error:
        raise InvalidError("chart", "That is outside what a chart holds.") from error
    same = held.scan_id if held and edited.chart.scan is charted.scan else None
    _keep(session, green, edited.chart, edited.words, key, scan_id=same)
    return edited


@open_play(ROOM)
def undo_edit(viewer: Viewer, session: Session, green_id: int) -> None:
    """Let the chart before the last edit hold again, if there is one."""
    _step(viewer, session, green_id, -1)


@open_play(ROOM)
def redo_edit(viewer: Viewer, session: Session, green_id: int) -> None:
    """Let the chart hold that was undone last, if there is one."""
    _step(viewer, session, green_id, 1)


@open_play(ROOM)
def edited_since(viewer: Viewer, session: Session, green_id: int, mark: str) -> Sequence[UUID] | None:
    """Return the keys of the edits since a chart of that mark; None where it holds no more.

    Raises
    ------
    NotFoundError
        Where the green is not theirs.
    """
    return edits_since(session, _seen(viewer, session, green_id)[0], mark)


@open_play(ROOM)
def known_of(_viewer: Viewer, chart: Chart, own: dict[str, Sense]) -> Known | None:
    """Return what a chart makes known of its ground; None without an outline or readings."""
    if chart.outline is None or not chart.has_ground:
        return None
    return _known(surveyed(chart.readings, own), chart.outline, chart.grain, chart.scan)


@lru_cache(CHARTS_KEPT)
def _known(
    readings: tuple[SurveyReading, ...], outline: Outline, grain: tuple[GrainArea, ...], scan: Scan | None
) -> Known:
    return Known(readings, outline, grain, scan)


def _chart(session: Session, held: GreenChart | None) -> Chart:
    """Return a chart as it is kept, with its scan, which is held in memory: no edit changes one."""
    if held is None:
        return Chart()
    chart = chart_of(held.chart)
    if held.scan_id is None:
        return chart
    return replace(chart, scan=_scan(session, held.scan_id))


_SCANS: dict[UUID, Scan] = {}


def _scan(session: Session, scan_id: int) -> Scan:
    key = scan_key(session, scan_id)
    held = _SCANS.get(key)
    if held is None:
        held = ScanPart.model_validate(scan_document(session, scan_id)).scan
        while len(_SCANS) >= CHARTS_KEPT:
            _SCANS.pop(next(iter(_SCANS)), None)
        _SCANS[key] = held
    return held


def _step(viewer: Viewer, session: Session, green_id: int, way: int) -> None:
    green = _kept(viewer, session, green_id)
    if green.chart_number + way in charts_near(session, green):
        green.chart_number += way


def require_names(course: str, green: str) -> tuple[str, str]:
    """Return the names of a course and a green as they are kept; raises InvalidError for one that is none."""
    fields = (("course", course, COURSE_LENGTH), ("green", green, GREEN_LENGTH))
    told = [short_text(field, name, most) for field, name, most in fields]
    for (field, _, _), name in zip(fields, told, strict=True):
        if not name:
            raise InvalidError(field, f"Name the {field}.")
    return told[0], told[1]


def _named(viewer: Viewer, session: Session, place: Place) -> Green:
    """Return the green of that name, new if there is none; raises InvalidError for a name that is none."""
    course, green = require_names(place.course, place.green)
    owner_id = viewer.kept_id(Share.GREENS)
    one_at_a_time(session, owner_id)
    if count_of(session, Green, owner_id) >= MOST_GREENS:
        raise InvalidError("green", f"{MOST_GREENS} greens are kept at most.")
    return kept_green(session, kept_course(session, owner_id, course), green)


def _seen(viewer: Viewer, session: Session, green_id: int) -> tuple[Green, Viewer]:
    """Return a green that a viewer may look at, and the viewer as who looks at it."""
    green = row_of(session, Green, green_id)
    if green is None:
        raise NotFoundError(NOT_SHARED)
    who = looking_at_one(viewer, session, green.golfer_id, Share.GREENS, green_id)
    _ = who.seen_id(Share.GREENS, green_id)
    return green, who


def _kept(viewer: Viewer, session: Session, green_id: int) -> Green:
    """Return a green that a viewer may change, as it is once nobody else changes it."""
    _, who = _seen(viewer, session, green_id)
    one_at_a_time(session, who.kept_id(Share.GREENS))
    return _seen(viewer, session, green_id)[0]


def _keep(
    session: Session,
    green: Green,
    chart: Chart,
    change: str,
    key: UUID | None = None,
    *,
    scan_id: int | None = None,
) -> None:
    """Keep a chart as the one that holds, its scan beside it unless that is kept already."""
    if chart.scan and scan_id is None:
        scan_id = add_scan(session, green, scan_members(chart.scan))
    document = chart_document(replace(chart, scan=None))
    kept = GreenChart(key=key, chart=document, change=change[:CHANGE_LENGTH], scan_id=scan_id)
    add_chart(session, green, kept, UNDO_STEPS)
