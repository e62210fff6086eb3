"""The read as JSON: what comes out for a putt document."""

import math
from typing import Any

from orthocline.core.api import MODEL_VERSION, Mark, Read, Window


def read_document(read: Read) -> dict[str, Any]:
    """Return a read as JSON data: the members of the putt document's chapter on the read."""
    aim, window = read.aim, read.make_window
    return {
        "version": 1,
        "model": MODEL_VERSION,
        "aim_right_m": read.aim_right_m,
        "launch_angle_right_deg": math.degrees(read.launch_right_rad),
        "launch_speed_mps": read.launch_speed_mps,
        "speed_at_hole_mps": aim.speed_at_hole_mps,
        "time_to_hole_s": aim.time_to_hole_s,
        "entry_angle_right_deg": math.degrees(aim.entry_right_rad),
        "apex_right_m": read.apex_right_m,
        "apex_fraction": read.apex_fraction,
        "past_m": aim.past_m,
        "plays_like_m": read.level_twin.plays_like_m,
        "asked_pace_met": aim.pace_met,
        "warnings": [{"code": w.code, "message": w.message} for w in read.warnings],
        "entry_clock_hours": read.entry_clock_hours,
        "entry_window_hours": list(read.entry_window_hours) if read.entry_window_hours else None,
        "one_second_m": read.one_second_m,
        "curve_gate": _mark(read.curve_gate),
        "start_spot": _mark(read.start_spot),
        "level_twin": {
            "plays_like_m": read.level_twin.plays_like_m,
            "along_m": read.level_twin.along_m,
            "right_m": read.level_twin.right_m,
        },
        "make_window": {
            "launch_angle_right_deg": _window(window.right_rad, math.degrees(1.0)),
            "launch_speed_mps": _window(window.speed_mps, 1.0),
        }
        if window
        else None,
        "path": read.path.tolist(),
        "path_past": read.path_past.tolist(),
    }


def summary_document(read: Read) -> dict[str, Any]:
    """Return a read as JSON data without its paths, which follow again from the putt and the model."""
    whole = read_document(read)
    return {name: value for name, value in whole.items() if name not in ("path", "path_past")}


def _mark(mark: Mark) -> dict[str, Any]:
    return {
        "x_m": mark.place.x_m,
        "y_m": mark.place.y_m,
        "along_m": mark.along_m,
        "right_m": mark.right_m,
    }


def _window(window: Window, scale: float) -> dict[str, float]:
    return {"least": window.least * scale, "most": window.most * scale}
