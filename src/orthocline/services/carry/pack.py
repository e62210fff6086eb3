"""Today taken along: for the greens of a course a table of reads for each pin, solved by a job."""

import json
import math
from collections.abc import Generator, Iterator
from dataclasses import asdict
from datetime import UTC, datetime
from typing import Any, Final

import numpy as np
from sqlalchemy.orm import Session

from orthocline.core.cards import Conditions
from orthocline.core.chart import Chart, Known
from orthocline.core.constants import MODEL_VERSION
from orthocline.core.pack import Table, exactness_of, pin_table, plane_table
from orthocline.core.roll import Point, Putt, PuttError, aims
from orthocline.db.jobs.queries import newest_job
from orthocline.drawing.carry.card import card_face
from orthocline.drawing.ground.green_map import Shown, green_map
from orthocline.drawing.svg import svg
from orthocline.formats.pack_document import VERSION, table_document
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.account.measures import (
    Measures,
    golfer_figures,
    own_measures,
    own_senses,
    wording_of,
)
from orthocline.services.carry.cards import faces, usual_cards
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.ground.charts import ChartedGreen, find_green, greens_at_hand, known_of
from orthocline.services.jobs.task import Made, Task
from orthocline.wording.carry.pack import exact_words
from orthocline.wording.read.call import past_words
from orthocline.wording.wording import Wording

KIND: Final = "pack"
MAP: Final = "sheet-large block w-full"
"""How maps stand in a page."""
ROOM: Final = "Taking today along"
READS: Final = 2000
"""So many reads anywhere are compared with the solver."""
SHORTEST_M: Final = 0.6
TRIES: Final = 40
"""Places that are tried for each read that is compared."""
Pin = tuple[Known, tuple[float, float], Table]


@open_play(ROOM)
def pack_task(viewer: Viewer, session: Session, course: str, green_speed_ft: float, past_m: float) -> Task:
    """Return what is asked of a job that solves a pack.

    Raises
    ------
    InvalidError
        For a course without a charted green that has a pin.
    """
    greens = [one.id for one in greens_at_hand(viewer, session) if one.place.course == course and _takes(one)]
    if not greens:
        raise InvalidError("course", "Nothing to solve there: chart a green of it, and set a pin on it.")
    asked = {"course": course, "greens": greens, "green_speed_ft": green_speed_ft, "past_m": past_m}
    return Task(asked)


@open_play(ROOM)
def pack_size(_viewer: Viewer, _session: Session, task: Task) -> int:
    """Return in how many steps a pack is solved: its greens, and the comparison."""
    return len(task.asked["greens"]) + 1


@open_play(ROOM)
def packed(viewer: Viewer, session: Session, task: Task) -> Generator[Made]:
    """Yield the pack of a day, green by green; at its end stands how exact it is."""
    asked, own = task.asked, own_measures(viewer, session)
    conditions = Conditions(asked["green_speed_ft"], asked["past_m"])
    wording, now = wording_of(own, viewer.owner.time_zone), datetime.now(UTC)
    head = {
        "version": VERSION,
        "model": MODEL_VERSION,
        "golfer": viewer.owner_id,
        "made_at": now.isoformat(),
        "course": asked["course"],
        "green_speed_ft": conditions.green_speed_ft,
        "past_m": conditions.past_m,
        "pace": past_words(conditions.past_m, wording),
        "units": {"metric": wording.units.metric, "degrees": wording.units.degrees},
        "planes": table_document(plane_table(conditions)),
        "cards": _cards(viewer, conditions, own, wording, wording.calendar.day(now)),
    }
    yield Made(f'{_text(head)[:-1]},"greens":['.encode(), 0)
    pins: list[Pin] = []
    for count, number in enumerate(asked["greens"], start=1):
        green = find_green(viewer, session, number)
        known = known_of(viewer, green.chart, own_senses(own))
        if known is None:
            continue
        told, solved = _green(green, known, conditions, wording)
        comma = "," if pins else ""
        pins += solved
        yield Made(f"{comma}{_text(told)}".encode(), count)
    if not pins:
        raise NotFoundError("Nothing of it is charted any more.")
    exact = asdict(exactness_of(_pairs(pins, conditions, np.random.default_rng(len(pins)))))
    exact["words"] = exact_words(**exact, wording=wording)
    yield Made(f'],"exactness":{_text(exact)}}}'.encode(), len(asked["greens"]) + 1)


@open_play(ROOM)
def newest_pack(viewer: Viewer, session: Session) -> int | None:
    """Return the number of the job that made a golfer's newest pack; None where none is kept."""
    return newest_job(session, viewer.owner_id, KIND, "done")


def _takes(green: ChartedGreen) -> bool:
    """Return whether a green has ground and a pin in use."""
    chart = green.chart
    has_ground = chart.outline is not None and (chart.readings or green.scanned)
    return bool(has_ground) and any(not pin.retired for pin in chart.pins)


def _cards(
    viewer: Viewer, conditions: Conditions, own: Measures | None, wording: Wording, day: str
) -> list[dict[str, str]]:
    """Return the usual cards of a day as a pack has them: titles with drawings."""
    asked = usual_cards((conditions.green_speed_ft,), conditions.past_m, metric=wording.units.metric)
    made = faces(viewer, asked, golfer_figures(own), wording, day)
    return [{"title": face.title, "svg": svg(card_face(face), "card")} for face in made]


def _green(
    green: ChartedGreen, known: Known, conditions: Conditions, wording: Wording
) -> tuple[dict[str, Any], list[Pin]]:
    """Return a green as a pack has it, and its pins with their tables."""
    pins = [one for one in green.chart.pins if not one.retired]
    solved = [(known, one.at_m, pin_table(known.survey, known.outline, one.at_m, conditions)) for one in pins]
    chart, says = Chart(green.chart.corners, pins=tuple(pins)), f"The map of {green.place.green}"
    drawn = green_map(chart, known, known.outline, wording, says, Shown(named=False)).scene
    told = [
        {"name": one.name, "at_m": list(one.at_m), "table": table_document(table)}
        for one, (_, _, table) in zip(pins, solved, strict=True)
    ]
    whole = {"id": green.id, "mark": green.mark, "name": green.place.green, "map": svg(drawn, MAP)}
    return whole | {"pins": told}, solved


def _pairs(
    pins: list[Pin], conditions: Conditions, rng: np.random.Generator
) -> Iterator[tuple[float | None, float]]:
    """Yield aims of putts from anywhere to any pin, as the pack has them and as the solver has them [m]."""
    left = TRIES * READS
    count = 0
    while count < READS and left:
        left -= 1
        known, hole, table = pins[int(rng.integers(len(pins)))]
        ball = rng.uniform(*known.outline.box)
        far = math.dist(ball, hole)
        if far < SHORTEST_M or not known.outline.holds(ball[None])[0]:
            continue
        try:
            first = aims(Putt(Point(*ball.tolist()), Point(*hole), known.survey, *conditions.asked))[0]
        except PuttError:
            continue
        true = first.spot_right_m(far)
        if true is None:
            continue
        found = table.at(math.sqrt(far), math.atan2(ball[1] - hole[1], ball[0] - hole[0]))
        count += 1
        yield None if found is None else far * math.tan(float(found[0])), true


def _text(told: object) -> str:
    return json.dumps(told, separators=(",", ":"))
