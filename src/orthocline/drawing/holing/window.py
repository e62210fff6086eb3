"""The make window: start line across, pace upward; where a ball drops, and where this golfer's putts go."""

import math
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
import shapely
from numpy.typing import NDArray

from orthocline.core.holing import MakeField, Outlook, high_right_of
from orthocline.core.relief import Region
from orthocline.core.roll import Launch, OwnRoll
from orthocline.drawing.labels import Room, Wanted, ink_of, place_labels
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Item,
    Line,
    Scene,
    Sign,
    Spot,
    Spots,
    Strokes,
    Words,
    box,
    diamond,
    fewest,
    scale_strokes,
)
from orthocline.drawing.ticks import ticks
from orthocline.wording.holing.pace import PACE_WORDS

WIDTH, HEIGHT = 640.0, 460.0
LEFT, RIGHT, TOP, FOOT = 64.0, 624.0, 12.0, 400.0
TWO_IN_THREE = math.sqrt(2.0 * math.log(3.0))
"""So many standard deviations hold two putts in three, of two normal figures."""
RING = 73
SHADES = {"short": 0.10, "meets": 0.24}
MOST_TICKS = 7
LARGEST = 22.0
"""Size of the type on a phone, for which labels keep room."""


@dataclass(frozen=True)
class _Place:
    """The sheet's scales: from launch angle and speed to where they lie."""

    field: MakeField
    meant: Launch

    def spots(self, launches: NDArray[np.float64]) -> Spots:
        """Return where launches lie, held within the field."""
        right, speed = self.field.right_rad, self.field.speed_mps
        x = LEFT + (RIGHT - LEFT) * (launches[:, 0] - right.least) / right.width
        y = FOOT - (FOOT - TOP) * (launches[:, 1] - speed.least) / speed.width
        return np.column_stack([np.clip(x, LEFT, RIGHT), np.clip(y, TOP, FOOT)])

    def seen(self, launches: NDArray[np.float64]) -> Iterator[Spots]:
        """Yield the runs of a line through launches that lie within the field."""
        right, speed = self.field.right_rad, self.field.speed_mps
        inside = (launches[:, 0] >= right.least) & (launches[:, 0] <= right.most)
        inside &= (launches[:, 1] >= speed.least) & (launches[:, 1] <= speed.most)
        cuts = np.flatnonzero(np.diff(inside)) + 1
        for run, within in zip(np.split(launches, cuts), np.split(inside, cuts), strict=True):
            if within[0] and len(run) > 1:
                yield self.spots(run)

    def spot(self, launch: Launch) -> Spot:
        """Return where one lies."""
        x, y = self.spots(np.array([[launch.right_rad, launch.speed_mps]]))[0].round(1).tolist()
        return Spot(x, y)


def window(outlook: Outlook, tried: OwnRoll | None, says: str) -> Scene:
    """Return the make window of a putt as its golfer plays it, with a launch that was tried."""
    field, meant = outlook.field, outlook.aim.launch
    place = _Place(field, meant)
    areas = [*_areas(place)]
    marks = [*_paces(outlook, place), *_ring(outlook, place), *_meant(place)]
    if tried:
        marks.append(Disc(place.spot(tried.launch), 6.0, Sign.REAL, name="tried"))
    items = [*areas, *_axes(place), *marks, *_labels(outlook, place, marks)]
    data = {
        "left": LEFT,
        "right": RIGHT,
        "top": TOP,
        "foot": FOOT,
        "least-deg": math.degrees(field.right_rad.least - meant.right_rad),
        "most-deg": math.degrees(field.right_rad.most - meant.right_rad),
        "least-percent": 100.0 * (field.speed_mps.least / meant.speed_mps - 1.0),
        "most-percent": 100.0 * (field.speed_mps.most / meant.speed_mps - 1.0),
    }
    return Scene("window", WIDTH, HEIGHT, says, tuple(items), data)


def _areas(place: _Place) -> Iterator[Item]:
    yield Area(box(LEFT, TOP, RIGHT, FOOT), fill=Fill.OPEN, sign=Sign.EDGE, width=1.2)
    field = place.field
    for name, regions in (("short", field.short), ("meets", field.meets)):
        yield from _shaded(place, regions, name)
    for one in field.drops:
        rings = tuple(place.spots(ring) for ring in one.holes)
        yield Area(place.spots(one.edge), Sign.INK, Fill.GROUND, name="drops", rings=rings)
        yield Line(_closed(place.spots(one.edge)), Sign.INK, 2.0)


def _shaded(place: _Place, regions: tuple[Region, ...], name: str) -> Iterator[Item]:
    for one in regions:
        rings = tuple(place.spots(ring) for ring in one.holes)
        yield Area(place.spots(one.edge), Sign.QUIET, shade=SHADES[name], name=name, rings=rings)


def _closed(spots: Spots) -> Spots:
    return fewest(np.vstack([spots, spots[:1]]))


def _axes(place: _Place) -> Iterator[Item]:
    """Yield the scales: degrees beside the line, and percent of the pace."""
    field, meant = place.field, place.meant
    least, most = (
        math.degrees(end - meant.right_rad) for end in (field.right_rad.least, field.right_rad.most)
    )
    degrees = ticks(least, most, MOST_TICKS)
    xs = [place.spot(Launch(meant.right_rad + math.radians(one), meant.speed_mps)).x for one in degrees]
    yield Strokes(scale_strokes(xs, FOOT, 5.0), Sign.INK, 1.2)
    for one, x in zip(degrees, xs, strict=True):
        yield Words(f"{abs(one):g}°" if one else "on line", Spot(x, FOOT + 24.0), Sign.QUIET, "middle")
    least, most = (
        100.0 * (end / meant.speed_mps - 1.0) for end in (field.speed_mps.least, field.speed_mps.most)
    )
    percents = ticks(least, most, MOST_TICKS)
    ys = [place.spot(Launch(meant.right_rad, meant.speed_mps * (1.0 + 0.01 * one))).y for one in percents]
    yield Strokes(scale_strokes(ys, LEFT, 5.0, upright=False), Sign.INK, 1.2)
    for one, y in zip(percents, ys, strict=True):
        yield Words(f"{abs(one):g} %" if one else "pace", Spot(LEFT - 9.0, y + 6.0), Sign.QUIET, "end")
    yield Words("← starts left", Spot(LEFT, FOOT + 50.0), Sign.QUIET)
    yield Words("ring: two putts in three", Spot(0.5 * (LEFT + RIGHT), FOOT + 50.0), Sign.UNSURE, "middle")
    yield Words("starts right →", Spot(RIGHT, FOOT + 50.0), Sign.QUIET, "end")


def _paces(outlook: Outlook, place: _Place) -> Iterator[Item]:
    """Yield the line of the reads at all paces, and the schools' paces on it."""
    launches = sorted(outlook.ways.marks.values(), key=lambda one: one.speed_mps)
    if len(launches) > 1:
        rows = np.array([(one.right_rad, one.speed_mps) for one in launches])
        yield Line(place.spots(rows), Sign.INK, 1.2, "5 4", name="paces")
    for name, launch in outlook.ways.marks.items():
        yield Disc(place.spot(launch), 4.0, Sign.INK, name=f"pace-{name}")


def _ring(outlook: Outlook, place: _Place) -> Iterator[Item]:
    """Yield the ring within which two in three of the golfer's launches lie."""
    spread, meant = outlook.chances.spread, place.meant
    turn = np.linspace(0.0, 2.0 * math.pi, RING)
    energies = np.maximum(1.0 + TWO_IN_THREE * spread.energy * np.sin(turn), 0.01)
    angles = meant.right_rad + TWO_IN_THREE * spread.sideways_rad * np.cos(turn)
    rows = np.column_stack([angles, meant.speed_mps * np.sqrt(energies)])
    for run in place.seen(rows):
        yield Line(run, Sign.UNSURE, 2.2, "7 5", name="ring")


def _meant(place: _Place) -> Iterator[Item]:
    yield Area(diamond(place.spot(place.meant), 8.0), Sign.DO, Fill.OPEN, 2.4, name="meant")


def _lips(field: MakeField) -> Launch | None:
    """Return a launch that lips out, where there is room for one."""
    meets, drops = (
        shapely.unary_union([shapely.Polygon(one.edge, one.holes).buffer(0.0) for one in regions])
        for regions in (field.meets, field.drops)
    )
    lips = meets.difference(drops)
    return None if lips.is_empty else Launch(*lips.representative_point().coords[0])


def _labels(outlook: Outlook, place: _Place, marks: list[Item]) -> Iterator[Item]:
    """Yield what the areas are, and the schools' paces."""
    high_right = high_right_of(outlook.putt, outlook.aim.launch)
    sides = ("passes left", "passes right") if high_right is None else ("misses low", "misses high")
    left, right = sides if high_right in (None, True) else sides[::-1]
    yield Words(left, Spot(LEFT + 10.0, TOP + 22.0), Sign.INK)
    yield Words(right, Spot(RIGHT - 10.0, TOP + 22.0), Sign.INK, "end")
    if place.field.short:
        yield Words("comes up short", Spot(RIGHT - 10.0, FOOT - 12.0), Sign.INK, "end")
    wanted = [
        Wanted(PACE_WORDS[name], place.spot(launch), "near", Sign.INK, needed=False)
        for name, launch in outlook.ways.marks.items()
    ]
    lips = _lips(place.field)
    wanted += [Wanted("lips out", place.spot(lips), "near", Sign.INK, needed=False)] if lips else []
    edges = [Line(_closed(place.spots(one.edge)), Sign.INK, 1.0) for one in place.field.drops]
    room = Room(LEFT + 4.0, RIGHT - 4.0, TOP + 34.0, FOOT - 34.0, LARGEST)
    for label in place_labels(wanted, ink_of([*marks, *edges]), room):
        yield from label.items
