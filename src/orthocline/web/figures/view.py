"""The variables of the log's figures."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise
from typing import NamedTuple
from urllib.parse import urlencode

from flask import url_for

from orthocline.core.log import FEW, Band, Figure, difference
from orthocline.drawing.log.bands import SHARES, Column, columns_drawing, scale_round
from orthocline.drawing.log.finishes import finishes
from orthocline.drawing.log.start_fan import start_fan
from orthocline.drawing.scene import Scene
from orthocline.services.log.figures import LogFigures, month_start
from orthocline.services.log.putts import Which
from orthocline.web.figures.forms import FiguresForm
from orthocline.web.shared.which_form import narrowed, which_values
from orthocline.wording.figures import both, hundred
from orthocline.wording.holing.golfers import LEVEL_WORDS
from orthocline.wording.log.methods import method_words
from orthocline.wording.log.statistics import BY_NAME, GROUPS, Said, figure_text, said, title
from orthocline.wording.log.which import between_words
from orthocline.wording.wording import Wording

EDGES = {"ft": (0, 3, 5, 8, 12, 20, 30, 45, 330), "m": (0, 1, 1.5, 2.5, 4, 6, 9, 14, 101)}
"""Where the bands of lengths begin and end, in the golfer's unit."""
MOST_DRAWN = 300
"""Misses and start lines are drawn of so many putts, the newest."""
MOST_MONTHS = 14
LEAST_STROKES = 0.1


class FigureRow(NamedTuple):
    """A figure in its row; beside that of other putts, and by how much it is more, where they are asked."""

    title: str
    said: Said
    address: str
    other: Said | None
    more: Said | None


class MethodRow(NamedTuple):
    """What is known by one method."""

    name: str
    address: str
    holed: Said
    gained: Said
    aimed: Said


@dataclass(frozen=True)
class FiguresView:
    """The page: the form, the figures that it asks for, and the others beside them.

    `usual` says whom strokes are gained on.
    """

    form: FiguresForm
    which: Which
    found: LogFigures
    beside: LogFigures | None
    level: str
    wording: Wording

    @property
    def usual(self) -> str:
        """Whom figures are compared with."""
        return f"a {LEVEL_WORDS[self.level]} golfer"

    @property
    def few(self) -> int:
        """From so many putts on a figure is not marked."""
        return FEW

    @cached_property
    def groups(self) -> list[tuple[str, list[FigureRow]]]:
        """All figures by what they are about; groups that rest on nothing are left out."""
        groups = [
            (name, [self._row(one) for one in names if self._rests(one)]) for name, names in GROUPS.items()
        ]
        return [(name, rows) for name, rows in groups if rows]

    def _rests(self, name: str) -> bool:
        others = self.beside.figures[name].count if self.beside else 0
        return self.found.figures[name].count > 0 or others > 0

    def _row(self, name: str) -> FigureRow:
        figure, other, more = self.found.figures[name], None, None
        if self.beside:
            beside = self.beside.figures[name]
            other, apart = said(name, beside, self.wording), difference(figure, beside)
            more = self._difference(name, apart)
        shown = said(name, figure, self.wording)
        return FigureRow(title(name, self.level, self.wording), shown, self._opens(name), other, more)

    def _difference(self, name: str, apart: Figure) -> Said | None:
        """Return by how much a figure is more than the one beside it."""
        if apart.value is None:
            return None
        unit = {"share": "points", "putts": "strokes"}.get(BY_NAME[name].unit, BY_NAME[name].unit)

        def text(value: float) -> str:
            return figure_text(unit, value, self.wording)

        span = both(text(apart.span.least), text(apart.span.most), "to") if apart.span else ""
        proved = apart.span is not None and not apart.span.holds(0.0)
        more = f"{text(abs(apart.value)).removeprefix('+')} {'less' if apart.value < 0.0 else 'more'}"
        return Said(more, span, "" if proved else "may be chance", few=not proved)

    def _opens(self, name: str) -> str:
        """Return the address of the putts that a figure rests on."""
        one = BY_NAME[name]
        return self._address(
            narrowed(self.which, "known", *one.only, **self._between(one.least_m, one.most_m))
        )

    def _between(self, least_m: float | None, most_m: float | None) -> dict[str, float | None]:
        """Return the lengths that lie both within what is asked for and within these."""
        lows = [one for one in (self.which.least_m, least_m) if one]
        highs = [one for one in (self.which.most_m, most_m) if one]
        return {"least_m": max(lows, default=None), "most_m": min(highs, default=None)}

    def _address(self, which: Which) -> str:
        return f"{url_for('log.page')}?{urlencode(which_values(which, self.wording))}"

    @property
    def edges_m(self) -> tuple[float, ...]:
        """Where the bands of lengths begin and end [m]."""
        return tuple(edge * self.wording.units.far_m for edge in EDGES[self.wording.units.far])

    @cached_property
    def _bands(self) -> tuple[Band, ...]:
        return self.found.bands(self.edges_m)

    @cached_property
    def _others(self) -> Sequence[Band | None]:
        return self.beside.bands(self.edges_m) if self.beside else [None] * len(self._bands)

    @property
    def _band_names(self) -> list[str]:
        edges = EDGES[self.wording.units.far]
        return [*(f"{least:g}–{most:g}" for least, most in pairwise(edges[:-1])), f"{edges[-2]:g}+"]

    @cached_property
    def gained(self) -> Scene:
        """What a putt gained, from band to band."""
        columns = [
            Column(name, band.gained, other=other.gained if other else None)
            for name, band, other in zip(self._band_names, self._bands, self._others, strict=True)
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
            for name, band, other in zip(self._band_names, self._bands, self._others, strict=True)
        ]
        told = "; ".join(
            f"{one.name} {far} {hundred(one.figure.value)} of 100 over {one.figure.count}"
            for one in columns
            if one.figure.value is not None
        )
        heading = f"holed of 100, by length [{far}]"
        return columns_drawing("bands", columns, SHARES, heading, f"Holed by length: {told}", self.usual)

    @cached_property
    def band_links(self) -> list[tuple[str, str]]:
        """The putts of each band."""
        found = []
        for band in self._bands:
            if band.holed.count:
                most_m = band.span.most if band.span.most < 100.0 else None
                words = between_words(band.span.least or None, most_m, self.wording)
                only = self._between(band.span.least or None, most_m)
                found.append((words, self._address(narrowed(self.which, "known", "measured", **only))))
        return found

    @cached_property
    def trend(self) -> Scene:
        """What each putt gained, month by month."""
        months = self.found.months[-MOST_MONTHS:]
        columns = [Column(self._month(one.number), one.gained) for one in months]
        scale = scale_round(columns, LEAST_STROKES)
        heading = f"strokes gained a putt on {self.usual}, by month"
        return columns_drawing("trend", columns, scale, heading, f"Gained by month: {self._told(columns)}")

    @cached_property
    def month_links(self) -> list[tuple[str, str]]:
        """The putts of each month."""
        zone = self.wording.calendar.zone
        found = []
        for one in self.found.months[-MOST_MONTHS:]:
            since, until = month_start(one.number, zone), month_start(one.number + 1, zone)
            lows = [then for then in (since, self.which.since) if then]
            highs = [then for then in (until, self.which.until) if then]
            which = narrowed(self.which, "known", "measured", since=max(lows), until=min(highs))
            found.append((self._month(one.number), self._address(which)))
        return found

    def _month(self, number: int) -> str:
        return self.wording.calendar.month(month_start(number, self.wording.calendar.zone))

    @cached_property
    def finishes(self) -> Scene:
        """Where the newest misses stopped."""
        putts, places = self.found.putts, self.found.newest("stopped", MOST_DRAWN)
        says = f"Where {len(places)} misses stopped, round the cup"
        return finishes(putts.along_m[places], putts.right_m[places], says, self.wording)

    @property
    def finishes_opens(self) -> str:
        """The putts whose finishes are drawn."""
        return self._address(narrowed(self.which, "known", "stopped"))

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

    @property
    def starts_opens(self) -> str:
        """The putts whose start lines are drawn."""
        return self._address(narrowed(self.which, "known", "traced"))

    @cached_property
    def methods(self) -> list[MethodRow]:
        """What is known by method."""
        return [
            MethodRow(
                method_words(one.method, self.wording),
                self._address(narrowed(self.which, "known", method=one.method)),
                said("holed", one.holed, self.wording),
                said("gained_a_putt", one.gained, self.wording),
                said("own_aimed", one.aimed, self.wording),
            )
            for one in self.found.by_method
        ]

    @property
    def query(self) -> str:
        """What is asked for, as an address carries it."""
        return urlencode(which_values(self.which, self.wording))


def _drawn_of(count: int, one: str, many: str) -> str:
    if count > MOST_DRAWN:
        return f"the newest {MOST_DRAWN} of {count:,} {many}"
    return f"{count:,} {one if count == 1 else many}"
