"""Labels that touch neither what is drawn nor each other: in stacks at its sides, or near their points."""

import math
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np

from orthocline.drawing.lettering import LARGE, USUAL, text_width
from orthocline.drawing.scene import Area, Disc, Item, Line, Sign, Spot, Spots, Strokes, Words, spots_of

LINE_SHARE = 1.25
LETTERS_MIDDLE = 6.0
"""The foot of a label's letters stands so much below the point that it labels."""
GAP = 14.0
NEAR_GAP = 10.0
"""A label near its point keeps so far from it."""
CLEAR = 9.0
"""Labels keep so far from the sides of discs and areas."""
ROUND = np.array([(side, up) for side in (-1.0, 1.0) for up in (-1.0, 0.0, 1.0)])
"""Places round a thing, as shares of its size."""
ANCHORED = {"start": 0.0, "middle": 0.5, "end": 1.0}
SHARES = (0.0, 0.25, 0.5, 0.75, 1.0)
FAR = 40.0
"""A label further than this from its point has a leader line to it."""


LabelSide = Literal["left", "right", "near"]


@dataclass(frozen=True)
class Wanted:
    """A label that wants a place by a point of the drawing.

    Attributes
    ----------
    side : {"left", "right", "near"}
        Beside all that is drawn at its height, on the side named if it fits there; or, as on a map, as near
        as can be.
    needed : bool
        One that is not needed is left out where it fits nowhere.
    """

    text: str
    at: Spot
    side: LabelSide = "left"
    sign: Sign = Sign.QUIET
    needed: bool = True


@dataclass(frozen=True)
class Label:
    """A label in its place: text anchored at a spot, and the ends of its leader line, if it needs one."""

    text: str
    at: Spot
    anchor: str
    sign: Sign
    leader: Spots | None = None

    @property
    def items(self) -> Iterator[Item]:
        """What is drawn of it."""
        if self.leader is not None:
            yield Line(self.leader, Sign.QUIET, 1.0)
        yield Words(self.text, self.at, self.sign, self.anchor)


@dataclass(frozen=True)
class Room:
    """The sheet's room for labels, in its units, and the size of their type.

    `ruled` are heights at which lines run to the left side: no label stands on one there. Labels that stand
    beside what is drawn have room up to `right` only between the heights of `beside`; elsewhere up to `open`.
    """

    left: float
    right: float
    top: float
    bottom: float
    size: float = USUAL
    ruled: tuple[float, ...] = ()
    beside: tuple[float, float] = (-math.inf, math.inf)
    open: float = math.inf

    def right_at(self, y: float) -> float:
        """Return where the room ends on the right at a height."""
        return self.right if self.beside[0] < y < self.beside[1] else self.open

    def off_rules(self, y: float) -> float:
        """Return a height, or the nearest below the line that runs there."""
        clear = LINE_SHARE * self.size
        return next((rule + clear for rule in self.ruled if abs(y - rule) < 0.75 * clear), y)


@dataclass(frozen=True)
class Box:
    """An upright rectangle of the sheet."""

    left: float
    top: float
    right: float
    bottom: float

    def meets(self, other: "Box") -> bool:
        """Return whether two boxes share any place."""
        return (
            self.left < other.right
            and other.left < self.right
            and self.top < other.bottom
            and other.top < self.bottom
        )


def dots_along(lines: Iterable[Spots], marks: Spots, spacing: float = 5.0) -> Spots:
    """Return what is drawn as points, shape (n, 2): lines `spacing` apart at most, and marks as given."""
    lines = [spots for spots in lines if len(spots)]
    if not lines:
        return marks
    begins = np.concatenate([spots[:-1] for spots in lines])
    steps = np.concatenate([spots[1:] for spots in lines]) - begins
    # What lies nowhere has no points.
    counts = np.ceil(np.nan_to_num(np.hypot(*steps.T)) / spacing).astype(int)
    of = np.repeat(np.arange(len(steps)), counts)
    shares = (np.arange(len(of)) - np.repeat(np.cumsum(counts) - counts, counts)) / counts[of]
    ends = np.array([spots[-1] for spots in lines])
    return np.concatenate([marks, begins[of] + shares[:, None] * steps[of], ends])


def ink_of(items: Iterable[Item]) -> Spots:
    """Return what labels may not touch of things on the sheet, as points; discs and areas with room round."""
    lines: list[Spots] = []
    marks: list[Spots] = [np.empty((0, 2))]
    for item in items:
        match item:
            case Line():
                lines.append(item.spots)
            case Strokes():
                marks += [item.spots, 0.5 * (item.spots[::2] + item.spots[1::2])]
            case Area():
                least, most = item.spots.min(axis=0), item.spots.max(axis=0)
                marks.append(0.5 * (least + most) + ROUND * (0.5 * (most - least) + (CLEAR, 0.0)))
            case Words():
                wide, high = text_width(item.text, LARGE if item.large else USUAL), 0.5 * USUAL
                left = item.at.x - ANCHORED[item.anchor] * wide
                marks.append(spots_of(*((left + share * wide, item.at.y - high) for share in SHARES)))
            case Disc():
                marks.append(np.array(item.at) + ROUND * (item.radius + np.array([CLEAR, 4.0])))
    return dots_along(lines, np.concatenate(marks))


class Ink:
    """What is drawn, in order from the top, asked for what lies in a box: a map has thousands of points."""

    def __init__(self, drawn: Spots) -> None:
        self.drawn = drawn[np.argsort(drawn[:, 1])]
        self.heights = np.ascontiguousarray(self.drawn[:, 1])

    def inside(self, box: Box) -> Spots:
        """Return the points in a box, its edge included."""
        first = self.heights.searchsorted(box.top, "left")
        band = self.drawn[first : self.heights.searchsorted(box.bottom, "right")]
        return band[(band[:, 0] >= box.left) & (band[:, 0] <= box.right)]

    def reach(self, at: Spot, y: float, size: float) -> tuple[float, float]:
        """Return the leftmost and rightmost of a point and all drawn beside a line of text at height `y`."""
        places = [at.x, *self.inside(Box(-1e6, y - size, 1e6, y + size))[:, 0].tolist()]
        return min(places), max(places)


def place_labels(wanted: Iterable[Wanted], drawn: Spots, room: Room) -> list[Label]:
    """Return the labels in their places.

    Those on one side stand beside everything that is drawn at their height, a line's height apart; one that
    would leave the sheet there goes to the other side. Those near their points take, in the order given, the
    first place about it that touches nothing.

    Parameters
    ----------
    drawn : ndarray, shape (n, 2)
        What may not be touched, from `dots_along`.
    """
    wanted, ink = list(wanted), Ink(drawn)
    placed: list[Label] = []
    sides = [(_side(want, ink, room), want) for want in wanted if want.side != "near"]
    for side in ("left", "right"):
        mine = sorted((want for at, want in sides if at == side), key=lambda want: want.at.y)
        wished = [room.off_rules(want.at.y) if side == "left" else want.at.y for want in mine]
        for want, y in zip(mine, _heights(wished, room), strict=True):
            placed.append(_beside(want, y, side, ink, room))
    return placed + _near([want for want in wanted if want.side == "near"], placed, ink, room)


def _side(want: Wanted, ink: Ink, room: Room) -> str:
    """Return the side where a label goes; empty where it is left out."""
    low, high = ink.reach(want.at, want.at.y, room.size)
    width = text_width(want.text, room.size) + GAP
    free = {"left": low - room.left, "right": room.right_at(want.at.y) - high}
    other = "right" if want.side == "left" else "left"
    if max(free.values()) < width and not want.needed:
        return ""
    return want.side if free[want.side] >= width or free[want.side] >= free[other] else other


def _heights(wanted: Sequence[float], room: Room) -> list[float]:
    """Return heights a line apart, as near as can be to those wanted, from the top down then back up."""
    step = LINE_SHARE * room.size
    heights: list[float] = []
    for y in wanted:
        heights.append(max(y, heights[-1] + step if heights else room.top))
    for i in range(len(heights) - 1, -1, -1):
        most = heights[i + 1] - step if i + 1 < len(heights) else room.bottom
        heights[i] = min(heights[i], most)
    return heights


def _beside(want: Wanted, y: float, side: str, ink: Ink, room: Room) -> Label:
    low, high = ink.reach(want.at, y, room.size)
    x = low - GAP if side == "left" else high + GAP
    near = abs(y - want.at.y) < 0.6 * room.size and abs(x - want.at.x) <= FAR
    away = 4.0 if side == "left" else -4.0
    return Label(
        want.text,
        Spot(round(x, 1), round(y + LETTERS_MIDDLE, 1)),
        "end" if side == "left" else "start",
        want.sign,
        None if near else spots_of((x + away, y), want.at),
    )


def _near(wanted: Sequence[Wanted], placed: Sequence[Label], ink: Ink, room: Room) -> list[Label]:
    taken = [label_box(label, room.size) for label in placed]
    near = []
    for want in wanted:
        places = list(_places(want, room))
        free = next(
            (place for place in places if _is_free(label_box(place, room.size), taken, ink, room)), None
        )
        label = free or (places[0] if want.needed else None)
        if label:
            taken.append(label_box(label, room.size))
            near.append(label)
    return near


def _places(want: Wanted, room: Room) -> Iterator[Label]:
    """Yield a label in each place about its point: right, left, above and below, then further off."""
    x, y = want.at
    high = 0.5 * room.size
    for gap in (NEAR_GAP, 2.5 * NEAR_GAP):
        for up in (0.0, high + gap, -high - gap):
            for aside, anchor in ((gap, "start"), (-gap, "end")):
                yield Label(want.text, Spot(x + aside, y + LETTERS_MIDDLE - up), anchor, want.sign)
        for up in (high + gap, -high - gap):
            yield Label(want.text, Spot(x, y + LETTERS_MIDDLE - up), "middle", want.sign)


def label_box(label: Label | Words, size: float) -> Box:
    """Return the box round a label's letters."""
    wide = text_width(label.text, size)
    left = label.at.x - ANCHORED[label.anchor] * wide
    middle = label.at.y - LETTERS_MIDDLE
    return Box(left, middle - 0.5 * size, left + wide, middle + 0.5 * size)


def _is_free(box: Box, taken: Sequence[Box], ink: Ink, room: Room) -> bool:
    on_sheet = (
        box.left >= room.left
        and box.right <= room.right
        and box.top >= room.top
        and box.bottom <= room.bottom
    )
    return on_sheet and not any(box.meets(other) for other in taken) and not len(ink.inside(box))
