"""The charts of a log, wherever they are shown: by length, by month, misses, start lines."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise

from orthocline.core.log import Band
from orthocline.drawing.log.bands import SHARES, Column, columns_drawing, scale_round
from orthocline.drawing.log.finishes import finishes
from orthocline.drawing.log.start_fan import start_fan
from orthocline.drawing.scene import Scene
from orthocline.services.log.figures import LogFigures, month_start
from orthocline.wording.figures import hundred
from orthocline.wording.holing.golfers import LEVEL_WORDS
from orthocline.wording.log.statistics import figure_text
from orthocline.wording.wording import Wording

EDGES = {"ft": (0, 3, 5, 8, 12, 20, 30, 45, 330), "m": (0, 1, 1.5, 2.5, 4, 6, 9, 14, 101)}
"""Where the bands of lengths begin and end, in the golfer's unit."""
MOST_DRAWN = 300
"""Misses and start lines are drawn of so many putts, the newest."""
MOST_MONTHS = 14
LEAST_STROKES = 0.1


@dataclass(frozen=True)
class LogCharts:
    """The charts of some putts of a log, others beside them where they are asked for.

    `level` is that of the usual golfer they are compared with.
    """

    found: LogFigures
    beside: LogFigures | None
    level: str
    wording: Wording

    @property
    def usual(self) -> str:
        """Whom figures are compared with."""
        return f"a {LEVEL_WORDS[self.level]} golfer"

    @property
    def edges_m(self) -> tuple[float, ...]:
        """Where the bands of lengths begin and end [m]."""
        return tuple(edge * self.wording.units.far_m for edge in EDGES[self.wording.units.far])

    @cached_property
    def found_bands(self) -> tuple[Band, ...]:
        """What was holed from band to band."""
        return self.found.bands(self.edges_m)

    @cached_property
    def _others(self) -> Sequence[Band | None]:
        return self.beside.bands(self.edges_m) if self.beside else [None] * len(self.found_bands)

    @property
    def _band_names(self) -> list[str]:
        edges = EDGES[self.wording.units.far]
        return [*(f"{least:g}–{most:g}" for least, most in pairwise(edges[:-1])), f"{edges[-2]:g}+"]

    @cached_property
    def gained(self) -> Scene:
        """What a putt gained, from band to band."""
        columns = [
            Column(name, band.gained, other=other.gained if other else None)
            for name, band, other in zip(self._band_names, self.found_bands, self._others, strict=True)
        ]
        heading = f"strokes gained a putt, by length [{self.wording.units.far}]"
        told = self._told(columns)
        return columns_drawing(
            "gained", columns, scale_round(columns, LEAST_STROKES), heading, f"Gained: {told}"
        )

    def _told(self, columns: Sequence[Column]) -> str:
        """Return strokes gained in words, for whoever does not see them."""
        return "; ".join(
            f"{one.name} {figure_text('strokes', one.figure.value, self.wording)}"
            for one in columns
            if one.figure.value is not None
        )

    @cached_property
    def bands(self) -> Scene:
        """What is holed from band to band, beside the usual golfer."""
        far = self.wording.units.far
        columns = [
            Column(name, band.holed, band.usual, other.holed if other else None)
            for name, band, other in zip(self._band_names, self.found_bands, self._others, strict=True)
        ]
        told = "; ".join(
            f"{one.name} {far} {hundred(one.figure.value)} of 100 over {one.figure.count}"
            for one in columns
            if one.figure.value is not None
        )
        heading = f"holed of 100, by length [{far}]"
        return columns_drawing("bands", columns, SHARES, heading, f"Holed by length: {told}", self.usual)

    @cached_property
    def trend(self) -> Scene:
        """What each putt gained, month by month."""
        months = self.found.months[-MOST_MONTHS:]
        columns = [Column(self.month(one.number), one.gained) for one in months]
        scale = scale_round(columns, LEAST_STROKES)
        heading = f"strokes gained a putt on {self.usual}"
        return columns_drawing("trend", columns, scale, heading, f"Gained by month: {self._told(columns)}")

    def month(self, number: int) -> str:
        """Return a month, counted from the year 0, in words."""
        return self.wording.calendar.month(month_start(number, self.wording.calendar.zone))

    @cached_property
    def finishes(self) -> Scene:
        """Where the newest misses stopped."""
        putts, places = self.found.putts, self.found.newest("stopped", MOST_DRAWN)
        says = f"Where {len(places)} misses stopped, round the cup"
        return finishes(putts.along_m[places], putts.right_m[places], says, self.wording)

    @property
    def finishes_words(self) -> str:
        """How many misses are drawn of how many."""
        count = self.found.figures["short"].count
        return f"{_drawn_of(count, 'miss', 'misses')} with a finish"

    @cached_property
    def starts(self) -> Scene:
        """The newest start lines."""
        putts, places = self.found.putts, self.found.newest("traced", MOST_DRAWN)
        figures = self.found.figures
        seen = [figures[name] for name in ("started_left", "started_on", "started_right")]
        says = f"Start lines of {len(places)} putts, right and left of the line that was meant"
        return start_fan(putts.start_rad[places], figures["start_off"], seen, says)

    @property
    def starts_words(self) -> str:
        """How many start lines are drawn of how many."""
        drawn = _drawn_of(self.found.figures["start_off"].count, "start line", "start lines")
        return f"{drawn}, as the finishes imply on the ground that was read"


def _drawn_of(count: int, one: str, many: str) -> str:
    if count > MOST_DRAWN:
        return f"the newest {MOST_DRAWN} of {count:,} {many}"
    return f"{count:,} {one if count == 1 else many}"
