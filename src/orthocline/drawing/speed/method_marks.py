"""How speeds are marked, by the method that found them."""

from collections.abc import Callable, Iterator

from orthocline.core.speed import METHODS
from orthocline.drawing.lettering import text_width
from orthocline.drawing.scene import Area, Disc, Fill, Item, Sign, Spot, Words, box
from orthocline.wording.speed.methods import METHOD_WORDS

Mark = Callable[[Spot], Item]
GAP = 10.0
"""Between a mark, its words and the next mark of the key."""
LARGEST = 22.0
"""Size of the type on a phone, for which the key must have room."""


def _full(at: Spot) -> Item:
    return Disc(at, 4.5, Sign.REAL)


def _empty(at: Spot) -> Item:
    return Disc(at, 4.0, Sign.REAL, Fill.OPEN, 1.8)


def _square(at: Spot) -> Item:
    return Area(box(at.x - 4.0, at.y - 4.0, at.x + 4.0, at.y + 4.0), Sign.REAL, Fill.OPEN, 1.8)


METHOD_MARKS: dict[str, Mark] = {"ramp": _full, "posted": _empty}
"""By the names of the core's registry; methods that are not here are marked alike."""


def mark_of(method: str, at: Spot) -> Item:
    """Return the mark of a speed found by a method."""
    return METHOD_MARKS.get(method, _square)(at)


def key_items(left: float, y: float) -> Iterator[Item]:
    """Yield the key: each mark with the methods that it stands for."""
    methods: dict[Mark, list[str]] = {}
    for name in METHODS:
        methods.setdefault(METHOD_MARKS.get(name, _square), []).append(METHOD_WORDS[name].short)
    x = left + 5.0
    for mark, names in methods.items():
        words = ", ".join(names)
        yield mark(Spot(x, y - 5.0))
        yield Words(words, Spot(x + GAP, y), Sign.QUIET)
        x += text_width(words, LARGEST) + 2.0 * GAP + 5.0
