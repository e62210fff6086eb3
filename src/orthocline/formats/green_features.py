"""The things of a green between its chart and its files: edge, pins, readings and grain as features."""

import math
from collections.abc import Sequence
from dataclasses import replace
from typing import Any, Final

import numpy as np
from numpy.typing import NDArray
from pydantic import ValidationError

from orthocline.core.chart import MOST, Chart, Part, Site, way_on_chart
from orthocline.formats.chart_document import PIN_LENGTH, chart_document, chart_of
from orthocline.formats.green_files.source import Feature, FileError

SAME_M: Final = 0.05
"""What is read by one instrument so near to another place was read there, and came out and in again."""
STAFF: Final = "staff"
ARROW: Final = "arrow"
KINDS: Final[dict[str, Part]] = {"pin": "pins", "reading": "readings", "grain": "grain"}
"""Members of a chart's document by the kinds of features."""


def chart_in(features: Sequence[Feature]) -> Chart | None:
    """Return the chart that a file holds whole, if it does; raises FileError for one that is none."""
    whole = next((one for one in features if one.kind == "chart"), None)
    return _checked(whole.members) if whole else None


def edge_of(features: Sequence[Feature]) -> list[tuple[float, float]]:
    """Return the corners of the edge in a file [m], the longest if there are more."""
    edges = [one.places for one in features if one.kind == "outline"]
    longest = max(edges, key=_round, default=[])
    return [(place[0], place[1]) for place in longest]


def _round(places: list[list[float]]) -> float:
    return float(np.hypot(*np.diff(np.array([*places, places[0]]), axis=0).T).sum()) if places else 0.0


def level_of(heights: NDArray[np.float64], features: Sequence[Feature]) -> float:
    """Return what heights may be counted from [m]: the middle one, of points or else of readings."""
    told = heights.tolist() or [one.members["height"] for one in features if "height" in one.members]
    return float(np.median(told)) if told else 0.0


def with_features(chart: Chart, features: Sequence[Feature]) -> Chart:
    """Return a chart with the pins, readings and grain of a file; raises FileError for one that is none."""
    assert chart.site is not None, "what is laid out has a site"
    document: dict[str, Any] = chart_document(replace(chart, scan=None))
    for one in features:
        if one.kind in KINDS:
            held = document[KINDS[one.kind]]
            told = _on_chart(one, chart.site, len(document["pins"]))
            if not any(_same(told, other) for other in held):
                held.append(told)
    for part in KINDS.values():
        if len(document[part]) > MOST[part]:
            raise FileError(f"A chart holds {MOST[part]} {part} at most; with this file it had more.")
    return replace(_checked(document), scan=chart.scan)


def _same(one: dict[str, Any], other: dict[str, Any]) -> bool:
    """Return whether two members of a chart are one: pins by their name, others by instrument and place."""
    if "name" in one:
        return bool(one["name"].lower() == other["name"].lower())
    apart = math.dist(one["at_m"], other["at_m"])
    return apart < SAME_M and one.get("by") == other.get("by")


def _on_chart(one: Feature, site: Site, pins: int) -> dict[str, Any]:
    """Return a feature as a member of the chart's document."""
    places = site.onto_chart(np.array([place[:2] for place in one.places]))
    told = dict(one.members)
    at: dict[str, Any] = {"at_m": places[0].tolist()}
    if one.kind == "pin":
        name = told["name"].strip()[:PIN_LENGTH] or f"pin {pins + 1}"
        return at | {"name": name, "retired": told.get("retired", False)}
    way = told.pop("grows_toward_deg" if one.kind == "grain" else "falls_toward_deg", None)
    if len(places) > 1:
        across, up = (places[1] - places[0]).tolist()
        toward = math.degrees(math.atan2(up, across))
    else:
        toward = way_on_chart(float(way or 0.0), site)
    if one.kind == "grain":
        named = {name: told[name] for name in ("radius_m", "strength", "within_deg") if name in told}
        return at | {"toward_deg": toward, "within_share": told.get("within", 1.0)} | named
    height = told.pop("height", None)
    by = told.pop("by", STAFF if height is not None else ARROW)
    if by == STAFF:
        return at | {"by": by, "height_m": (height or 0.0) - site.height_m} | _of(told, "within")
    return at | {"by": by, "falls_toward_deg": toward} | _of(told, "percent", "within")


def _of(told: dict[str, Any], *names: str) -> dict[str, Any]:
    return {name: told[name] for name in names if told.get(name) is not None}


def _checked(document: dict[str, Any]) -> Chart:
    try:
        return chart_of(document)
    except (ValidationError, ValueError) as error:
        raise FileError(_fault(error)) from error


def _fault(error: ValueError) -> str:
    """Return what is wrong with a chart: which member, and why."""
    if not isinstance(error, ValidationError):
        return f"This is no chart of a green: {error}."
    fault = error.errors(include_url=False, include_input=False)[0]
    place = " ".join(str(part + 1) if isinstance(part, int) else part for part in fault["loc"])
    words = fault["msg"][0].lower() + fault["msg"][1:]
    return f"This is no chart of a green: {place[:80]}: {words[:120]}."


def features_of(chart: Chart, site: Site) -> list[Feature]:
    """Return the things of a chart as features, places in metres of its site, ways clockwise from north."""
    document = chart_document(replace(chart, scan=None))

    def places(*at: Sequence[float]) -> list[list[float]]:
        moved: list[list[float]] = site.off_chart(np.array(at, dtype=float)).tolist()
        return moved

    features = [Feature("outline", places(*document["outline_m"]))] if document["outline_m"] else []
    for pin in document["pins"]:
        features.append(Feature("pin", places(pin["at_m"]), {k: v for k, v in pin.items() if k != "at_m"}))
    for reading in document["readings"]:
        features.append(Feature("reading", places(reading.pop("at_m")), _turned(reading, site)))
    for area in document["grain"]:
        at = places(area.pop("at_m"))
        told = {
            "grows_toward_deg": way_on_chart(area.pop("toward_deg"), site) % 360.0,
            "within": area.pop("within_share"),
        }
        features.append(Feature("grain", at, area | told))
    return features


def _turned(reading: dict[str, Any], site: Site) -> dict[str, Any]:
    """Return the members of a reading, its way clockwise from north and its height over the same nought."""
    told = dict(reading)
    if "falls_toward_deg" in told:
        told["falls_toward_deg"] = round(way_on_chart(told["falls_toward_deg"], site) % 360.0, 4)
    if "height_m" in told:
        told["height_m"] = round(told["height_m"] + site.height_m, 4)
    return told
