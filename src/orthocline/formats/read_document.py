"""The read as JSON: what comes out for a putt document, and what of it is enough to have it again."""

import math
from collections.abc import Sequence
from dataclasses import replace
from typing import Annotated, Any

import numpy as np
from pydantic import BaseModel, ConfigDict, Field

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER
from orthocline.core.constants import MODEL_VERSION
from orthocline.core.estimate import Span
from orthocline.core.holing import Outlook
from orthocline.core.roll import Aim, Launch, Putt, Read, Window, roller
from orthocline.core.sure import AimRange, NextReading, Sureness

LONGEST_WAY = 3.0
"""A ball's way to the hole is no longer than so many times the straight one."""
PATH_COLUMN = 4
Angle = Annotated[float, Field(ge=-360.0, le=360.0)]
Ends = Annotated[list[float], Field(min_length=2, max_length=2)]


class KeptRead(BaseModel):
    """What must be in the document of a read that was kept, for it to be had again; there may be more."""

    model_config = ConfigDict(extra="allow", strict=True, allow_inf_nan=False)

    aim_right_m: float | None
    launch_angle_right_deg: Angle
    launch_speed_mps: Annotated[float, Field(gt=0.0, le=30.0)]
    speed_at_hole_mps: Annotated[float, Field(ge=0.0, le=30.0)]
    time_to_hole_s: Annotated[float, Field(ge=0.0, le=120.0)]
    entry_angle_right_deg: Angle
    past_m: Annotated[float, Field(ge=0.0, le=100.0)]
    asked_pace_met: bool
    aim_range_right_m: Ends | None = None


class Warned(BaseModel):
    """What is odd about a read."""

    code: str
    message: str


class ReadDocument(KeptRead):
    """A read as it is answered; there is more in it, as the putt document's page says."""

    version: Annotated[int, Field(ge=1, le=1)]
    model: str
    warnings: list[Warned]
    path: list[list[float]]


def read_document(
    read: Read, messages: Sequence[str], sure: Sureness | None = None, outlook: Outlook | None = None
) -> dict[str, Any]:
    """Return a read as JSON data: the members of the putt document's chapter on the read.

    Parameters
    ----------
    messages : sequence of str
        The sentences of the read's warnings, in their order.
    sure : Sureness, optional
        How far the read can be trusted; left out where its figures are taken as they are.
    outlook : Outlook, optional
        How often its golfer holes it; left out where nobody was said to putt.
    """
    window = read.make_window
    return {
        "version": 1,
        "model": MODEL_VERSION,
        **_aim(read),
        "warnings": [
            {"code": code.value, "message": message}
            for code, message in zip(read.warnings, messages, strict=True)
        ],
        "other_lines": [_line(read, number, one) for number, one in read.other_lines],
        "entry_clock_hours": read.entry_clock_hours,
        "entry_window_hours": [hour % 12.0 for hour in read.entry_window_hours or ()] or None,
        **_calls(read),
        **(_range(sure.range, sure.next_readings) if sure and sure.range else {}),
        **(_outlook(outlook) if outlook else {}),
        "make_window": {
            "launch_angle_right_deg": _window(window.right_rad, math.degrees(1.0)),
            "launch_speed_mps": _window(window.speed_mps, 1.0),
        }
        if window
        else None,
        "path": read.path.tolist(),
        "path_past": read.path_past.tolist(),
    }


def aim_document(read: Read, sure: Sureness | None = None) -> dict[str, Any]:
    """Return the aim and pace of a read alone, as JSON data, with the range of the aim where that is said."""
    span = {"aim_range_right_m": _ends(sure.range.aim_right_m)} if sure and sure.range else {}
    return _aim(read) | span


def _aim(read: Read) -> dict[str, Any]:
    aim = read.aim
    return {
        "aim_right_m": read.aim_right_m,
        "launch_angle_right_deg": math.degrees(read.launch_right_rad),
        "launch_speed_mps": read.launch_speed_mps,
        "speed_at_hole_mps": aim.speed_at_hole_mps,
        "time_to_hole_s": aim.time_to_hole_s,
        "entry_angle_right_deg": math.degrees(aim.entry_right_rad),
        "past_m": aim.past_m,
        "asked_pace_met": aim.pace_met,
    }


def summary_document(read: Read, messages: Sequence[str], sure: Sureness | None = None) -> dict[str, Any]:
    """Return a read as JSON data without its paths, which follow again from the putt and the model."""
    whole = read_document(read, messages, sure)
    return {name: value for name, value in whole.items() if name not in ("path", "path_past")}


def aim_of(document: dict[str, Any], putt: Putt) -> Aim:
    """Return the aim that a read's document holds; the length of the way comes from rolling it once."""
    launch = Launch(math.radians(document["launch_angle_right_deg"]), document["launch_speed_mps"])
    solved = Aim(
        launch,
        document["time_to_hole_s"],
        document["speed_at_hole_mps"],
        math.radians(document["entry_angle_right_deg"]),
        document["past_m"],
        LONGEST_WAY * putt.length_m,
        document["asked_pace_met"],
    )
    at_hole = roller(putt, solved)(launch).at_times(np.array([solved.time_to_hole_s]))
    return replace(solved, path_m=float(at_hole[0, PATH_COLUMN]))


def _calls(read: Read) -> dict[str, Any]:
    """Return what each school adds to the document."""
    members: dict[str, Any] = {}
    for school in SCHOOLS.values():
        members |= school.members(school.value(read, USUAL_GOLFER))
    return members


def _range(found: AimRange, readings: Sequence[NextReading]) -> dict[str, Any]:
    """Return between which the figures lie (95 %), and what would narrow that, the best first."""
    return {
        "aim_range_right_m": _ends(found.aim_right_m),
        "launch_speed_range_mps": _ends(found.speed_mps),
        "measure_next": [_reading(one) for one in readings],
    }


def _reading(one: NextReading) -> dict[str, Any]:
    reads = {} if one.across is None else {"reads": "side" if one.across else "grade"}
    place = {} if one.at_m is None else {"along_m": one.at_m}
    left = {"narrower_percent": 100.0 * one.cut, "aim_range_right_m": _ends(one.leaves.aim_right_m)}
    return {"by": one.by, **reads, **place, **left}


def _ends(span: Span | None) -> list[float] | None:
    return [span.least, span.most] if span else None


def _line(read: Read, number: int, aim: Aim) -> dict[str, Any]:
    """Return another line at the same pace, with the number that a putt document asks for it by."""
    return {
        "line": number,
        "aim_right_m": aim.spot_right_m(read.putt.length_m),
        "launch_angle_right_deg": math.degrees(aim.launch.right_rad),
        "launch_speed_mps": aim.launch.speed_mps,
        "speed_at_hole_mps": aim.speed_at_hole_mps,
        "time_to_hole_s": aim.time_to_hole_s,
    }


def _outlook(outlook: Outlook) -> dict[str, Any]:
    chances, advice = outlook.chances, outlook.advice
    return {
        "holed_share": chances.holed,
        "three_putt_share": chances.three_putts,
        "expected_putts": chances.putts,
        "best_past_m": advice.best_m if advice else None,
        "best_expected_putts": advice.best_putts if advice else None,
    }


def _window(window: Window, scale: float) -> dict[str, float]:
    return {"least": window.least * scale, "most": window.most * scale}
