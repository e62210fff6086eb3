"""What a golfer feels or sees against what a level read in the same place: pairs, and their line."""

from collections.abc import Iterator, Sequence

from orthocline.core.ground import Sense, SlopePair
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
    box,
    scale_strokes,
    spots_of,
)
from orthocline.wording.wording import Wording

WIDTH, HEIGHT = 320.0, 250.0
LEFT, RIGHT, TOP, BOTTOM = 44.0, 304.0, 14.0, 196.0
MOST = 0.06
"""Slope [ratio] to which both scales go; a pair further out stands at the edge."""
MARKS = (0.0, 0.02, 0.04, 0.06)


def senses_drawing(pairs: Sequence[SlopePair], sense: Sense | None, name: str, wording: Wording) -> Scene:
    """Return the pairs of one sense: guesses across, the level upward, and where both are the same."""
    items: list[Item] = [Area(box(0.0, 0.0, WIDTH, HEIGHT), fill=Fill.GROUND), *_axes(name, wording)]
    items.append(Line(spots_of(_spot(0.0, 0.0), _spot(MOST, MOST)), Sign.QUIET, 1.2, "2 5", name="same"))
    if sense:
        ends = [(guess, sense.slope(guess).value) for guess in (0.0, MOST)]
        items.append(Line(spots_of(*(_spot(*end) for end in ends)), Sign.DO, 2.0, name="own-line"))
    items += [Disc(_spot(one.guess, one.level), 4.5, Sign.REAL, name="pair") for one in pairs]
    return Scene(f"sense-{name}", WIDTH, HEIGHT, f"What you {name} against the level", tuple(items))


def _axes(name: str, wording: Wording) -> Iterator[Item]:
    across, upward = ([getattr(_spot(mark, mark), axis) for mark in MARKS] for axis in ("x", "y"))
    yield Line(spots_of((LEFT, TOP), (LEFT, BOTTOM), (RIGHT, BOTTOM)), Sign.INK, 1.4)
    yield Strokes(scale_strokes(across, BOTTOM + 3.0, 3.0), Sign.INK, 1.0)
    yield Strokes(scale_strokes(upward, LEFT - 3.0, 3.0, upright=False), Sign.INK, 1.0)
    for mark, x, y in zip(MARKS, across, upward, strict=True):
        figure = wording.slope(mark).rstrip(" %")
        yield Words(figure, Spot(x, BOTTOM + 22.0), Sign.QUIET, "middle")
        yield Words(figure, Spot(LEFT - 10.0, y + 6.0), Sign.QUIET, "end")
    yield Words(f"{name}, {wording.units.slope}", Spot(RIGHT, BOTTOM + 44.0), Sign.QUIET, "end")
    yield Words("level", Spot(LEFT + 8.0, TOP + 12.0), Sign.QUIET)


def _spot(guess: float, level: float) -> Spot:
    across, upward = (min(max(slope / MOST, 0.0), 1.0) for slope in (guess, level))
    return Spot(LEFT + (RIGHT - LEFT) * across, BOTTOM - (BOTTOM - TOP) * upward)
