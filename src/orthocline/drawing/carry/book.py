"""One page of a green book: a green to scale, with contours or arrows, its pins and the golfer's notes."""

import math
from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Final

import numpy as np
import shapely

from orthocline.core.cards import BookSize
from orthocline.core.chart import UNSURE_SD, Chart, ChartPin, Known, pin_ground
from orthocline.core.units import YARD_M
from orthocline.drawing.frame import Frame
from orthocline.drawing.ground.map_pen import HALF, HEAD, MapPen, Place
from orthocline.drawing.labels import Box, Room, Wanted, ink_of, place_labels
from orthocline.drawing.lettering import LARGE, cut, lines_of, text_width
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
    arrowhead,
    spots_of,
)
from orthocline.wording.carry.book import (
    EDGE_LEFT_OUT,
    basis_words,
    is_by_hand,
    key_words,
    pin_words,
    scale_words,
    size_words,
    slope_figure,
)
from orthocline.wording.wording import Wording

PER_MM: Final = 6.5
"""Units of a page in a millimetre."""
MARGIN: Final = 33.0
LINE: Final = 23.0
TITLE, COURSE, MAP_TOP = 48.0, 74.0, 96.0
BELOW_MAP: Final = 86.0
BAR_SHARE: Final = 0.4
"""The bar of a scale takes no more of a line."""
MAP_SHARE: Final = 0.7
"""A map takes no more of a page's height."""
PIN_SHARE: Final = 0.26
"""The name of a pin takes no more of a line."""
UNDER: Final = 5.0
"""A ruled line lies so far below the foot of its words."""
EVERY: Final = 42.0
"""Arrows stand so far apart."""
ARROW_UP, FIGURE_DOWN = 7.0, 18.5
"""Its middle stands so far above its place, its figure so far below."""
SHORTEST, LONGEST, PER_SLOPE = 9.0, 25.0, 400.0
"""How long it is: so much on level ground, and more by its slope [ratio], up to the most."""
ARROW_BOX: Final = (14.0, 18.5)
PIN, DIGIT_DOWN, APART = 10.0, 5.5, 3.0
"""Of a pin: its disc, how far below the middle its number stands, and how far arrows keep from it."""
UNSURE_DASH: Final = "2.5 2.5"
FLAT: Final = 0.0015
BAR_TICK: Final = 5.0


@dataclass(frozen=True)
class BookGreen:
    """A green of a book: its course and name, its chart and what that makes known, the golfer's own note."""

    course: str
    name: str
    chart: Chart
    known: Known | None
    note: str = ""


@dataclass(frozen=True)
class BookLook:
    """How the pages of a book look.

    Attributes
    ----------
    size : BookSize
        How large.
    shows : str
        ``arrows`` with their percents, or ``contours``.
    hand : bool
        Whether only what the golfer entered by hand is drawn.
    pins, notes : bool
        Whether pins and notes are there.
    day : str
        When it is made.
    """

    size: BookSize = field(default_factory=BookSize)
    shows: str = "arrows"
    hand: bool = False
    pins: bool = True
    notes: bool = True
    day: str = ""


def book_page(green: BookGreen, look: BookLook, wording: Wording, name: str = "") -> Scene:
    """Return a page of a book, black on white."""
    page = _Page(green, look, wording)
    items = tuple(page.items())
    return Scene(name, page.width, page.height, page.says, items)


@dataclass(frozen=True)
class _Page:
    """Draws one page."""

    green: BookGreen
    look: BookLook
    wording: Wording

    @property
    def width(self) -> float:
        return 1000.0 * PER_MM * self.look.size.wide_m

    @property
    def height(self) -> float:
        return 1000.0 * PER_MM * self.look.size.tall_m

    @property
    def room(self) -> float:
        """How wide a line may be."""
        return self.width - 2.0 * MARGIN

    @cached_property
    def chart(self) -> Chart:
        """What is drawn of the chart: all, or what is the golfer's own by hand."""
        if not self.look.hand:
            return self.green.chart
        by_hand = tuple(filter(is_by_hand, self.green.chart.readings))
        corners = () if self.green.chart.site else self.green.chart.corners
        return replace(self.green.chart, readings=by_hand, corners=corners, scan=None, grain=())

    @property
    def known(self) -> Known | None:
        """What is worked out of the ground; nothing of it in a book by hand."""
        return None if self.look.hand else self.green.known

    @property
    def pins(self) -> tuple[ChartPin, ...]:
        """The pins in use."""
        return tuple(one for one in self.chart.pins if not one.retired) if self.look.pins else ()

    @property
    def basis(self) -> str:
        """On what the page rests."""
        told = basis_words(self.chart.readings, scanned=self.chart.scan is not None, hand=self.look.hand)
        left_out = self.green.chart.corners and not self.chart.corners
        return f"{told} {EDGE_LEFT_OUT}" if left_out else told

    @property
    def says(self) -> str:
        """The page in words."""
        pins = [" ".join(row).strip() for row in self._pin_rows]
        told = "; ".join([*pins, self.basis])
        return f"{self.green.course}, {self.green.name}: a page of a green book. {told}"

    @cached_property
    def map(self) -> "_Map | None":
        """The map; None of a green that is not charted."""
        outline = self.green.chart.outline
        if outline is None:
            return None
        (left, low), (right, top) = outline.box
        high = MAP_SHARE * self.height - MAP_TOP
        per_m = 1000.0 * PER_MM / self.look.size.scale
        per_m = min(per_m, self.room / (right - left), high / (top - low))
        origin = 0.5 * self.width - per_m * 0.5 * (left + right), MAP_TOP + per_m * top
        return _Map(self, MapPen(Frame(per_m, *origin), self.wording, outline), MAP_TOP + per_m * (top - low))

    def items(self) -> Iterator[Item]:
        """Yield what stands on the page, from its head to its foot."""
        yield Words(cut(self.green.name, self.room, LARGE), Spot(MARGIN, TITLE), large=True, name="green")
        yield Words(cut(self.green.course, 0.5 * self.room), Spot(MARGIN, COURSE), Sign.QUIET)
        y = COURSE + LINE
        if self.map:
            if self.chart.outline:
                size = cut(size_words(self.chart.outline, self.wording), 0.48 * self.room)
                yield Words(size, Spot(self.width - MARGIN, COURSE), Sign.QUIET, "end", name="size")
            yield from self.map.items()
            y = self.map.foot + BELOW_MAP + LINE
        basis = lines_of(f"{self.basis} {self.look.day}", self.room)
        end = self.height - MARGIN - LINE * len(basis)
        for i, line in enumerate(basis, start=1):
            yield Words(line, Spot(MARGIN, end + LINE * i), Sign.QUIET, name="basis")
        yield from self._written(y, end)

    def _written(self, y: float, end: float) -> Iterator[Item]:
        """Yield the pins, then the golfer's note on ruled lines, and more of them as far as the page goes."""
        for row in self._pin_rows:
            if y + LINE > end:
                return
            yield from self._pin_row(row, y)
            y += LINE
        lines = iter(lines_of(self.green.note if self.look.notes else "", self.room))
        for foot in np.arange(y + UNDER, end - LINE, LINE + UNDER).tolist():
            yield Words(next(lines, ""), Spot(MARGIN, foot), name="written")
            ends = spots_of((MARGIN, foot + UNDER), (self.width - MARGIN, foot + UNDER))
            yield Line(ends, Sign.RULE, 0.8, name="ruled")

    def _pin_row(self, row: tuple[str, str, str], y: float) -> Iterator[Item]:
        """Yield a pin: its name, where it is, and how it falls there."""
        name, where, fall = row
        at = MARGIN + (PIN_SHARE + 0.02) * self.room
        wide = self.width - MARGIN - at - text_width(fall) - 10.0
        yield Words(cut(name, PIN_SHARE * self.room), Spot(MARGIN, y), name="written")
        yield Words(cut(where, wide), Spot(at, y), Sign.QUIET, name="where")
        yield Words(fall, Spot(self.width - MARGIN, y), Sign.QUIET, "end", name="fall")

    @cached_property
    def _pin_rows(self) -> list[tuple[str, str, str]]:
        outline = self.green.chart.outline
        if outline is None:
            return []
        falls = [pin_ground(self.known, one.at_m).fall if self.known else None for one in self.pins]
        told = [
            pin_words(one, fall, outline, self.wording) for one, fall in zip(self.pins, falls, strict=True)
        ]
        return [(f"{number} {name}", where, fall) for number, (name, where, fall) in enumerate(told, start=1)]


@dataclass(frozen=True)
class _Map:
    """Draws the map of a page, which ends at a height of it."""

    page: _Page
    pen: MapPen
    foot: float

    @property
    def scale(self) -> float:
        """One to so many."""
        return 1000.0 * PER_MM / self.pen.frame.scale

    @cached_property
    def unsure(self) -> list[Item]:
        """What lies over the ground that is not sure."""
        return list(self.pen.unsure(self.page.known)) if self.page.known else []

    @cached_property
    def contours(self) -> tuple[str, list[Item]]:
        """The height between contours in words, and the contours."""
        shown = self.page.known is not None and self.page.look.shows == "contours"
        return self.pen.contours(self.page.known) if shown and self.page.known else ("", [])

    def items(self) -> Iterator[Item]:
        """Yield the green, and below it which way it lies, its scale and its key."""
        page, pen = self.page, self.pen
        line = pen.edge.line(Sign.INK)
        ground: list[Item] = [line] if page.chart.corners else []
        ground += self.contours[1]
        ground += self.unsure if page.look.shows == "contours" else ()
        wanted: list[Wanted] = []
        if page.look.hand:
            ground += pen.readings(page.chart, None, "")
            wanted += [self._figure(one.at_m, one.size) for one in page.chart.readings if one.size]
        yield from ground
        pins = list(self._pins())
        if page.known and page.look.shows == "arrows":
            yield from self._arrows(page.known)
        yield from pins
        room = Room(8.0, page.width - 8.0, COURSE + 8.0, self.foot + 14.0)
        for label in place_labels(wanted, ink_of([line, *ground, *pins]), room):
            yield from label.items
        yield from self._key()

    def _figure(self, at_m: Place, slope: float) -> Wanted:
        words = slope_figure(slope, self.page.wording)
        return Wanted(words, self.pen.spot(at_m), "near", Sign.INK, needed=False)

    def _pins(self) -> Iterator[Item]:
        """Yield the pins, each with its number in the list below."""
        for number, one in enumerate(self.page.pins, start=1):
            at = self.pen.spot(one.at_m)
            yield Disc(at, PIN, Sign.INK, Fill.OPEN, 1.8, name="pin")
            yield Words(str(number), Spot(at.x, at.y + DIGIT_DOWN), anchor="middle", name="pin-number")

    def _arrows(self, known: Known) -> Iterator[Item]:
        """Yield arrows with their figures at even places where nothing else stands."""
        spots = _even(self.pen)
        places = self.pen.frame.places(spots)
        sure = known.sds(places) <= UNSURE_SD
        pins = [_around(self.pen.spot(one.at_m), (PIN + APART, PIN + APART)) for one in self.page.pins]
        slopes = known.relief.slopes_at(places)
        for spot, (east, north), is_sure in zip(spots.tolist(), slopes.tolist(), sure.tolist(), strict=True):
            here = _around(Spot(*spot), ARROW_BOX)
            if not any(map(here.meets, pins)):
                words = slope_figure(math.hypot(east, north), self.page.wording, is_sure=is_sure)
                yield from _arrow(Spot(*spot), (-east, north), words, "" if is_sure else UNSURE_DASH)

    def _key(self) -> Iterator[Item]:
        """Yield which way the map lies, its scale as a bar and in words, and what its lines mean."""
        page, metric = self.page, self.page.wording.units.metric
        y, unit = self.foot + 26.0, self.pen.frame.scale * (1.0 if metric else YARD_M)
        count = 5 if 5.0 * unit <= BAR_SHARE * page.room else 1
        bar = MARGIN + count * unit
        yield Line(spots_of((MARGIN, y), (bar, y)), Sign.INK, 1.6, name="bar")
        ticks = [(x, y + way * BAR_TICK) for x in (MARGIN, bar) for way in (-1.0, 1.0)]
        yield Strokes(spots_of(*ticks), Sign.INK, 1.6)
        yield Words(f"{count} {'m' if metric else 'yd'}", Spot(bar + 8.0, y + 5.0), name="bar-words")
        yield Words("play comes in from below", Spot(page.width - MARGIN, y + 5.0), Sign.QUIET, "end")
        shows = "arrows" if page.look.hand else page.look.shows
        key = key_words(shows, self.contours[0], page.wording, unsure=bool(self.unsure))
        for line, (name, said) in enumerate((("scale", scale_words(self.scale)), ("key", key)), start=1):
            yield Words(cut(said, page.room), Spot(MARGIN, y + 8.0 + LINE * line), Sign.QUIET, name=name)


def _even(pen: MapPen) -> Spots:
    """Return even places on a map at which an arrow with its figure lies within the edge."""
    left, top, right, foot = pen.edge.area.bounds
    across, down = (max(int((most - least) // EVERY), 1) for least, most in ((left, right), (top, foot)))
    x = 0.5 * (left + right) + EVERY * (np.arange(across) - 0.5 * (across - 1))
    y = 0.5 * (top + foot) + EVERY * (np.arange(down) - 0.5 * (down - 1))
    spots = np.stack(np.meshgrid(x, y), axis=-1).reshape(-1, 2)
    wide, high = ARROW_BOX
    x, y = spots.T
    held = shapely.contains(pen.edge.area, shapely.box(x - wide, y - high, x + wide, y + high))
    return np.asarray(spots[held])


def _around(at: Spot, half: tuple[float, float]) -> Box:
    return Box(at.x - half[0], at.y - half[1], at.x + half[0], at.y + half[1])


def _arrow(at: Spot, fall: tuple[float, float], words: str, dash: str) -> Iterator[Item]:
    """Yield an arrow down the fall [ratio, to the right and down on the page], its figure below it."""
    slope = math.hypot(*fall)
    middle = Spot(at.x, at.y - ARROW_UP)
    if slope < FLAT:
        yield Disc(middle, 2.5, Sign.FALL)
    else:
        half = 0.5 * min(SHORTEST + PER_SLOPE * slope, LONGEST)
        way = fall[0] / slope, fall[1] / slope
        tip = Spot(middle.x + half * way[0], middle.y + half * way[1])
        foot = (middle.x - half * way[0], middle.y - half * way[1])
        yield Line(spots_of(foot, tip), Sign.FALL, 1.8, dash, name="arrow")
        yield Area(arrowhead(tip, way, HEAD, HALF), Sign.FALL)
    yield Words(words, Spot(at.x, at.y + FIGURE_DOWN), Sign.INK, "middle", name="percent")
