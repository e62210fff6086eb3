"""The greens of Ternholm as Wren charted them: invented ground, readings with honest scatter, and pins."""

import math
from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy.stats import qmc
from sqlalchemy.orm import Session

from orthocline.core.chart import Chart, ChartPin, ChartReading, Known, surveyed
from orthocline.core.ground import Grid
from orthocline.core.instruments import GRAIN_STRENGTH_SHARE, GRAIN_WAY_SD_RAD, INSTRUMENTS, Gives
from orthocline.core.relief import Outline
from orthocline.core.survey import GrainArea
from orthocline.db.account.models import Golfer
from orthocline.services.account.access import Viewer, anyone
from orthocline.services.demo.speeds import COURSE
from orthocline.services.ground.charts import Edit, describe_green, edit_chart, new_green
from orthocline.services.ground.places import Place

Figures = NDArray[np.float64]
Heights = Callable[[Figures, Figures], Figures]
MIDDLE_M, DEEP_M, WIDE_M = 12.0, 20.0, 24.0
"""The formulas have the front left corner as their origin, charts the middle of the front edge."""
NODE_M: Final = 0.25
MARGIN_M: Final = 3.0
CORNERS: Final = 10
SPREAD_POWER: Final = 8
"""Of two: places from which those within the outline are taken."""
STEP_M: Final = 1e-4


@dataclass(frozen=True)
class DemoGreen:
    """A green of Ternholm.

    Attributes
    ----------
    heights : callable
        Its height [m] at places from its front left corner [m].
    swing : tuple of float
        How its outline swings about an oval: twice and three times round, and where that begins [rad].
    pins : tuple of tuple
        Names and places from its front left corner [m].
    read : tuple of tuple
        Instruments, and in how many places each was used.
    grain : tuple of GrainArea
        How its grass grows, where that was seen.
    note : str
        Wren's own words on it.
    """

    number: int
    name: str
    character: str
    heights: Heights
    swing: tuple[float, float, float]
    pins: tuple[tuple[str, float, float], ...]
    read: tuple[tuple[str, int], ...] = (("level", 9), ("arrow", 12), ("plate", 4))
    grain: tuple[GrainArea, ...] = ()
    note: str = ""

    @property
    def place(self) -> Place:
        """Its course and name."""
        return Place(COURSE, f"green {self.number}, {self.name}" if self.number else self.name)

    @cached_property
    def corners(self) -> tuple[tuple[float, float], ...]:
        """The corners of its outline [m]."""
        twice, thrice, begin = self.swing
        found = []
        for turn in np.linspace(0.0, 2.0 * math.pi, CORNERS, endpoint=False).tolist():
            far = 1.0 + twice * math.cos(2.0 * turn + begin) + thrice * math.cos(3.0 * turn - begin)
            far /= 1.0 + abs(twice) + abs(thrice)
            across, deep = 11.8 * far * math.cos(turn), 10.0 + 9.8 * far * math.sin(turn)
            found.append((round(across, 2), round(deep, 2)))
        return tuple(found)

    @cached_property
    def ground(self) -> Grid:
        """What it really is."""
        x = np.arange(-0.5 * WIDE_M - MARGIN_M, 0.5 * WIDE_M + MARGIN_M, NODE_M)
        y = np.arange(-MARGIN_M, DEEP_M + MARGIN_M, NODE_M)
        east, north = np.meshgrid(x, y)
        heights = self.heights(east + MIDDLE_M, north) + 0.0 * east
        return Grid((float(x[0]), float(y[0])), NODE_M, heights)

    def chart(self, rng: np.random.Generator) -> Chart:
        """Return what Wren found out about it."""
        pins = tuple(ChartPin((x - MIDDLE_M, y), name) for name, x, y in self.pins)
        return Chart(self.corners, tuple(self._readings(rng)), pins, self.grain)

    def _readings(self, rng: np.random.Generator) -> list[ChartReading]:
        places = self._places(rng, sum(count for _, count in self.read))
        found: list[ChartReading] = []
        for by, count in self.read:
            for at in places[:count]:
                found.extend(self._read(by, (round(float(at[0]), 2), round(float(at[1]), 2)), rng))
            places = places[count:]
        return found

    def _places(self, rng: np.random.Generator, count: int) -> Figures:
        """Return places on it, spread evenly as one walks it."""
        (left, low), (right, top) = Outline(self.corners).box
        spread = qmc.Sobol(2, rng=rng).random_base2(SPREAD_POWER) * (right - left, top - low) + (left, low)
        held: Figures = spread[Outline(self.corners).holds(spread)][:count]
        return held

    def _read(self, by: str, at: tuple[float, float], rng: np.random.Generator) -> list[ChartReading]:
        """Return what an instrument says of a place: a level across and along, the others the fall."""
        instrument = INSTRUMENTS[by]
        east, north = self.ground.slope(*at, self.ground.parameters)
        slope, toward = math.hypot(east, north), math.atan2(-north, -east)
        if instrument.gives is Gives.SLOPE:
            ways = (-0.5 * math.pi, 0.0)
            falls = (north + rng.normal(0.0, instrument.sd), -east + rng.normal(0.0, instrument.sd))
            return [_fallen(at, by, way, fall) for way, fall in zip(ways, falls, strict=True)]
        toward += rng.normal(0.0, instrument.way_sd_of(slope))
        if instrument.gives is Gives.WAY:
            return [ChartReading(at, by, math.radians(round(math.degrees(toward))))]
        return [_fallen(at, by, toward, slope + rng.normal(0.0, instrument.sd))]


def _fallen(at: tuple[float, float], by: str, toward_rad: float, fall: float) -> ChartReading:
    """Return a reading to a tenth of a percent, along the way in which it falls."""
    way = toward_rad if fall >= 0.0 else toward_rad + math.pi
    return ChartReading(at, by, math.radians(round(math.degrees(way))), round(abs(fall), 3))


def _saltings(x: Figures, y: Figures) -> Figures:
    return 0.018 * y - 0.10 * np.exp(-(((x - 0.5 * y - 7.0) / 3.0) ** 2))


def _curlew(x: Figures, y: Figures) -> Figures:
    return 0.0016 * ((x - 12.0) ** 2 + (y - 9.0) ** 2) + 0.006 * y


def _lantern(x: Figures, y: Figures) -> Figures:
    return -0.0014 * ((x - 12.0) ** 2 + 1.3 * (y - 10.0) ** 2)


def _spindrift(x: Figures, y: Figures) -> Figures:
    return 0.021 * x + 0.009 * y


def _marram(x: Figures, y: Figures) -> Figures:
    waves = 0.05 * np.sin(0.55 * x + 0.4) * np.cos(0.5 * y) + 0.03 * np.sin(0.3 * x - 0.62 * y)
    return 0.012 * y + waves


def _breakwater(x: Figures, y: Figures) -> Figures:
    return 0.012 * y + 0.225 * (1.0 + np.tanh((y - 10.5 + 0.15 * (x - 12.0)) / 1.4))


def _samphire(x: Figures, y: Figures) -> Figures:
    return 0.0016 * ((x - 12.0) ** 2 - (y - 10.0) ** 2) + 0.008 * y


def _anvil(x: Figures, y: Figures) -> Figures:
    return 0.0 * x + 0.014 * y - 0.35 * np.exp(-((y / 2.6) ** 2))


def _homeward(x: Figures, y: Figures) -> Figures:
    return 0.012 * y + 0.16 * np.exp(-(((x - 12.0 + 0.2 * (y - 10.0)) / 2.8) ** 2))


def _practice(x: Figures, y: Figures) -> Figures:
    return 0.004 * x + 0.006 * y


MANY = (("level", 14), ("arrow", 16), ("plate", 4))
DEMO_GREENS: Final = (
    DemoGreen(
        *(1, "Saltings", "A swale runs through from front left to back right: short of it all gathers."),
        *(_saltings, (0.06, 0.03, 0.4)),
        (("front", 9.0, 4.0), ("middle", 12.5, 10.0), ("back", 17.0, 16.0), ("white", 6.0, 12.0)),
        MANY,
        note="From the right edge all gathers in the swale: a ball more than it looks.",
    ),
    DemoGreen(
        *(2, "Curlew", "A punchbowl: miss it anywhere and the ball comes to the middle."),
        *(_curlew, (0.03, 0.04, 1.2)),
        (("front", 12.0, 4.0), ("middle", 12.0, 8.5), ("back", 13.0, 15.5), ("red", 18.0, 10.0)),
    ),
    DemoGreen(
        *(3, "Lantern", "A crown: every side falls away, and long is no better than short."),
        *(_lantern, (0.04, 0.02, 2.2)),
        (("front", 10.0, 4.0), ("middle", 13.0, 10.5), ("back", 12.0, 16.0), ("left", 6.0, 10.0)),
    ),
    DemoGreen(
        *(4, "Spindrift", "One plane from right to left: the same break from the same hour everywhere."),
        *(_spindrift, (0.08, 0.02, 0.1)),
        (("front", 12.0, 4.0), ("middle", 13.0, 10.0), ("back", 10.0, 16.0), ("yellow", 18.0, 8.0)),
    ),
    DemoGreen(
        *(5, "Marram", "Potato crisp: hollows and humps a few paces across, and no long straight putt."),
        *(_marram, (0.05, 0.05, 0.8)),
        (("front", 12.0, 3.5), ("middle", 10.0, 10.5), ("back", 15.0, 16.0), ("right", 19.0, 10.0)),
        (("level", 22), ("arrow", 24), ("plate", 4)),
    ),
    DemoGreen(
        *(6, "Breakwater", "Two tiers, a step of knee height between: be on the right one."),
        *(_breakwater, (0.05, 0.03, 1.9)),
        (("front", 11.0, 4.5), ("middle", 8.0, 13.0), ("back", 14.0, 16.5), ("blue", 17.0, 5.5)),
        (("level", 20), ("arrow", 20), ("plate", 3)),
        note="Never above the hole on the top tier: the step takes three feet off any putt from the back.",
    ),
    DemoGreen(
        *(7, "Samphire", "A saddle: it rises to both sides, and falls to the front and the back."),
        *(_samphire, (0.06, 0.04, 2.8)),
        (("front", 12.0, 4.0), ("middle", 12.0, 11.0), ("back", 14.0, 16.0), ("white", 5.5, 9.0)),
    ),
    DemoGreen(
        *(8, "Anvil", "A false front: what pitches on the first five paces is back on the fairway."),
        *(_anvil, (0.04, 0.04, 0.6)),
        (("front", 12.0, 6.0), ("middle", 10.0, 10.0), ("back", 14.0, 16.0), ("red", 17.5, 12.0)),
        MANY,
        (GrainArea((2.0, 14.0), 5.0, math.radians(20.0), 0.08, GRAIN_WAY_SD_RAD, GRAIN_STRENGTH_SHARE),),
    ),
    DemoGreen(
        *(9, "Homeward", "A spine up the middle: left of it breaks left, right of it breaks right."),
        *(_homeward, (0.05, 0.03, 1.5)),
        (("front", 9.0, 4.0), ("middle", 14.5, 10.0), ("back", 8.0, 15.5), ("blue", 18.0, 14.0)),
        MANY,
        note="Pick a side of the spine before you pick a club.",
    ),
    DemoGreen(
        *(0, "practice green", "Hardly any slope: for measuring speed and rolling putts of a known length."),
        *(_practice, (0.03, 0.02, 0.2)),
        (("one", 8.0, 6.0), ("two", 16.0, 8.0), ("three", 12.0, 14.0), ("four", 6.0, 13.0)),
        (("level", 8), ("plate", 2)),
    ),
)
"""By their numbers."""


@dataclass(frozen=True)
class ChartedDemo:
    """A green of Ternholm, what Wren charted of it, and what that makes known."""

    green: DemoGreen
    chart: Chart
    known: Known


def demo_charts(rng: np.random.Generator) -> list[Chart]:
    """Return what Wren charted, green by green."""
    return [green.chart(rng) for green in DEMO_GREENS]


@anyone
def load_demo_greens(session: Session, golfer: Golfer, rng: np.random.Generator) -> list[ChartedDemo]:
    """Chart the greens of Ternholm for a golfer, and return them in their order."""
    wren, found = Viewer(golfer), []
    for green, chart in zip(DEMO_GREENS, demo_charts(rng), strict=True):
        number = new_green(
            wren, session, green.place, deep_m=DEEP_M, wide_m=WIDE_M, character=green.character
        )
        edit_chart(wren, session, number, _always(Edit(chart, "the walk of 14 June")))
        told = {"name": green.place.green, "character": green.character, "note": green.note}
        describe_green(wren, session, number, **told)
        known = Known(surveyed(chart.readings, {}), Outline(chart.corners), chart.grain)
        found.append(ChartedDemo(green, chart, known))
    return found


def _always(edit: Edit) -> Callable[[Chart], Edit]:
    return lambda _before: edit
