"""The side view: the grade of the ground, and the ball's speed along the way."""

from collections.abc import Iterator

import numpy as np

from orthocline.core.ground import Plane
from orthocline.core.roll import Putt, Read
from orthocline.core.sure import Counting
from orthocline.drawing.ground.readings import Marks
from orthocline.drawing.scene import Area, Disc, Fill, Item, Line, Scene, Sign, Spot, Words, spots_of
from orthocline.drawing.sure.counting import counting_items
from orthocline.wording.sure.counting import counting_words
from orthocline.wording.wording import Wording

WIDTH, HEIGHT = 640.0, 108.0
COUNTING_TOP, COUNTING_FOOT, COUNTED_HEIGHT = 108.0, 138.0, 160.0
"""Where the curves of where the slope counts stand, and the height of a sheet with them."""
LEFT, RIGHT = 96.0, 560.0
SPEED_TOP, SPEED_BOTTOM = 22.0, 48.0
GROUND_MIDDLE, GROUND_TALLEST = 75.0, 18.0
FOOT = 101.0
EXAGGERATION = 6.0
"""Heights are drawn so many times too large against lengths, less where that would not fit."""
BESIDE = 8.0
HEIGHTS = 49
PLACE = 3.5


def profile(
    putt: Putt,
    read: Read | None,
    wording: Wording,
    counting: Counting | None = None,
    marks: Marks | None = None,
) -> Scene:
    """Return the side view; without its speeds, and where the slope counts, while the read is hidden."""
    words = _ground_words(putt.grade, putt.length_m, wording)
    items = [*_ground_items(putt, marks), *(_speed_items(read, wording) if read else ())]
    items.append(Words(words, Spot((LEFT + RIGHT) / 2, FOOT - 2.0), Sign.FALL, "middle", name="grade"))
    if counting is None:
        return Scene("side-view", WIDTH, HEIGHT, f"Side view: {words}", tuple(items))
    items += counting_items(counting, LEFT, RIGHT, COUNTING_TOP, COUNTING_FOOT)
    says = f"Side view: {words}. {counting_words(counting)}"
    return Scene("side-view", WIDTH, COUNTED_HEIGHT, says, tuple(items))


def _ground_items(putt: Putt, marks: Marks | None) -> Iterator[Item]:
    """Yield the rise and fall of the line, and the readings of it where they stand."""
    count = 2 if isinstance(putt.surface, Plane) else HEIGHTS
    heights = putt.levels_m(np.linspace(0.0, putt.length_m, count), np.zeros(count))
    tall = EXAGGERATION * (RIGHT - LEFT) / putt.length_m
    tall = min(tall, GROUND_TALLEST / max(float(np.ptp(heights)), 1e-9))
    middle = GROUND_MIDDLE + 0.5 * tall * float(heights.max() + heights.min())
    line = np.column_stack([np.linspace(LEFT, RIGHT, count), middle - tall * heights])
    yield Area(np.concatenate([line, spots_of((RIGHT, FOOT), (LEFT, FOOT))]), fill=Fill.GROUND)
    yield Line(line, Sign.FALL, 2.0, name="grade-line")
    for one in marks.readings if marks else ():
        x = LEFT + (RIGHT - LEFT) * min(max(one.at, 0.0), 1.0)
        y = float(np.interp(x, *line.T))
        yield Disc(
            Spot(x, y),
            PLACE,
            Sign.FALL,
            Fill.OPEN if one.size is None else Fill.SOLID,
            1.6,
            name="reading-place",
        )


def _speed_items(read: Read, wording: Wording) -> Iterator[Item]:
    # By the way that it has come: along the line to the hole some balls go too far and come back.
    steps = np.hypot(*np.diff(read.path[:, 1:3], axis=0).T)
    along = np.concatenate([[0.0], np.cumsum(steps)]) / steps.sum()
    speeds = read.path[:, 3]
    heights = SPEED_BOTTOM - (SPEED_BOTTOM - SPEED_TOP) * speeds / float(speeds.max())
    yield Line(np.column_stack([LEFT + (RIGHT - LEFT) * along, heights])[::4], Sign.INK, 2.2, name="speeds")
    first, last = Spot(LEFT - BESIDE, heights[0] + 5.0), Spot(RIGHT + BESIDE, heights[-1] + 5.0)
    yield Words(wording.ball_speed(speeds[0]), first, anchor="end")
    yield Words(wording.ball_speed(speeds[-1]), last)
    time = f"ball speed on the way · {read.aim.time_to_hole_s:.1f} s to the cup"
    yield Words(time, Spot(RIGHT, 14.0), Sign.QUIET, "end")


def _ground_words(grade: float, length_m: float, wording: Wording) -> str:
    if abs(grade) < 0.0005:
        return "level from ball to hole"
    way = "up" if grade > 0 else "down"
    return f"{way} {wording.short(grade * length_m)} over the putt · {wording.slope(abs(grade))}"
