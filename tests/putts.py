"""Putts for tests: the independently solved references, and short ways to ask for one."""

import json
import math
from dataclasses import replace
from pathlib import Path
from typing import Any

import numpy as np

from orthocline.core.ground import Plane, plane_from_grade
from orthocline.core.roll import (
    NO_GRAIN,
    STILL_AIR,
    Aim,
    Grain,
    Launch,
    OwnRoll,
    Point,
    Putt,
    RollPast,
    SpeedAtHole,
    Wind,
    roll_of,
)
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.formats.putt_document import putt_of

DATA = Path(__file__).parent / "data"
REFERENCES: list[dict[str, Any]] = json.loads((DATA / "reference-putts.json").read_text())
PLANES = [entry for entry in REFERENCES if entry["putt"]["surface"]["kind"] == "plane"]
FORMULAS = [entry for entry in REFERENCES if entry["putt"]["surface"]["kind"] == "formula"]
MILLIMETRE = 0.001
MILLISECOND = 0.001
HEIGHTS: dict[str, Any] = {
    "sliding_tilt": lambda x, y, p: p["grade"] * x + y * (p["t0"] + (p["t1"] - p["t0"]) * x / p["L"]),
    "double_break": lambda x, y, p: p["grade"] * x + y * p["A"] * np.cos(np.pi * x / p["L"]),
    "tier": lambda x, y, p: (
        p["h"] / 2 * (1 + np.tanh((x * np.cos(p["q"]) + y * np.sin(p["q"]) - p["m"]) / p["w"]))
        + p["tilt"] * y
    ),
    "quadric": lambda x, y, p: p["cx"] / 2 * (x - p["x0"]) ** 2 + p["cy"] / 2 * (y - p["y0"]) ** 2,
}


def named(entries: list[dict[str, Any]]) -> list[str]:
    return [f"{entry['about']}-{i}".replace(" ", "-") for i, entry in enumerate(entries)]


def reference_putt(document: dict[str, Any]) -> Putt:
    """Return the putt of a reference entry; a formula's ground is level here and given apart."""
    surface, pace = document["surface"], document["pace"]
    grain, wind = document.get("grain"), document.get("wind")
    plane = Plane(surface.get("tilt_percent", 0.0) / 100, math.radians(surface.get("downhill_deg", 0.0)))
    return Putt(
        Point(*document["ball_m"]),
        Point(*document["hole_m"]),
        plane,
        document["green_speed_ft"],
        RollPast(pace["past_m"]) if "past_m" in pace else SpeedAtHole(pace["speed_at_hole_mps"]),
        Grain(grain["strength"], math.radians(grain["toward_deg"])) if grain else NO_GRAIN,
        Wind(wind["speed_mps"], math.radians(wind["toward_deg"])) if wind else STILL_AIR,
    )


def plane_putt(
    length_ft: float = 10.0,
    *,
    side_right: float = 0.0,
    grade: float = 0.0,
    speed_ft: float = 10.0,
    past_in: float = 12.0,
    **more: Any,
) -> Putt:
    """Return a putt along +x: `side_right` and `grade` are slope ratios."""
    return Putt(
        Point(0.0, 0.0),
        Point(length_ft * FOOT_M, 0.0),
        more.pop("surface", plane_from_grade(grade, side_right, 0.0)),
        speed_ft,
        more.pop("pace", RollPast(past_in * INCH_M)),
        **more,
    )


def elsewhere(putt: Putt, turned_rad: float) -> Putt:
    """Return the same putt along +x on a plane with its ball at (5, -3), all of it turned so far."""
    length = putt.length_m
    return replace(
        putt,
        ball=Point(5.0, -3.0),
        hole=Point(5.0 + length * math.cos(turned_rad), -3.0 + length * math.sin(turned_rad)),
        surface=Plane(putt.mean_plane.tilt, putt.mean_plane.downhill_rad + turned_rad),
    )


def own_roll(putt: Putt, aim: Aim, aim_right_m: float) -> OwnRoll:
    """Return the roll of an aim at the solved pace."""
    return roll_of(putt, aim, Launch(math.atan2(aim_right_m, putt.length_m), aim.launch.speed_mps))


def by_rolls(putt: Putt) -> Putt:
    """Return the same putt in a breath that moves nothing: it is solved by rolls, not by the closed form."""
    return replace(putt, wind=Wind(1e-9, 0.0))


def grid_document(entry: dict[str, Any], spacing: float = 0.25, margin: float = 2.0) -> dict[str, Any]:
    """Return the putt of a formula as a document, with its heights sampled on a grid."""
    putt, surface = entry["putt"], entry["putt"]["surface"]
    length = putt["hole_m"][0]
    x = np.arange(-margin, length + margin + spacing, spacing)
    y = np.arange(-3.0 * margin, 3.0 * margin + spacing, spacing)
    heights = HEIGHTS[surface["name"]](x[None, :], y[:, None], {**surface["parameters"], "L": length})
    grid = {"kind": "grid", "origin_m": [x[0], y[0]], "spacing_m": spacing, "heights_m": heights.tolist()}
    return {**putt, "surface": grid}


def on_grid(entry: dict[str, Any]) -> Putt:
    """Return the putt of a formula, with its heights sampled on a grid of a quarter of a metre."""
    return putt_of(grid_document(entry))
