"""The pen of maps: contours, hachures, what is not sure, names, water, readings, grain, pins, a putt."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Any, Final

import numpy as np
import shapely

from orthocline.core.chart import Chart, ChartReading, Known
from orthocline.core.instruments import Gives
from orthocline.core.relief import Feature, Kind, Outline, Region, Water, contours, steeper_than
from orthocline.drawing.frame import Frame
from orthocline.drawing.ground.edge import Edge, edge_on
from orthocline.drawing.ground.uneven import fall_strokes
from orthocline.drawing.labels import Wanted
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Item,
    Line,
    Sign,
    Spot,
    Spots,
    arrowhead,
    diamond,
    fewest,
    fewest_of,
    spots_of,
)
from orthocline.drawing.ticks import INCHES, tick_step
from orthocline.wording.figures import tidy
from orthocline.wording.ground.greens import FEATURE_WORDS
from orthocline.wording.wording import Wording

Place = tuple[float, float]
MOST_CONTOURS: Final = 14
EVERY_BOLD: Final = 5
M_PER_SLOPE, USUAL_SLOPE, M_PER_MORE = 55.0, 0.04, 6.0
"""An arrow is so long on the ground [m] for a slope of 1, up to what greens have; then so much for more."""
UNSIZED_M, HEAD, HALF = 1.0, 9.0, 4.5
PIN, PLACE, BLADE, ODD = 6.0, 4.0, 11.0, 11.0
MOST_LABELLED: Final = 6
LEAST_RISE_M: Final = 0.03
DASHES: Final = {Kind.RIDGE: "14 4 2 4", Kind.VALLEY: "2 5", Kind.TIER: "8 4", Kind.FRONT: "8 4"}


@dataclass(frozen=True)
class PuttShown:
    """A putt on a map [m]: its ball and hole, the way of the ball (shape (n, 2)) and where it is aimed."""

    ball: Place
    hole: Place
    path: Spots | None
    aim: Place | None


@dataclass(frozen=True)
class MapPen:
    """Draws what lies on a map: on a page, or in a book."""

    frame: Frame
    wording: Wording
    outline: Outline

    @cached_property
    def edge(self) -> Edge:
        """The green's edge on the sheet."""
        return edge_on(self.frame, self.outline)

    def spots(self, places: Spots) -> Spots:
        """Return places of a green [m], shape (n, 2), on the sheet."""
        return self.frame.spots(places[:, 1], places[:, 0])

    def spot(self, place: Place) -> Spot:
        """Return one place of a green [m] on the sheet."""
        return self.frame.spot(place[1], place[0])

    def unsure(self, known: Known) -> Iterator[Item]:
        """Yield the wash over what is not sure."""
        for area in self.areas(known.unsure):
            yield Area(area[0], Sign.UNSURE, Fill.HATCHED, 1.2, rings=area[1:], name="unsure")

    def too_steep(self, known: Known, holding: float | None) -> Iterator[Item]:
        """Yield the edges of where it is steeper than what holds a ball [ratio], if that is known."""
        if holding is None:
            return
        for rings in self.areas(steeper_than(known.relief, holding)):
            for ring in rings:
                yield Line(np.vstack([ring, ring[:1]]), Sign.FALL, 2.0, "5 4", name="too-steep")

    def areas(self, regions: Sequence[Region]) -> Iterator[tuple[Spots, ...]]:
        """Yield areas on the green: the edge of each, and those of what is left out of it."""
        for region in regions:
            shape = shapely.Polygon(self.spots(region.edge), [self.spots(one) for one in region.holes])
            within = shapely.intersection(shape.buffer(0.0), self.edge.area)
            for part in getattr(within, "geoms", [within]):
                if part.geom_type == "Polygon" and not part.is_empty:
                    rings = (part.exterior, *part.interiors)
                    yield tuple(fewest(np.asarray(ring.coords))[:-1] for ring in rings)

    def contours(self, known: Known) -> tuple[str, list[Item]]:
        """Return the height between contours in words, and the contours."""
        near = self.wording.units.near_m
        least = known.relief.rise_m / MOST_CONTOURS / near
        interval = tick_step(max(least, 0.25), () if self.wording.units.metric else INCHES)
        # A line has two ends.
        levels = [one for one in contours(known.relief, interval * near) if len(one.places) > 1]
        found: list[Item] = []
        for i, spots in self._lines([one.places for one in levels]):
            bold = round(levels[i].height_m / (interval * near)) % EVERY_BOLD == 0
            found.append(Line(spots, Sign.FALL, 1.5 if bold else 0.8, name="contour"))
        return f"{tidy(interval, 2)} {self.wording.units.near}", found

    def _lines(self, lines: Sequence[Spots]) -> Iterator[tuple[int, Spots]]:
        """Yield the parts of lines that lie on the green, each with the number of its line."""
        if not lines:
            return
        of = np.repeat(np.arange(len(lines)), [len(one) for one in lines])
        drawn = shapely.linestrings(self.spots(np.concatenate(lines)), indices=of)
        within = shapely.intersection(drawn, self.edge.area)
        parts, of = shapely.get_parts(fewest_of(within), return_index=True)
        for i, part in zip(of.tolist(), parts, strict=True):
            if part.geom_type == "LineString" and not part.is_empty:
                yield i, shapely.get_coordinates(part)

    def hachures(self, known: Known) -> Iterator[Item]:
        """Yield the strokes down the slope."""
        spots = self.edge.even
        slopes = known.relief.slopes_at(self.frame.places(spots))
        yield from fall_strokes(spots, np.column_stack([-slopes[:, 0], slopes[:, 1]]))

    def ends(self, known: Known, wanted: list[Wanted]) -> Iterator[Item]:
        """Yield the highest and the lowest place of a green, where it rises at all, with labels."""
        if known.relief.rise_m < LEAST_RISE_M:
            return
        for place, words, up in ((known.relief.highest, "high", 1.0), (known.relief.lowest, "low", -1.0)):
            at = self.spot(place)
            wanted.append(Wanted(words, at, "near", Sign.FALL, needed=False))
            yield Area(arrowhead(Spot(at.x, at.y - up * 6.0), (0.0, -up), 11.0, 6.0), Sign.FALL, name=words)

    def named(self, named: Sequence[Feature], wanted: list[Wanted]) -> Iterator[Item]:
        """Yield the lines and spots of places that have a name; labels of the first of them are wanted."""
        for i, one in enumerate(sorted(named, key=lambda one: -len(one.along))):
            at = self.spot(one.at_m)
            if i < MOST_LABELLED:
                words = FEATURE_WORDS[one.kind].removeprefix("a ")
                wanted.append(Wanted(words, at, "near", Sign.INK, needed=False))
            if one.along:
                through = fewest(self.spots(np.array(one.along)))
                yield Line(through, Sign.INK, 1.6, DASHES[one.kind], name=str(one.kind))
            else:
                yield Disc(at, 3.5, Sign.INK, None, 1.6, name=str(one.kind))

    def above(self, above: Water | None) -> Iterator[Item]:
        """Yield the fall line above a place."""
        if above is not None and len(above.places) > 1:
            yield Line(fewest(self.spots(above.places)), Sign.FALL, 1.6, "8 5", name="above")

    def water(self, water: Water | None) -> Iterator[Item]:
        """Yield the way of poured water: an arrow where it leaves, a ring where it stays."""
        if water is None:
            return
        way = self.spots(water.places)
        yield Disc(self.spot(_place(water.places[0])), 5.0, Sign.FALL, Fill.OPEN, 2.4, name="poured")
        if len(way) > 1:
            yield Line(fewest(way), Sign.FALL, 3.2, name="water")
        if not water.leaves:
            yield Disc(self.spot(water.end), 8.0, Sign.FALL, None, 2.4, name="pond")
        elif len(way) > 1:
            step = way[-1] - way[-2]
            length = math.hypot(*step) or 1.0
            ahead = float(step[0] / length), float(step[1] / length)
            yield Area(arrowhead(Spot(*way[-1].tolist()), ahead, 13.0, 6.0), Sign.FALL)

    def readings(self, chart: Chart, known: Known | None, chosen: str) -> Iterator[Item]:
        """Yield the readings: arrows down the slope, as long as it is steep; ringed where they disagree."""
        for i, one in enumerate(chart.readings):
            if known and one.at_m in known.odd:
                yield Disc(self.spot(one.at_m), ODD, Sign.UNSURE, None, 2.0, "3 3", name="odd")
            sign = Sign.DO if chosen == f"reading-{i}" else Sign.INK
            at = self.spot(one.at_m)
            yield Disc(at, PLACE if one.gives is not Gives.HEIGHT else PLACE - 1.0, sign, name="reading")
            if one.gives is Gives.HEIGHT:
                yield Disc(at, PLACE + 3.0, sign, None, 1.2)
            elif one.size is None or one.size > 0.0:
                tip = self.spot(head_of(one))
                length = math.hypot(tip.x - at.x, tip.y - at.y) or 1.0
                way = (tip.x - at.x) / length, (tip.y - at.y) / length
                yield Line(spots_of(at, tip), sign, 1.6, "" if one.size is not None else "3 3")
                yield Area(arrowhead(tip, way, min(HEAD, length), min(HALF, 0.5 * length)), sign)

    def grain(self, chart: Chart, chosen: str) -> Iterator[Item]:
        """Yield the parts whose grass grows one way: a ring, and three blades that point there."""
        for i, one in enumerate(chart.grain):
            sign, at = Sign.DO if chosen == f"grain-{i}" else Sign.QUIET, self.spot(one.at_m)
            radius = self.frame.scale * one.radius_m
            yield Disc(at, radius, sign, None, 1.4, "2 6", name="grain")
            cos, sin = math.cos(one.toward_rad), -math.sin(one.toward_rad)
            for aside in (-0.35, 0.0, 0.35):
                x, y = at.x - aside * radius * sin, at.y + aside * radius * cos
                foot = Spot(x - BLADE * cos, y - BLADE * sin)
                tip = Spot(foot.x + 2.0 * BLADE * cos, foot.y + 2.0 * BLADE * sin)
                yield Line(spots_of(foot, tip), sign, 1.4)
                yield Line(arrowhead(tip, (cos, sin), 7.0, 4.0)[[1, 0, 2]], sign, 1.4)

    def pins(self, chart: Chart, chosen: str, wanted: list[Wanted]) -> Iterator[Item]:
        """Yield the pins, those out of use open; their names are wanted."""
        for i, one in enumerate(chart.pins):
            at, sign = self.spot(one.at_m), Sign.DO if chosen == f"pin-{i}" else Sign.INK
            wanted.append(Wanted(one.name, at, "near", sign))
            yield Disc(at, PIN, sign, Fill.OPEN if one.retired else Fill.SOLID, 1.8, name="pin")
            if chosen == f"pin-{i}":
                yield Disc(at, PIN + 5.0, sign, None, 1.8)

    def putt(self, putt: PuttShown) -> Iterator[Item]:
        """Yield a putt: its line, where it is aimed, the way of the ball."""
        ball, hole = self.spot(putt.ball), self.spot(putt.hole)
        yield Line(spots_of(ball, hole), Sign.INK, 1.4, "0.1 6", name="ball-hole")
        if putt.aim:
            aim = self.spot(putt.aim)
            yield Line(spots_of(ball, aim), Sign.DO, 2.4, name="aim-line")
            yield Area(diamond(aim, 6.0), Sign.DO, Fill.OPEN, 2.2, name="aim")
        if putt.path is not None:
            yield Line(fewest(self.spots(putt.path)), Sign.INK, 3.0, name="way")
        yield Disc(hole, 5.0, Sign.INK, name="hole")
        yield Disc(ball, 6.0, Sign.INK, Fill.OPEN, 2.2, name="ball")

    def looked_at(self, place: Place | None) -> Iterator[Item]:
        """Yield the mark of the place that is looked at."""
        if place:
            yield Area(diamond(self.spot(place), 7.0), Sign.DO, Fill.OPEN, 2.2, name="spot")


def head_of(one: ChartReading) -> Place:
    """Return where the arrow of a reading ends [m]."""
    length = UNSIZED_M if one.size is None else _arrow_m(one.size)
    x, y = one.at_m
    return x + length * math.cos(one.toward_rad), y + length * math.sin(one.toward_rad)


def _arrow_m(slope: float) -> float:
    """Return how long the arrow of a slope is on the ground [m]."""
    usual = min(slope, USUAL_SLOPE)
    return M_PER_SLOPE * usual + M_PER_MORE * (slope - usual)


def slope_of_arrow(length_m: float) -> float:
    """Return the slope [ratio] whose arrow is so long on the ground."""
    usual = min(length_m, M_PER_SLOPE * USUAL_SLOPE)
    return usual / M_PER_SLOPE + (length_m - usual) / M_PER_MORE


def _place(row: Any) -> Place:
    x, y = row
    return float(x), float(y)
