"""A watched ball beside the own putt: where it started and stopped, how it rolled, and what it says there."""

import math
from collections.abc import Iterator, Sequence
from typing import Final, NamedTuple

import numpy as np

from orthocline.core.balls import LAST_M, Way
from orthocline.core.ground import Reading
from orthocline.core.roll import Putt
from orthocline.drawing.frame import Frame, fit
from orthocline.drawing.ground.readings import LONGEST, PER_SLOPE, reading_spot
from orthocline.drawing.labels import Room, Wanted, ink_of, place_labels
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
    Words,
    arrowhead,
    box,
    fewest,
    spots_of,
)
from orthocline.wording.wording import Wording

SIZE: Final = 470.0
LEFT, WIDE, TOP, TALL = 60.0, 350.0, 80.0, 330.0
ROOM: Final = Room(left=6.0, right=SIZE - 6.0, top=30.0, bottom=SIZE - 8.0)
HOLE, BALL, TIP = 6.5, 7.0, 5.0
BAND_HALF: Final = 9.0
LONGEST_BAND: Final = 1.6 * LONGEST


class WatchedSheet(NamedTuple):
    """The drawing, and where its handles lie, by name."""

    scene: Scene
    spots: dict[str, Spot]


class Seen(NamedTuple):
    """What is drawn of a ball: its way, how it rolled, what it says, and what was seen of start and end."""

    way: Way
    rolled_m: Spots
    readings: Sequence[Reading]
    start_right_rad: float | None
    last_right_rad: float | None
    own: bool


def watched_sheet(
    putt: Putt, seen: Seen, wording: Wording, says: str, held: tuple[float, float, float, float] | None = None
) -> WatchedSheet:
    """Return the drawing, the golfer's eye up.

    Parameters
    ----------
    putt : Putt
        The own putt.
    seen : Seen
        The ball.
    says : str
        The picture in words.
    held : tuple of float or None
        The frame that is kept while something is dragged.
    """
    frame = Frame(*held) if held else _frame(putt, seen)
    ball, stop = frame.spot(-putt.length_m, 0.0), frame.spot(*seen.way.finish_m)
    spots = {"stop": stop}
    items: list[Item] = [
        Area(box(0.0, 0.0, SIZE, SIZE), fill=Fill.GROUND),
        Words("your eye up", Spot(8.0, 22.0), Sign.QUIET),
        Line(spots_of(ball, frame.hole), Sign.INK, 1.6, "0.1 6", name="ball-hole"),
    ]
    for one in seen.readings:
        items += _said(one, putt, frame)
    items += _rolled(seen, frame, spots)
    items += [
        Disc(frame.hole, HOLE, Sign.INK, name="hole"),
        Disc(ball, BALL, Sign.INK, Fill.OPEN, 2.4, name="ball"),
    ]
    wanted = [
        Wanted("your ball", ball, "near", Sign.INK),
        Wanted("stopped", stop, "near", Sign.REAL),
        *(_label(one, putt, frame, wording) for one in seen.readings),
    ]
    if not seen.own:
        spots["start"] = frame.spot(*seen.way.start_m)
        wanted.append(Wanted("its start", spots["start"], "near", Sign.REAL))
    labels = [item for label in place_labels(wanted, ink_of(items), ROOM) for item in label.items]
    data = {"scale": frame.scale, "hole-x": frame.hole_x, "hole-y": frame.hole_y}
    return WatchedSheet(Scene("watched", SIZE, SIZE, says, (*items, *labels), data), spots)


def _frame(putt: Putt, seen: Seen) -> Frame:
    places = np.array([(-putt.length_m, 0.0), (0.0, 0.0), seen.way.start_m, seen.way.finish_m])
    return fit(places, width=WIDE, height=TALL, center_x=LEFT + 0.5 * WIDE, top=TOP)


def _rolled(seen: Seen, frame: Frame, spots: dict[str, Spot]) -> Iterator[Item]:
    """Yield the ball from its start to where it stopped, and what was seen of its first and last feet."""
    yield Line(fewest(frame.spots(*seen.rolled_m.T)), Sign.REAL, 2.2, name="rolled")
    start = frame.spot(*seen.way.start_m)
    if seen.start_right_rad is not None:
        tip = _toward(seen.way.start_m, seen, seen.start_right_rad, seen.way.to_hole_m)
        spots["line"] = frame.spot(*tip)
        yield Line(spots_of(start, spots["line"]), Sign.REAL, 1.4, "6 4", name="start-line")
        yield Disc(spots["line"], TIP, Sign.REAL, Fill.OPEN, 1.8)
    stop = frame.spot(*seen.way.finish_m)
    if seen.last_right_rad is not None:
        foot = _toward(seen.way.finish_m, seen, seen.last_right_rad, -LAST_M)
        spots["last"] = frame.spot(*foot)
        yield Line(spots_of(spots["last"], stop), Sign.REAL, 4.0, "2 3", name="last-feet")
    if not seen.own:
        yield Disc(start, BALL, Sign.REAL, Fill.OPEN, 2.2, name="start")
    yield Disc(stop, BALL, Sign.REAL, name="stop")


def _toward(
    from_m: tuple[float, float], seen: Seen, right_rad: float, length_m: float
) -> tuple[float, float]:
    """Return the place so far off in a direction, which counts to the right of the ball's own line."""
    turn = seen.way.heading_rad + right_rad
    return from_m[0] + length_m * math.cos(turn), from_m[1] + length_m * math.sin(turn)


def _said(reading: Reading, putt: Putt, frame: Frame) -> Iterator[Item]:
    """Yield a reading on the own line as an arrow, with the band in which its tip may lie."""
    at, size, within = reading_spot(reading, putt, frame), reading.size or 0.0, reading.within or 0.0
    way = math.sin(reading.toward_rad), -math.cos(reading.toward_rad)

    def off(slope: float, aside: float = 0.0) -> Spot:
        along = min(max(PER_SLOPE * slope, -LONGEST_BAND), LONGEST_BAND)
        return Spot(
            round(at.x + along * way[0] - aside * way[1], 1), round(at.y + along * way[1] + aside * way[0], 1)
        )

    corners = [
        off(size + sign * within, aside * BAND_HALF) for sign, aside in ((-1, -1), (1, -1), (1, 1), (-1, 1))
    ]
    yield Area(spots_of(*corners), Sign.UNSURE, Fill.HATCHED, 1.2, name="said-within")
    yield Line(spots_of(at, off(size)), Sign.FALL, 3.0, name="said")
    yield Area(arrowhead(off(size), way, 9.0, 4.5), Sign.FALL)


def _label(reading: Reading, putt: Putt, frame: Frame, wording: Wording) -> Wanted:
    at = reading_spot(reading, putt, frame)
    words = f"{wording.slope(reading.size or 0.0)} ±{wording.slope(reading.within or 0.0)}"
    return Wanted(words, at, "near", Sign.FALL, needed=False)
