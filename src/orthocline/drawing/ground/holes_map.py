"""The map of a study: a green darker where a hole plays harder, what is not sure, and its fair holes."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from orthocline.core.chart import Chart, Known
from orthocline.core.relief import regions_above
from orthocline.core.study import HOLDS, THREE_PUTTS, Holes, Ranked
from orthocline.drawing.frame import Frame
from orthocline.drawing.ground.green_map import WIDTH, map_frame
from orthocline.drawing.ground.map_pen import MapPen
from orthocline.drawing.labels import Room, Wanted, ink_of, place_labels
from orthocline.drawing.scene import Area, Disc, Fill, Item, Line, Scene, Sign, Spot, Words
from orthocline.drawing.ticks import tick_step
from orthocline.wording.ground.holes import FIGURES, band_words
from orthocline.wording.wording import Wording

MOST_BANDS: Final = 6
LEAST_STEP: Final = 0.01
SHADE: Final = 0.13
"""Each band lies on those before it."""
HOLDS_LEVELS: Final = (0.01, 0.5)
"""Not from all round, and from less than half."""
HOLE, NUMBER_DOWN, TYPE = 11.0, 5.0, 18.0


@dataclass(frozen=True)
class Lies:
    """How a map lies on a sheet: its frame, its foot so far down, its left side so far in."""

    frame: Frame
    foot: float
    left: float = 0.0


@dataclass(frozen=True)
class HolesShown:
    """What of a study is shown: a figure by its name, at one of the speeds, and its ranked holes."""

    figure: str
    speed: int
    ranked: Sequence[Ranked]


def holes_map(
    chart: Chart, known: Known, holes: Holes, shown: HolesShown, wording: Wording, says: str
) -> Scene:
    """Return the map of a study, the way play comes in up.

    Parameters
    ----------
    chart : Chart
        The green's, with the pins that are on it.
    known : Known
        What that makes known.
    holes : Holes
        The study.
    says : str
        The map in words.
    """
    frame, height = map_frame(known.outline)
    items = map_items(Lies(frame, height), chart, known, holes, shown, wording)
    return Scene("map", WIDTH, height, says, tuple(items))


def map_items(
    lies: Lies, chart: Chart, known: Known, holes: Holes, shown: HolesShown, wording: Wording
) -> Iterator[Item]:
    """Yield what the map of a study is made of."""
    pen = MapPen(lies.frame, wording, known.outline)
    wanted: list[Wanted] = []
    yield pen.edge.ground
    bands = list(_bands(pen, holes, shown, wanted))
    yield from [*bands, *pen.contours(known)[1], *pen.unsure(known)]
    marks = [pen.edge.line(), *_pins(pen, chart, wanted), *_ranked(pen, holes, shown.ranked)]
    yield from marks
    left, right = lies.left, lies.left + WIDTH
    room = Room(left + 6.0, right - 6.0, float(pen.edge.spots[:, 1].min()) - 8.0, lies.foot - 34.0, TYPE)
    ink = ink_of([*marks, *(one for one in bands if isinstance(one, Line))])
    for label in place_labels(wanted, ink, room):
        yield from label.items
    yield Words("play comes in from below", Spot(left + 8.0, lies.foot - 10.0), Sign.QUIET)
    yield Words(FIGURES[shown.figure].darker, Spot(right - 8.0, lies.foot - 10.0), Sign.INK, "end")


def _bands(pen: MapPen, holes: Holes, shown: HolesShown, wanted: list[Wanted]) -> Iterator[Item]:
    """Yield the areas in which a hole plays harder than each level, with a line and a label for each."""
    number = FIGURES[shown.figure].number
    x, y, figures = holes.on_grid(number, shown.speed)
    harder = figures if number == THREE_PUTTS else 1.0 - figures
    if np.isnan(harder).any():
        return
    for level in levels_of(number, harder):
        for rings in pen.areas(regions_above(x, y, harder, level)):
            yield Area(rings[0], Sign.INK, Fill.SOLID, 0.0, shade=SHADE, rings=rings[1:], name="harder")
            for ring in rings:
                yield Line(np.vstack([ring, ring[:1]]), Sign.INK, 0.7, name="band")
            words, (left, top) = band_words(number, level), rings[0][rings[0][:, 1].argmin()].tolist()
            if words:
                wanted.append(Wanted(words, Spot(left, top), "near", Sign.INK, needed=False))


def levels_of(figure: int, harder: NDArray[np.float64]) -> list[float]:
    """Return the shares at which a map has its lines: round ones, a few of them."""
    if figure == HOLDS:
        return list(HOLDS_LEVELS)
    least, most = float(harder.min()), float(harder.max())
    step = tick_step(max((most - least) / MOST_BANDS, LEAST_STEP))
    return [step * i for i in range(int(np.floor(least / step)) + 1, int(np.ceil(most / step)))]


def _pins(pen: MapPen, chart: Chart, wanted: list[Wanted]) -> Iterator[Item]:
    """Yield the pins that are in use, and want their names."""
    for one in chart.pins:
        if not one.retired:
            at = pen.spot(one.at_m)
            wanted.append(Wanted(one.name, at, "near", Sign.QUIET, needed=False))
            yield Disc(at, 5.0, Sign.QUIET, Fill.OPEN, 1.8, name="pin")


def _ranked(pen: MapPen, holes: Holes, ranked: Sequence[Ranked]) -> Iterator[Item]:
    """Yield the fair holes by their rank; those that are not fair at every speed have a dashed ring."""
    everywhere = len(holes.played)
    for number, one in enumerate(ranked, start=1):
        x, y = holes.places_m[one.place].tolist()
        at = pen.spot((x, y))
        dash = "" if one.fair_at == everywhere else "4 3"
        yield Disc(at, HOLE, Sign.DO, Fill.OPEN, 2.4, dash, name="hole")
        yield Words(f"{number}", Spot(at.x, at.y + NUMBER_DOWN), Sign.DO, "middle")
