"""The start page's variables."""

from dataclasses import dataclass

from orthocline.core.api import Read
from orthocline.formats.putt_document import putt_of
from orthocline.services.call import Call, call
from orthocline.services.mode import Mode
from orthocline.services.reading import read_putt
from orthocline.services.today import Today
from orthocline.web.log.view import Row, row
from orthocline.web.read.asked import asked, values_of
from orthocline.web.read.drawing import Plan, plan
from orthocline.web.read.forms import SPINDRIFT


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
    """

    day: Today
    rows: tuple[Row, ...]
    title: str
    values: dict[str, str]
    plan: Plan | None
    words: Call | None


def view(day: Today, mode: Mode) -> TodayView:
    """Return the start page of a day: the golfer's last read drawn, or else the demo putt."""
    rows = tuple(row(putt) for putt in day.last)
    last = next((putt for putt in day.last if putt.putt_document), None)
    if last and last.putt_document:
        title = last.place or "Your last read"
        values = values_of(putt_of(last.putt_document), last.place)
    else:
        title, values = SPINDRIFT["place"], SPINDRIFT
    answer = _answer(values, mode)
    return TodayView(
        day,
        rows,
        title,
        values,
        plan(answer.putt, answer) if answer else None,
        call(answer) if answer else None,
    )


def _answer(values: dict[str, str], mode: Mode) -> Read | None:
    putt = asked(values).putt
    return read_putt(putt, mode) if putt and mode is Mode.PRACTICE else None
