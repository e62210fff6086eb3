"""The cup's rim with what is seen of the grain round it, and the way that the grass grows by that."""

import math
from collections.abc import Collection, Iterator, Sequence
from typing import Final, NamedTuple

from orthocline.core.grain import Clue, GrainWay
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
    Strokes,
    Words,
    arrowhead,
    box,
    spots_of,
)
from orthocline.wording.ground.grain import CLUE_WORDS

SIZE: Final = 470.0
MIDDLE: Final = Spot(235.0, 235.0)
RIM: Final = 118.0
HOURS_AT, CLUE_AT, NAME_AT = 96.0, 138.0, 172.0
"""How far from the middle the hours, the clues and their names stand."""
HALF_RAD: Final = math.radians(24.0)
"""A worn or sharp edge reaches so far to both sides."""
TEETH: Final = 9
ARROW, HEAD = 74.0, 20.0
WEDGE_STEPS: Final = 16
WIDEST_RAD: Final = 0.5 * math.pi
ROOM: Final = Room(left=6.0, right=SIZE - 6.0, top=30.0, bottom=SIZE - 28.0)
DOUBTFUL: Final = 30.0


class CupSheet(NamedTuple):
    """The drawing, and where each clue lies on it."""

    scene: Scene
    spots: tuple[Spot, ...]


def cup_sheet(clues: Sequence[Clue], way: GrainWay | None, odd: Collection[int], says: str) -> CupSheet:
    """Return the cup with its clues, the golfer's eye up.

    Parameters
    ----------
    clues : sequence of Clue
        What is seen.
    way : GrainWay or None
        What it says together.
    odd : collection of int
        Which clues contradict another.
    says : str
        The picture in words.
    """
    items: list[Item] = [
        Area(box(0.0, 0.0, SIZE, SIZE), fill=Fill.GROUND),
        Disc(MIDDLE, RIM, Sign.INK, None, 3.0, name="rim"),
        *_hours(),
        Words("your side", Spot(MIDDLE.x, SIZE - 8.0), Sign.QUIET, "middle"),
        Words("beyond", Spot(MIDDLE.x, 18.0), Sign.QUIET, "middle"),
    ]
    for i, clue in enumerate(clues):
        items += DRAWN[clue.kind](clue)
        if i in odd:
            at = _spot(clue.seen_rad, CLUE_AT)
            items.append(Disc(at, DOUBTFUL, Sign.UNSURE, None, 2.4, "5 4", name="odd"))
    if way:
        items += _grows(way)
    names = [
        Wanted(CLUE_WORDS[one.kind].noun, _spot(one.seen_rad, NAME_AT), "near", Sign.INK) for one in clues
    ]
    items += [item for label in place_labels(names, ink_of(items), ROOM) for item in label.items]
    # A hole is four and a quarter inches wide: of the drawing only ways are taken, no lengths.
    data = {"scale": RIM, "hole-x": MIDDLE.x, "hole-y": MIDDLE.y}
    spots = tuple(_spot(one.seen_rad, CLUE_AT) for one in clues)
    return CupSheet(Scene("cup-sheet", SIZE, SIZE, says, tuple(items), data), spots)


def _spot(way_rad: float, radius: float) -> Spot:
    """Return a place so far from the middle, on a way clockwise from straight beyond."""
    x, y = MIDDLE.x + radius * math.sin(way_rad), MIDDLE.y - radius * math.cos(way_rad)
    return Spot(round(x, 1), round(y, 1))


def _hours() -> Iterator[Item]:
    for hour in range(1, 13):
        way = hour * math.pi / 6.0
        yield Line(spots_of(_spot(way, RIM - 7.0), _spot(way, RIM)), Sign.INK, 1.6)
        at = _spot(way, HOURS_AT)
        yield Words(str(hour), Spot(at.x, at.y + 5.5), Sign.QUIET, "middle")


def _arc(way_rad: float, radius: float) -> list[Spot]:
    steps = [HALF_RAD * (2.0 * i / WEDGE_STEPS - 1.0) for i in range(WEDGE_STEPS + 1)]
    return [_spot(way_rad + step, radius) for step in steps]


def _worn(clue: Clue) -> Iterator[Item]:
    """Yield a ragged edge."""
    teeth = [
        _spot(clue.seen_rad + HALF_RAD * (i / TEETH - 1.0), RIM + (11.0 if i % 2 else 3.0))
        for i in range(2 * TEETH + 1)
    ]
    yield Line(spots_of(*teeth), Sign.INK, 2.6, name="worn")


def _sharp(clue: Clue) -> Iterator[Item]:
    """Yield a clean edge: one heavy line beside the rim."""
    yield Line(spots_of(*_arc(clue.seen_rad, RIM + 7.0)), Sign.INK, 4.5, name="sharp")


def _clippings(clue: Clue) -> Iterator[Item]:
    """Yield short strokes that lie about."""
    ends = []
    for i in range(-3, 4):
        for j, off in enumerate((0.0, 13.0)):
            at = clue.seen_rad + i * HALF_RAD / 3.0 + 0.08 * j
            near, lies = _spot(at, CLUE_AT - 6.0 + off), 3.0 * i + 2.0 * j
            ends += [near, Spot(near.x + 5.0 * math.cos(lies), near.y + 5.0 * math.sin(lies))]
    yield Strokes(spots_of(*ends), Sign.INK, 1.8, name="clippings")


def _sheen(clue: Clue) -> Iterator[Item]:
    """Yield the way in which one looks, from behind the cup, and its stripes."""
    foot, tip = _spot(clue.seen_rad + math.pi, NAME_AT + 6.0), _spot(clue.seen_rad + math.pi, RIM + 10.0)
    way = math.sin(clue.seen_rad), -math.cos(clue.seen_rad)
    yield Line(spots_of(foot, tip), Sign.QUIET, 2.0, name=clue.kind)
    yield Area(arrowhead(tip, way, 13.0, 6.0), Sign.QUIET)
    width = 1.2 if clue.kind == "shiny" else 4.0
    for off in (-24.0, -8.0, 8.0, 24.0):
        ends = [
            Spot(at.x - off * way[1], at.y + off * way[0])
            for at in (_spot(clue.seen_rad, CLUE_AT - 8.0), _spot(clue.seen_rad, CLUE_AT + 16.0))
        ]
        yield Line(spots_of(*ends), Sign.QUIET, width)


DRAWN = {"worn": _worn, "sharp": _sharp, "clippings": _clippings, "shiny": _sheen, "dark": _sheen}
"""How each clue is drawn."""


def _grows(way: GrainWay) -> Iterator[Item]:
    """Yield the arrow of the grass, and within what it is known."""
    within = min(2.0 * way.sd_rad, WIDEST_RAD)
    steps = [within * (2.0 * i / WEDGE_STEPS - 1.0) for i in range(WEDGE_STEPS + 1)]
    wedge = spots_of(MIDDLE, *(_spot(way.toward_rad + step, ARROW) for step in steps))
    yield Area(wedge, Sign.UNSURE, Fill.HATCHED, 1.2, name="unsure")
    step = math.sin(way.toward_rad), -math.cos(way.toward_rad)
    ends = _spot(way.toward_rad, -0.6 * ARROW), _spot(way.toward_rad, ARROW - HEAD)
    yield Line(spots_of(*ends), Sign.FALL, 5.0)
    yield Area(arrowhead(_spot(way.toward_rad, ARROW), step, HEAD, 10.0), Sign.FALL, name="grows")
