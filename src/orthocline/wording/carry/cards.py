"""Pocket cards in words: faces, each a small table, every figure as coarse as its cell bears."""

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final, NamedTuple

from orthocline.core.cards import HALF, HOURS, Cards, Cell, Pace, PaceRow, rounded
from orthocline.core.units import FOOT_M, INCH_M, PERCENT
from orthocline.wording.figures import capital, quarters, speed_text, tidy
from orthocline.wording.wording import Wording

KINDS: Final[Mapping[str, str]] = {
    "aim": "Aim by length and tilt",
    "pace": "Pace by length and rise",
    "fingers": "Fingers",
    "dial": "Fall-line dial",
}
"""What cards there are, in words."""
MOST_ROWS: Final = 6
"""So many rows stand on one face; what is more goes on to the next."""
NONE: Final = "–"
LEVEL: Final = 5e-4
"""On less rise [ratio] a putt is level."""


class Told(NamedTuple):
    """What a cell says: its figure, and how much half a percent more would change it."""

    figure: str
    below: str = ""


NOTHING: Final = Told(NONE)


class FaceRow(NamedTuple):
    """A row of a face."""

    head: str
    cells: tuple[Told, ...]


@dataclass(frozen=True)
class Face:
    """One face of a card.

    Attributes
    ----------
    kind : str
        One of `KINDS`.
    title, speed : str
        What it is for, and the green speed.
    unit, made : str
        What its figures are, and the day on which it was made.
    corner : str
        Over the heads of its rows.
    heads : tuple of str
        Of its columns.
    rows : tuple of FaceRow
        As many as it has room for.
    below : str
        What the lower figures are.
    past, note : str
        For which pace it is, and what else is to be said.
    """

    kind: str
    title: str
    speed: str
    unit: str
    made: str
    corner: str
    heads: tuple[str, ...]
    rows: tuple[FaceRow, ...]
    below: str
    past: str
    note: str = ""

    @property
    def dashes(self) -> str:
        """What a dash means, where there is one."""
        has = any(one.figure == NONE for row in self.rows for one in row.cells)
        return f"{NONE} {'see Aim' if self.kind == 'fingers' else 'none drops'}" if has else ""

    @property
    def says(self) -> str:
        """All of it, for whoever does not see it."""
        rows = (
            f"{row.head} {self.corner}: "
            + ", ".join(
                f"{head}: {one.figure}{f' ({one.below})' if one.below else ''}"
                for head, one in zip(self.heads, row.cells, strict=True)
            )
            for row in self.rows
        )
        head = f"{self.title}, green speed {self.speed}, {self.unit}, {self.past}"
        return ". ".join(filter(None, (head, *rows, self.note)))


@dataclass(frozen=True)
class Scale:
    """How the figures of a card are said: their unit in SI, and the steps to which they are rounded."""

    unit: float
    steps: tuple[float, ...]

    def told(self, cell: Cell | None) -> Told:
        """Return what a cell says, as coarsely as it may be said; nothing where no step is fine enough."""
        here = cell and cell.told(lambda value: value / self.unit)
        step = here.step(self.steps) if here else None
        if here is None or step is None:
            return NOTHING
        more = NONE if here.more is None else _signed(rounded(here.more, step))
        return Told(_figure(rounded(here.value, step)), more)

    def plain(self, row: PaceRow, figure: Callable[[Pace], float | None]) -> Told:
        """Return what a figure says that moves no aim, and its difference to that of the steeper putt."""
        value, steeper = figure(row.pace), figure(row.steeper) if row.steeper else None
        if value is None:
            return NOTHING
        more = NONE if steeper is None else self.signed(steeper - value)
        return Told(_figure(self._even(value)), more if more != "0" else "")

    def signed(self, value: float) -> str:
        """Return a figure with its sign."""
        return _signed(self._even(value))

    def _even(self, value: float) -> float:
        return rounded(value / self.unit, self.steps[0])


FINGERS: Final = Scale(1.0, (0.5, 0.25, 0.1))
SHARES: Final = Scale(PERCENT, (5.0, 1.0))


def near_scale(wording: Wording) -> Scale:
    """Return how lengths near the hole are said on a card."""
    return Scale(0.01, (1.0, 0.5)) if wording.units.metric else Scale(INCH_M, (1.0, 0.5, 0.25))


def far_scale(wording: Wording) -> Scale:
    """Return how lengths along the putt are said on a card."""
    return Scale(1.0, (0.1,)) if wording.units.metric else Scale(FOOT_M, (0.5,))


def faces_of(cards: Cards, kinds: Sequence[str], wording: Wording, made: str) -> list[Face]:
    """Return the faces of the cards of some kinds, made on a day."""
    drawn = _Said(cards, wording, made)
    parts = {"aim": drawn.aims, "pace": drawn.paces, "fingers": drawn.fingers, "dial": drawn.dial}
    return [face for kind, part in parts.items() if kind in kinds for face in part()]


@dataclass(frozen=True)
class _Said:
    """Says the cards of one speed."""

    cards: Cards
    wording: Wording
    made: str

    def aims(self) -> Iterator[Face]:
        """Yield the faces of aims: a rise each."""
        near = near_scale(self.wording)
        unit = f"{self.wording.bend} in {_near_unit(self.wording)}"
        for rise, cells in zip(self.cards.grid.rises, self.cards.aims, strict=True):
            rows = [tuple(map(near.told, row)) for row in cells]
            yield from self._by_length("aim", f"Aim, {self._rise(rise)}", unit, self._tilts, rows)

    def paces(self) -> Iterator[Face]:
        """Yield the faces of paces: a rise each."""
        unit = f"{_far_unit(self.wording)}; stroke in {_near_unit(self.wording)}"
        heads = ("plays", "past", "mark", "stroke")
        for rise, paces in zip(self.cards.grid.rises, self.cards.paces, strict=True):
            rows = [self._pace(row) for row in paces]
            yield from self._by_length("pace", f"Pace, {self._rise(rise)}", unit, heads, rows)

    def _pace(self, row: PaceRow | None) -> tuple[Told, ...]:
        if row is None:
            return (NOTHING,) * 4
        far, near = far_scale(self.wording), near_scale(self.wording)
        return (
            far.plain(row, lambda pace: pace.plays_m),
            Told(far.signed(row.pace.beyond_m)),
            far.plain(row, lambda pace: pace.mark_m),
            near.plain(row, lambda pace: pace.stroke_m),
        )

    def fingers(self) -> Iterator[Face]:
        """Yield the faces of fingers."""
        rows = [tuple(map(FINGERS.told, row)) for row in self.cards.fingers]
        unit = f"eye to hand {self.wording.short(self.cards.arm_m)}"
        yield from self._by_length("fingers", "Fingers, level", unit, self._tilts, rows)

    def dial(self) -> Iterator[Face]:
        """Yield the face of the dial: hours round the hole, and what the most is."""
        near, columns = near_scale(self.wording), self.cards.dial
        rows = [
            FaceRow(f"{hour} · {12 - hour}", tuple(SHARES.told(one.shares[i]) for one in columns))
            for i, hour in enumerate(HOURS)
        ]
        rows.append(FaceRow("most", tuple(near.told(one.most) for one in columns)))
        note = f"most: {self.wording.units.near} at {self.wording.far(self.cards.grid.dial_m)}"
        face = self._face("dial", "Dial, 6 uphill", "% of the most", "hour", self._tilts, rows)
        yield replace(face, note=note)

    @property
    def _tilts(self) -> tuple[str, ...]:
        return tuple(self.wording.slope(one) for one in self.cards.grid.tilts)

    def _rise(self, rise: float) -> str:
        if abs(rise) < LEVEL:
            return "level"
        return f"{'up' if rise > 0.0 else 'down'} {self.wording.slope(abs(rise))}"

    def _by_length(
        self, kind: str, title: str, unit: str, heads: tuple[str, ...], rows: Sequence[tuple[Told, ...]]
    ) -> Iterator[Face]:
        units = self.wording.units
        lengths = [tidy(one / units.far_m, 2) for one in self.cards.grid.lengths_m]
        told = [FaceRow(*row) for row in zip(lengths, rows, strict=True)]
        for first in range(0, len(told), MOST_ROWS):
            yield self._face(kind, title, unit, units.far, heads, told[first : first + MOST_ROWS])

    def _face(
        self,
        kind: str,
        title: str,
        unit: str,
        corner: str,
        heads: tuple[str, ...],
        rows: Sequence[FaceRow],
    ) -> Face:
        what = "rise" if kind == "pace" else "tilt"
        return Face(
            kind,
            title,
            speed_text(self.cards.conditions.green_speed_ft),
            capital(unit),
            self.made,
            corner,
            heads,
            tuple(rows),
            f"below: with {self.wording.slope(HALF)} more {what}",
            f"{self.wording.past(self.cards.conditions.past_m)} past",
        )


def _near_unit(wording: Wording) -> str:
    return "cm" if wording.units.metric else "inches"


def _far_unit(wording: Wording) -> str:
    return "metres" if wording.units.metric else "feet"


def _figure(value: float) -> str:
    """Return a figure that was rounded: in quarters where it is a whole number of them."""
    size = abs(value)
    return quarters(size) if abs(4.0 * size - round(4.0 * size)) < 1e-9 else tidy(size)


def _signed(value: float) -> str:
    return f"{'−' if value < 0.0 else '+' if value > 0.0 else ''}{_figure(value)}"
