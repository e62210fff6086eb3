"""Putts of a log as lines of a file."""

import math
from collections.abc import Iterator
from typing import Any

from sqlalchemy.orm import Session

from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.db.log.outings import outings_of
from orthocline.db.log.queries import all_putts
from orthocline.db.log.which import Which
from orthocline.formats.putt_line import iso
from orthocline.services.account.access import Viewer, own_data
from orthocline.services.log.putts import list_putts

SIDES = ("left", "on", "right")
BREAKS = ("left", "straight", "right")
READ = (
    *("green_speed_ft", "past_m", "read_aim_right_m", "aim_right_m", "corrected_by", "impression_right_m"),
    *("own_school", "own_figures", "putt", "start_right_deg"),
)
"""What is left out in Competition."""


@own_data
def putt_lines(viewer: Viewer, session: Session, which: Which) -> Iterator[dict[str, Any]]:
    """Yield the putts that are meant as flat lines, newest first; without reads in Competition."""
    outings = {one.id: one for one in outings_of(session, viewer.owner_id)}
    for putt in all_putts(session, viewer.owner_id, which):
        line = line_of(putt, outings.get(putt.outing_id or 0))
        if viewer.in_competition:
            line = {name: value for name, value in line.items() if name not in READ}
        yield line


@own_data
def line_page(viewer: Viewer, session: Session, before: str = "") -> tuple[list[dict[str, Any]], str]:
    """Return a page of the log as lines, newest first, and the mark of older ones; as `list_putts` raises."""
    page = list_putts(viewer, session, before=before)
    outings = {one.id: one for one in outings_of(session, viewer.owner_id)}
    hidden = READ if viewer.in_competition else ()
    lines = [line_of(putt, outings.get(putt.outing_id or 0)) for putt in page.putts]
    told = [
        {name: value for name, value in line.items() if value not in ("", None) and name not in hidden}
        for line in lines
    ]
    return told, page.older


def line_of(putt: LoggedPutt, outing: Outing | None) -> dict[str, Any]:
    """Return a putt as a flat line of a file; what is not known is None or empty."""
    course, green = putt.names
    return {
        "id": str(putt.key),
        "at": iso(putt.created_at),
        "outing": str(outing.key) if outing else "",
        "kind": outing.kind if outing else "",
        "outing_begun": iso(outing.begun_at) if outing else None,
        "round_holes": outing.holes if outing else None,
        "course": course,
        "green": green,
        "hole": putt.hole,
        "number": putt.number,
        "visit": str(putt.visit),
        "length_m": putt.length_m,
        "breaks": _side(BREAKS, putt.breaks_right),
        "green_speed_ft": putt.green_speed_ft,
        "past_m": putt.past_m,
        "read_aim_right_m": putt.read_aim_right_m,
        "aim_right_m": putt.own_aim_right_m,
        "corrected_by": putt.corrected_by,
        "impression_right_m": putt.impression_right_m,
        "method": putt.method or "",
        "device": putt.by_device,
        **_result(putt),
        "own_school": putt.own_school or "",
        "own_figures": putt.own_figures,
        "note": putt.note,
        "putt": putt.putt_document,
    }


def _result(putt: LoggedPutt) -> dict[str, Any]:
    gate, struck, start = putt.gate_touched, putt.struck_centre, putt.start_right_rad
    return {
        "holed": None if putt.finish_along_m is not None else putt.holed,
        "finish_along_m": putt.finish_along_m,
        "finish_right_m": putt.finish_across_m,
        "seen_start": _side(SIDES, putt.started_right),
        "seen_passed": _side(SIDES, putt.passed_right),
        "seen_gate": "" if gate is None else "touched" if gate else "clear",
        "seen_strike": "" if struck is None else "middle" if struck else "off",
        "start_right_deg": None if start is None else math.degrees(start),
        "after_read": putt.read_was_right,
        "after_line": putt.line_was_right,
        "after_pace": putt.pace_was_right,
        "after_committed": putt.committed,
    }


def _side(words: tuple[str, ...], right: int | None) -> str:
    return "" if right is None else words[right + 1]
