"""The start page's variables."""

import math
from dataclasses import dataclass
from datetime import datetime

import segno
from markupsafe import Markup

from orthocline.core.roll import Putt
from orthocline.core.survey import Survey
from orthocline.drawing.roll.plan import plan
from orthocline.drawing.scene import Scene
from orthocline.formats.putt_document import question_of
from orthocline.services.account.access import Viewer
from orthocline.services.demo.golfer import SPINDRIFT as DEMO_PUTT
from orthocline.services.ground.places import place_of
from orthocline.services.log.entries import shown
from orthocline.services.read.reading import how_sure, read_again, read_putt
from orthocline.services.speed.book import DaySpeed
from orthocline.services.today import Today
from orthocline.web.shared.lies import lie_fields
from orthocline.web.shared.log_rows import Row, row
from orthocline.web.shared.read_address import demo_request
from orthocline.web.shared.read_request import request_of
from orthocline.wording.dates import Calendar
from orthocline.wording.figures import speed_text
from orthocline.wording.read.call import Call, call
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class TodayView:
    """What the start page shows.

    Attributes
    ----------
    title : str
        Which putt the drawing shows.
    values : dict
        The fields of its address.
    plan, words : Plan, Call or None
        None in Competition, where nothing is read.
    place : str
        By whose clock Competition ends.
    course : str
        Where the last putt was.
    phone : str
        The address at which a phone reaches this, empty where none can.
    """

    day: Today
    rows: tuple[Row, ...]
    title: str
    values: dict[str, str]
    plan: Scene | None
    words: Call | None
    speed: str = ""
    place: str = ""
    course: str = ""
    phone: str = ""

    @property
    def code(self) -> Markup:
        """That address as a code for a phone's camera: black on white, whatever the page's colours are."""
        made = segno.make(self.phone, error="m", micro=False)
        drawn = made.svg_inline(border=4, dark="#000", light="#fff", omitsize=True, svgclass="block w-full")
        return Markup(drawn)


def view(viewer: Viewer, day: Today, wording: Wording, now: datetime, phone: str = "") -> TodayView:
    """Return the start page of a day: the golfer's last read drawn, or else the demo putt."""
    rows = tuple(row(shown(viewer, putt), wording) for putt in day.last)
    last = next((putt for putt in day.last if putt.read_document), None)
    if last and last.putt_document:
        asked = question_of(last.putt_document)
        title = place_of(last).text or "Your last read"
        read = request_of(asked.putt, wording, place_of(last), asked.uncertainty)
        # What was read is asked for exactly; the demo putt is as round as it is shown.
        values = {**read.exact, **({} if viewer.in_competition else _lie(last.green_id, asked.putt))}
    else:
        title, read = DEMO_PUTT.place.text, demo_request(wording, now)
        values = read.shown
    scene = words = None
    if not viewer.in_competition:
        solved = read_again(viewer, last) if last else read_putt(viewer, read.putt)
        sure = how_sure(viewer, solved, read.uncertainty(now))
        words = call(solved, wording, sure=sure.range)
        scene = plan(solved.putt, solved, wording, says=words.sentence, sure=sure).scene
    speed = _speed(day.speed, wording.calendar, now) if day.speed else ""
    course = next((putt.course.name for putt in day.last if putt.course), "")
    return TodayView(day, rows, title, values, scene, words, speed, wording.calendar.place, course, phone)


def _lie(green_id: int | None, putt: Putt) -> dict[str, str]:
    """Return the fields of an address that put a logged putt on its green's map, where it was read there."""
    if green_id is None or not isinstance(putt.surface, Survey):
        return {}
    toward_rad = 0.5 * math.pi - putt.bearing_rad
    return lie_fields(green_id, (putt.hole.x_m, putt.hole.y_m), toward_rad)


def _speed(speed: DaySpeed, calendar: Calendar, now: datetime) -> str:
    return f"{speed_text(speed.speed_ft.value)}, {calendar.ago(speed.measured_at, now)}."
