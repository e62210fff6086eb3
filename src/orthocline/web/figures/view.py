"""The variables of the log's figures."""

from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple
from urllib.parse import urlencode

from flask import url_for

from orthocline.core.log import FEW, Figure, difference
from orthocline.services.log.figures import month_start
from orthocline.services.log.putts import Which
from orthocline.web.figures.forms import FiguresForm
from orthocline.web.shared.log_charts import MOST_MONTHS, LogCharts
from orthocline.web.shared.which_form import narrowed, which_values
from orthocline.wording.figures import both
from orthocline.wording.log.methods import method_words
from orthocline.wording.log.statistics import BY_NAME, GROUPS, Said, figure_text, said, title
from orthocline.wording.log.which import between_words


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
class FiguresView(LogCharts):
    """The page: its charts, the form, and which putts it asks for."""

    form: FiguresForm
    which: Which

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

    @cached_property
    def band_links(self) -> list[tuple[str, str]]:
        """The putts of each band."""
        found = []
        for band in self.found_bands:
            if band.holed.count:
                most_m = band.span.most if band.span.most < 100.0 else None
                words = between_words(band.span.least or None, most_m, self.wording)
                only = self._between(band.span.least or None, most_m)
                found.append((words, self._address(narrowed(self.which, "known", "measured", **only))))
        return found

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
            found.append((self.month(one.number), self._address(which)))
        return found

    @property
    def finishes_opens(self) -> str:
        """The putts whose finishes are drawn."""
        return self._address(narrowed(self.which, "known", "stopped"))

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
