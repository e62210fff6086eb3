"""A green's map in words: places as they are said and typed, its shape, water, pins, where to read."""

import math
import re
from collections.abc import Mapping, Sequence
from typing import Final

import numpy as np

from orthocline.core.chart import PinGround
from orthocline.core.relief import Feature, Kind, Outline, Water
from orthocline.core.sure import Fall
from orthocline.core.survey import NextPlace, Scan
from orthocline.wording.figures import speed_text, tidy
from orthocline.wording.quantities import QuantityError, parse_degrees, parse_length_m
from orthocline.wording.wording import Wording

Place = tuple[float, float]
TOOL_WORDS: Final[Mapping[str, tuple[str, str]]] = {
    "look": ("Look", "Tap the map: how it falls there, and where water goes."),
    "putt": ("Putt", "Drag ball and hole, or tap where the ball lies."),
    "slope": ("Slope", "Press where you stand and drag the way it falls: the longer, the steeper."),
    "height": ("Height", "Tap a place, then type how high it lies over any mark of yours."),
    "pin": ("Pins", "Tap where the hole is cut; drag a pin to move it."),
    "edge": ("Edge", "Drag the corners; tap beside the edge for one more."),
    "grain": ("Grain", "Press in the middle of a part and drag the way its grass grows."),
}
"""Each tool, and what to do with it."""
FORM_WORDS: Final[Mapping[str, str]] = {
    "look": "A place",
    "putt": "The putt",
    "slope": "Slope of a place",
    "height": "Height of a place",
    "pin": "A new pin",
    "edge": "The edge",
    "grain": "Grain of a part",
}
"""What the form of each is for."""
SPOT_ALLOWED = "a place such as 12 on, 3 right; 12 on, 4 from left; or 14 paces 20 deg left"
STEP: Final = re.compile(r"(.+?)\s*\b(on|left|right|from left|from right)$")
BORNE: Final = re.compile(r"(.+?)[\s,]+(\d+(?:[.,]\d+)?)\s*(?:deg|°|degrees)\s*(left|right)?")
MIDDLE_SHARE: Final = 1.0 / 3.0
WAYS: Final = (
    *("the back", "the back right", "the right", "the front right"),
    *("the front", "the front left", "the left", "the back left"),
)
"""Ways on a map by eighths of a turn, clockwise from up."""
FEATURE_WORDS: Final = {
    Kind.CROWN: "a crown",
    Kind.HOLLOW: "a hollow",
    Kind.SADDLE: "a saddle",
    Kind.RIDGE: "a ridge",
    Kind.VALLEY: "a swale",
    Kind.TIER: "a step",
    Kind.FRONT: "a false front",
}
LEADING: Final = (Kind.FRONT, Kind.TIER, Kind.RIDGE, Kind.VALLEY, Kind.HOLLOW, Kind.CROWN, Kind.SADDLE)
MOST_NAMED: Final = 3
MOST_ODD: Final = 5
ONE_SLOPE: Final = 0.006
"""Ground whose slope strays so little [ratio] from its mean is one plane."""
LEVEL: Final = 0.002
FARTHEST_LISTED_M: Final = 1000.0
HEIGHTS_ALLOWED: Final = "must have three figures in metres a line: to the right, in from the front, height"
LEAST_LEGS: Final = 3
FASTEST_FT: Final = 20.0


def parse_spot(text: str, outline: Outline, wording: Wording) -> Place:
    """Return a place on a map [m], as it is said from the middle of the front edge.

    ``12 on, 3 right`` are paces in from the front edge and to the right of its middle; ``4 from left`` is
    measured from that side at the same depth; ``14 paces 20 deg left`` is a bearing from straight in.

    Raises
    ------
    QuantityError
        For anything else.
    """
    said = text.strip().lower()
    if not said:
        raise QuantityError(f"is not there yet: {SPOT_ALLOWED}")
    borne = BORNE.fullmatch(said)
    if borne:
        away = parse_length_m(borne[1], "paces", wording)
        turn = math.radians(parse_degrees(borne[2])) * (-1.0 if borne[3] == "left" else 1.0)
        return outline.front[0] + away * math.sin(turn), outline.front[1] + away * math.cos(turn)
    return _stepped(said, outline, wording)


def _stepped(said: str, outline: Outline, wording: Wording) -> Place:
    steps: dict[str, float] = {}
    for part in filter(None, (one.strip() for one in said.split(","))):
        step = STEP.fullmatch(part)
        if not step:
            raise QuantityError(f"cannot be read; allowed is {SPOT_ALLOWED}")
        steps[step[2]] = parse_length_m(step[1], "paces", wording)
    y = outline.front[1] + steps.pop("on", 0.0)
    x = outline.front[0] + steps.pop("right", 0.0) - steps.pop("left", 0.0)
    for side, way in (("from left", 1.0), ("from right", -1.0)):
        if side in steps:
            x = _edge(outline, y, way) + way * steps[side]
    return x, y


def _edge(outline: Outline, y: float, way: float) -> float:
    """Return where the outline lies at a depth [m], on its left (way 1) or right."""
    ends = np.concatenate([outline.curve, outline.curve[:1]])
    crossed = np.nonzero((ends[:-1, 1] < y) != (ends[1:, 1] < y))[0]
    if not crossed.size:
        raise QuantityError("lies off the green: there is no side to measure from")
    shares = (y - ends[crossed, 1]) / (ends[crossed + 1, 1] - ends[crossed, 1])
    x = ends[crossed, 0] + shares * (ends[crossed + 1, 0] - ends[crossed, 0])
    return float(x.min() if way > 0.0 else x.max())


def spot_text(at: Place, outline: Outline, wording: Wording) -> str:
    """Return a place as it would be typed: ``12.3 paces on, 3.1 paces right``."""
    right, on = at[0] - outline.front[0], at[1] - outline.front[1]
    deep, aside = (tidy(abs(one) / wording.calibration.pace_m) for one in (on, right))
    sign = "-" if on < 0.0 and deep != "0" else ""
    side = "" if aside == "0" else f", {aside} {'left' if right < 0.0 else 'right'}"
    return f"{sign}{deep} on{side}"


def paces_words(at: Place, outline: Outline, wording: Wording) -> str:
    """Return a place as a caddie says it: ``12 paces on, 3 right``."""
    right, on = at[0] - outline.front[0], at[1] - outline.front[1]
    deep, aside = (round(abs(one) / wording.calibration.pace_m) for one in (on, right))
    return f"{deep} {'pace' if deep == 1 else 'paces'} {'short' if on < 0.0 and deep else 'on'}" + (
        f", {aside} {'left' if right < 0.0 else 'right'}" if aside else ", in the middle"
    )


def region_words(at: Place, outline: Outline) -> str:
    """Return whereabouts on a green a place lies: ``front left``, ``the middle``."""
    (left, low), (right, top) = outline.box
    across, deep = (at[0] - left) / (right - left), (at[1] - low) / (top - low)
    up = "front" if deep < MIDDLE_SHARE else "back" if deep > 1.0 - MIDDLE_SHARE else ""
    side = "left" if across < MIDDLE_SHARE else "right" if across > 1.0 - MIDDLE_SHARE else ""
    return " ".join(filter(None, (up, side))) or "the middle"


def scan_words(scan: Scan, wording: Wording) -> str:
    """Return what is known of a scan: ``Scanned every 10 in, slopes within 0.2 %.``"""
    sure = wording.slope(2.0 * scan.field.slope_sd)
    hidden = 1.0 - float(scan.seen.mean())
    holes = f" {round(100.0 * hidden)} % of its rectangle was not seen." if hidden >= 0.005 else ""
    return f"Scanned every {wording.short(scan.grid.spacing_m)}, slopes within {sure}.{holes}"


def way_words(toward_rad: float) -> str:
    """Return a way on a map, clockwise from up: ``the front left``."""
    eighth = round(toward_rad / (0.25 * math.pi)) % len(WAYS)
    return WAYS[eighth]


def shape_words(
    named: Sequence[Feature], mean: Fall, spread: float, outline: Outline, wording: Wording
) -> str:
    """Return what a green is like: its main places, or that it is one slope.

    Parameters
    ----------
    mean : Fall
        How it falls on the mean.
    spread : float
        How its slope strays from that [ratio].
    """
    ordered = sorted(named, key=lambda one: (LEADING.index(one.kind), -len(one.along)))[:MOST_NAMED]
    if ordered:
        told = [f"{FEATURE_WORDS[one.kind]} {_where(one, outline)}" for one in ordered]
        return _sentence(", ".join(dict.fromkeys(told)))
    if mean.tilt < LEVEL and spread < ONE_SLOPE:
        return "As good as level."
    way = f"toward {way_words(mean.toward_rad)}"
    size = wording.slope(mean.tilt)
    return f"One slope, {size} {way}." if spread < ONE_SLOPE else f"Falls {way}, {size} on the mean."


def _where(one: Feature, outline: Outline) -> str:
    region = region_words(one.at_m, outline)
    if one.kind is Kind.FRONT:
        return ""
    if one.along:
        (x0, y0), (x1, y1) = one.along[0], one.along[-1]
        lie = "across" if abs(x1 - x0) > abs(y1 - y0) else "through"
        if region in ("left", "right"):
            return f"on the {region}"
        return region if " " in region.removeprefix("the ") else f"{lie} the {region.removeprefix('the ')}"
    return f"in {region}" if region.startswith("the ") else region


def _sentence(told: str) -> str:
    tidied = " ".join(told.replace(" ,", ",").split())
    return f"{tidied[:1].upper()}{tidied[1:]}."


def fall_words(fall: Fall, height_m: float, wording: Wording) -> str:
    """Return the slope of a place: how steep, which way, how sure, and its height over the front."""
    least, most = (wording.slope(one) for one in (fall.tilt_range.least, fall.tilt_range.most))
    level = f"{'up' if height_m >= 0.0 else 'down'} {wording.short(height_m)} from the front"
    if fall.tilt < LEVEL and fall.tilt_range.most < 4.0 * LEVEL:
        return f"Level here, {level}."
    known = "" if fall.within_rad > 0.5 * math.pi else f" toward {way_words(fall.toward_rad)}"
    return f"Falls {wording.slope(fall.tilt)}{known}, {least} to {most}; {level}."


def water_words(water: Water, outline: Outline) -> str:
    """Return where poured water goes."""
    where = region_words(water.end, outline)
    if water.leaves:
        return f"Water from here leaves {where}."
    return f"Water from here stays {'in ' if where.startswith('the ') else ''}{where}: it ponds there."


def next_words(at: Place, found: NextPlace, outline: Outline, wording: Wording) -> str:
    """Return where to read next, and what that gives."""
    before, after = (wording.slope(2.0 * one) for one in (found.before, found.after))
    gain = f" Slopes are then sure within {after}, not {before}." if after != before else ""
    return f"Read next {region_words(at, outline)}: {paces_words(at, outline, wording)}.{gain}"


def odd_words(numbers: Sequence[int]) -> str:
    """Return which readings disagree with what lies round them; empty for none."""
    if not numbers:
        return ""
    told = ", ".join(map(str, numbers[:MOST_ODD]))
    many = len(numbers) > 1
    return (
        f"Reading{'s' if many else ''} {told} disagree{'' if many else 's'} with what lies round"
        f" {'them' if many else 'it'}: read again, or take {'them' if many else 'it'} away."
    )


def holds_words(ground: PinGround, speed_ft: float, holding: float) -> str:
    """Return whether a pin holds a ball at a speed, of which the steepest holding slope [ratio] is known."""
    upto = ground.fastest_ft
    most = f"up to {speed_text(upto)}"
    if ground.steepest < holding:
        doubt = " Not sure yet." if ground.fall.tilt_range.most > holding else ""
        also = f"and {most}" if upto < FASTEST_FT else "and on the fastest greens too"
        return f"Holds a ball at {speed_text(speed_ft)}, {also}.{doubt}"
    return f"Does not hold a ball at {speed_text(speed_ft)}: only {most}."


def parse_map_way(text: str) -> float:
    """Return a way on a map [rad], counter-clockwise from its right: ``front left``, or ``200`` deg.

    Raises
    ------
    QuantityError
        For anything else.
    """
    said = " ".join(text.lower().removeprefix("toward").replace("the ", " ").split())
    names = [way.removeprefix("the ") for way in WAYS]
    if said in names:
        clockwise = 0.25 * math.pi * names.index(said)
    else:
        try:
            clockwise = math.radians(parse_degrees(said))
        except QuantityError as error:
            raise QuantityError(
                "must be a way such as front left, or degrees clockwise from the back"
            ) from error
    return math.remainder(0.5 * math.pi - clockwise, 2.0 * math.pi)


def map_way_text(toward_rad: float) -> str:
    """Return a way on a map as it would be typed."""
    clockwise = math.degrees(0.5 * math.pi - toward_rad) % 360.0
    eighth = round(clockwise / 45.0)
    if abs(clockwise - 45.0 * eighth) < 0.5:
        return WAYS[eighth % len(WAYS)].removeprefix("the ")
    return f"{clockwise:.0f} deg"


def parse_heights(text: str) -> list[tuple[float, float, float]]:
    """Return a list of heights [m]: ``3.2 11.5 0.24`` a line, to the right, in from the front, and up.

    Raises
    ------
    QuantityError
        For anything else; it names the line.
    """
    found = []
    for number, line in enumerate(text.splitlines(), start=1):
        figures = line.replace(",", " ").replace(";", " ").split()
        if not figures:
            continue
        try:
            x, y, z = (float(one) for one in figures)
        except ValueError as error:
            raise QuantityError(f"{HEIGHTS_ALLOWED}; line {number} has not") from error
        if not all(math.isfinite(one) and abs(one) < FARTHEST_LISTED_M for one in (x, y, z)):
            raise QuantityError(f"{HEIGHTS_ALLOWED}; line {number} lies too far off")
        found.append((x, y, z))
    if not found:
        raise QuantityError(HEIGHTS_ALLOWED)
    return found


def parse_legs(text: str, wording: Wording) -> list[tuple[float, float]]:
    """Return the legs of a walk round a green: ``5 paces 90, 4 paces 60``, each a length and a bearing [rad].

    Raises
    ------
    QuantityError
        For anything else, or fewer than three.
    """
    legs = []
    for part in filter(None, (one.strip().lower() for one in text.split(","))):
        length, _, bearing = part.removesuffix("deg").removesuffix("°").strip().rpartition(" ")
        legs.append((parse_length_m(length, "paces", wording), math.radians(parse_degrees(bearing))))
    if any(length <= 0.0 for length, _ in legs):
        raise QuantityError("has a leg without a length")
    if len(legs) < LEAST_LEGS:
        raise QuantityError("must be three legs or more, such as 5 paces 90, 4 paces 60, 6 paces 330")
    return legs
