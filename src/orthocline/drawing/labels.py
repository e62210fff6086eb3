"""Labels that touch neither a line nor each other: stacked at the sides of what is drawn."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from orthocline.drawing.frame import Spots

LETTER_SHARE = 0.56
"""Width of a letter as a share of the type's size: a little over what the shipped type needs."""
LINE_SHARE = 1.25
LETTERS_MIDDLE = 6.0
"""The foot of a label's letters stands so much below the point that it labels."""
GAP = 14.0
NEAR = 40.0
"""A label further than this from its point has a leader line to it."""


@dataclass(frozen=True)
class Wanted:
    """A label that wants a place beside a point of the drawing, on the side named if it fits there.

    One that is not `needed` is left out where it fits on neither side.
    """

    text: str
    x: float
    y: float
    side: str = "left"
    kind: str = "quiet"
    needed: bool = True


@dataclass(frozen=True)
class Label:
    """A label in its place: text anchored at (x, y), and the end of its leader line, if it needs one."""

    text: str
    x: float
    y: float
    anchor: str
    kind: str
    leader: tuple[float, float, float, float] | None


def text_width(text: str, size: float) -> float:
    """Return about how wide a text is drawn."""
    return LETTER_SHARE * size * len(text)


@dataclass(frozen=True)
class Room:
    """The sheet's room for labels, in its units, and the size of their type."""

    left: float
    right: float
    top: float
    bottom: float
    size: float


def ink(lines: Sequence[Spots], marks: Spots, spacing: float = 5.0) -> Spots:
    """Return what is drawn as points, shape (n, 2): lines every `spacing`, and marks as given."""
    dense = [marks]
    for spots in lines:
        step = np.diff(spots, axis=0)
        along = np.concatenate([[0.0], np.cumsum(np.hypot(step[:, 0], step[:, 1]))])
        even = np.arange(0.0, along[-1] + spacing, spacing)
        dense.append(np.column_stack([np.interp(even, along, spots[:, axis]) for axis in (0, 1)]))
    return np.concatenate(dense)


class Outline:
    """How far what is drawn reaches to either side, in strips half a line of text high."""

    def __init__(self, drawn: Spots, room: Room) -> None:
        self.strip, self.size = 0.5 * room.size, room.size
        count = int(room.bottom / self.strip) + 4
        strips = np.clip((drawn[:, 1] / self.strip).astype(int), 0, count - 1)
        low, high = np.full(count, np.inf), np.full(count, -np.inf)
        np.minimum.at(low, strips, drawn[:, 0])
        np.maximum.at(high, strips, drawn[:, 0])
        self.low, self.high = low.tolist(), high.tolist()

    def reach(self, want: Wanted, y: float) -> tuple[float, float]:
        """Return the leftmost and rightmost of a label's point and all drawn beside a line of text.

        Beyond the sheet nothing is drawn: there it is the point alone.
        """
        first = max(0, int((y - self.size) / self.strip))
        last = max(first + 1, int((y + self.size) / self.strip) + 1)
        low, high = self.low[first:last], self.high[first:last]
        return min((want.x, *low)), max((want.x, *high))


def place_labels(wanted: Sequence[Wanted], drawn: Spots, room: Room) -> list[Label]:
    """Return the labels in their places.

    Each stands beside everything that is drawn at its height, on its side; labels on one side keep a line's
    height apart. A label that would leave the sheet on its own side goes to the other.

    Parameters
    ----------
    drawn : ndarray, shape (n, 2)
        What may not be touched, from `ink`.
    """
    placed: list[Label] = []
    outline = Outline(drawn, room)
    sides = [(_side(want, outline, room), want) for want in wanted]
    for side in ("left", "right"):
        mine = sorted((want for at, want in sides if at == side), key=lambda want: want.y)
        for want, y in zip(mine, _heights(mine, room), strict=True):
            placed.append(_label(want, y, side, outline, room))
    return placed


def _side(want: Wanted, outline: Outline, room: Room) -> str:
    """Return the side where a label goes; empty where it is left out."""
    low, high = outline.reach(want, want.y)
    width = text_width(want.text, room.size) + GAP
    free = {"left": low - room.left, "right": room.right - high}
    other = "right" if want.side == "left" else "left"
    if max(free.values()) < width and not want.needed:
        return ""
    return want.side if free[want.side] >= width or free[want.side] >= free[other] else other


def _heights(wanted: Sequence[Wanted], room: Room) -> list[float]:
    """Return heights a line apart, as near as can be to those wanted, from the top down then back up."""
    step = LINE_SHARE * room.size
    heights: list[float] = []
    for want in wanted:
        heights.append(max(want.y, heights[-1] + step if heights else room.top))
    for i in range(len(heights) - 1, -1, -1):
        most = heights[i + 1] - step if i + 1 < len(heights) else room.bottom
        heights[i] = min(heights[i], most)
    return heights


def _label(want: Wanted, y: float, side: str, outline: Outline, room: Room) -> Label:
    low, high = outline.reach(want, y)
    x = low - GAP if side == "left" else high + GAP
    near = abs(y - want.y) < 0.6 * room.size and abs(x - want.x) <= NEAR
    away = 4.0 if side == "left" else -4.0
    leader = None if near else (round(x + away, 1), round(y, 1), want.x, want.y)
    return Label(
        want.text,
        round(x, 1),
        round(y + LETTERS_MIDDLE, 1),
        "end" if side == "left" else "start",
        want.kind,
        leader,
    )
