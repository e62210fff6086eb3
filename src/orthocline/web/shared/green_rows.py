"""Greens as they are listed, course by course, wherever they are."""

from collections.abc import Sequence
from typing import NamedTuple

from flask import url_for

from orthocline.drawing.ground.small_map import small_map
from orthocline.drawing.scene import Scene
from orthocline.services.ground.charts import ChartedGreen
from orthocline.wording.wording import Wording


class GreenRow(NamedTuple):
    """A green in the list."""

    name: str
    character: str
    said: str
    address: str
    map: Scene | None


class CourseRow(NamedTuple):
    """A course with its greens."""

    name: str
    greens: list[GreenRow]


def course_rows(greens: Sequence[ChartedGreen], wording: Wording) -> list[CourseRow]:
    """Return the courses, each with its greens, in the order in which they came."""
    courses: dict[str, list[GreenRow]] = {}
    for one in greens:
        courses.setdefault(one.place.course, []).append(_row(one, wording))
    return [CourseRow(name, rows) for name, rows in courses.items()]


def _row(one: ChartedGreen, wording: Wording) -> GreenRow:
    address = url_for("greens.green", green_id=one.id)
    return GreenRow(
        one.place.green,
        one.character,
        _said(one, wording),
        address,
        small_map(one.chart, f"{one.place.green} from above"),
    )


def _said(one: ChartedGreen, wording: Wording) -> str:
    """Return what is charted of a green: ``20 paces deep, 28 readings, 4 pins``."""
    if one.chart.outline is None:
        return "not charted"
    (_, low), (_, top) = one.chart.outline.box
    in_use = sum(not pin.retired for pin in one.chart.pins)
    told = [f"{round((top - low) / wording.calibration.pace_m)} paces deep"]
    if one.scanned:
        told.append("scanned")
    for count, name in ((len(one.chart.readings), "reading"), (in_use, "pin")):
        told.append(f"{count or 'no'} {name}{'' if count == 1 else 's'}")
    return ", ".join(told)
