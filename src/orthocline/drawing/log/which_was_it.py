"""One putt as it rolled, and with the read, the line or the pace put right drawn over it, to scale.

On the left the whole putt, on the right what happened round the hole, larger.
"""

from collections.abc import Mapping

import numpy as np

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.learning import Diagnosis
from orthocline.core.roll import OwnRoll
from orthocline.drawing.frame import Frame, fit
from orthocline.drawing.labels import Room, Wanted, dots_along, place_labels
from orthocline.drawing.roll.hole_frame import hole_frame, line_from_ball
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
    box,
    diamond,
    spots_of,
)

WIDTH, HEIGHT = 600.0, 460.0
TOP, TALL, WIDE, MIDDLE = 40.0, 380.0, 110.0, 80.0
"""Where the whole putt lies on the sheet: the top of its box, how tall and wide that is, its middle."""
NEAR = (170.0, 10.0, 590.0, 450.0)
"""The box of what is round the hole: left, top, right, bottom."""
LEAST_NEAR_M = 0.35
ROOMY = 1.2
"""So much of the ground round the hole is shown at least, and so much more than is needed."""
ROOM = Room(left=178.0, right=584.0, top=30.0, bottom=444.0)
DASHES = {"read": "12 6", "line": "2 6", "pace": "12 5 2 5"}
"""How the ways are drawn that were put right."""
NAMES = {"read": "right read", "line": "right line", "pace": "right pace"}
WAS = "as it rolled"
LEAST_HOLE, FINISH = 4.0, 7.0
"""Radii of the hole, at least, and of the mark of where the ball stopped."""
TURNS = np.arange(0.0, 6.3, 0.3)
LOOKS = 241


def which_was_it_drawing(found: Diagnosis, says: str) -> Scene:
    """Return the drawing of what happened and what might have; a ball that drops ends in the hole."""
    rolls = found.rolls
    ways_m = {name: _way_m(found, roll) for name, roll in rolls.items()}
    aim_m = found.ground.length_m * float(np.tan(found.played.meant.right_rad))
    items: list[Item] = [
        Area(box(0.0, 0.0, WIDTH, HEIGHT), fill=Fill.GROUND),
        *_whole(found, ways_m, aim_m),
        *_near(found, ways_m, aim_m),
    ]
    return Scene("which", WIDTH, HEIGHT, says, tuple(items))


def dash_key(name: str) -> Scene:
    """Return a short piece of the line that a way is drawn by."""
    line = Line(spots_of((3.0, 8.0), (57.0, 8.0)), *_pen(name))
    return Scene("", 60.0, 16.0, NAMES.get(name, WAS), (line,))


def share_bar(share: float) -> Scene:
    """Return a probability as a bar."""
    whole, part = spots_of((3.0, 4.0), (97.0, 4.0)), spots_of((3.0, 4.0), (3.0 + 94.0 * share, 4.0))
    items = [Line(whole, Sign.RULE, 5.0), *([Line(part, Sign.INK, 5.0)] if share > 0.0 else [])]
    return Scene("", 100.0, 8.0, f"{100.0 * share:.0f} of 100", tuple(items))


def _pen(name: str) -> tuple[Sign, float, str]:
    return (Sign.INK, 2.0, DASHES[name]) if name in DASHES else (Sign.REAL, 3.4, "")


def _way_m(found: Diagnosis, roll: OwnRoll) -> Spots:
    """Return a ball's way beyond the hole and right of it [m]; into the hole, if it drops."""
    rows = roll.track.even_times(0.0, roll.track.duration_s, LOOKS)
    way = np.column_stack(hole_frame(found.ground, rows[:, 1:3]))
    if not roll.capture.drops:
        return way
    return np.vstack([way[way[:, 0] < 0.0], (0.0, 0.0)])


def _whole(found: Diagnosis, ways_m: Mapping[str, Spots], aim_m: float) -> list[Item]:
    """Return the whole putt, small."""
    putt = found.ground
    places = np.vstack([*ways_m.values(), (-putt.length_m, 0.0), (0.0, aim_m)])
    frame = fit(places, width=WIDE, height=TALL, center_x=MIDDLE, top=TOP)
    return [
        Line(line_from_ball(putt, (0.0, aim_m), frame), Sign.DO, 1.2),
        *(Line(frame.spots(*ways_m[name].T), Sign.INK, 1.4, dash) for name, dash in DASHES.items()),
        Line(frame.spots(*ways_m["was"].T), Sign.REAL, 2.4),
        Disc(frame.hole, max(HOLE_RADIUS_M * frame.scale, LEAST_HOLE), Sign.INK),
        Disc(frame.spot(-putt.length_m, 0.0), 6.0, Sign.INK, Fill.OPEN, 1.6, name="ball"),
    ]


def _near(found: Diagnosis, ways_m: Mapping[str, Spots], aim_m: float) -> list[Item]:
    """Return what happened round the hole, large."""
    ends = np.vstack([*(way[-1] for way in ways_m.values()), (0.0, 0.0), (0.0, aim_m)])
    frame = _near_frame(ends)
    ways = {name: _within(frame.spots(*way.T)) for name, way in ways_m.items()}
    aim_line = _within(line_from_ball(found.ground, (0.0, aim_m), frame))
    mark, rolls = frame.spot(0.0, aim_m), found.rolls
    misses = [name for name in ways if not rolls[name].capture.drops]
    at = {name: frame.spot(*ways_m[name][-1]) for name in misses}
    items: list[Item] = [
        Line(np.vstack([box(*NEAR), box(*NEAR)[:1]]), Sign.RULE, 1.5),
        Line(aim_line, Sign.DO, 1.4, name="aim-line"),
        Area(diamond(mark, 7.0), Sign.DO, Fill.OPEN, 1.6, name="aim-mark"),
        *(Line(ways[name], *_pen(name), name=f"{name}-way") for name in (*DASHES, "was")),
        *(Disc(at[name], 4.0, Sign.INK, Fill.OPEN, 1.4) for name in misses if name in DASHES),
        Disc(frame.hole, HOLE_RADIUS_M * frame.scale, Sign.INK, name="hole"),
    ]
    if "was" in misses:
        items.append(Disc(at["was"], FINISH, Sign.REAL, name="finish"))
    wanted = [Wanted(WAS, at["was"], "near", Sign.REAL, needed=False)] if "was" in misses else []
    wanted.append(Wanted("aim", mark, "near", Sign.DO, needed=False))
    wanted += [Wanted(NAMES[name], at[name], "near", needed=False) for name in misses if name in NAMES]
    rings = [_ring(frame.hole, HOLE_RADIUS_M * frame.scale), *(_ring(spot, FINISH) for spot in at.values())]
    marks = np.vstack([mark, *rings])
    for label in place_labels(wanted, dots_along([*ways.values(), aim_line], marks), ROOM):
        items += label.items
    return items


def _ring(at: Spot, radius: float) -> Spots:
    return np.asarray(radius * np.column_stack([np.cos(TURNS), np.sin(TURNS)]) + at)


def _near_frame(ends_m: Spots) -> Frame:
    """Return the frame of what is round the hole: all ends in the middle of their box."""
    left, top, right, bottom = NEAR
    span = np.maximum(ROOMY * np.ptp(ends_m, axis=0), 2.0 * LEAST_NEAR_M)
    scale = min((bottom - top - 60.0) / span[0], (right - left - 60.0) / span[1])
    beyond, aside = 0.5 * (ends_m.max(axis=0) + ends_m.min(axis=0))
    return Frame(scale, 0.5 * (left + right) - scale * aside, 0.5 * (top + bottom) + scale * beyond)


def _within(way: Spots) -> Spots:
    """Return the part of a way that lies in the box round the hole, from where it comes in for good."""
    left, top, right, bottom = NEAR
    finer = _finer(way)
    out = (finer[:, 0] < left) | (finer[:, 0] > right) | (finer[:, 1] < top) | (finer[:, 1] > bottom)
    first = int(np.flatnonzero(out)[-1]) + 1 if out.any() else 0
    return finer[min(first, len(finer) - 2) :]


def _finer(way: Spots) -> Spots:
    """Return a way with places between its own, so that it can be cut anywhere."""
    at = np.arange(len(way))
    between = np.linspace(0.0, len(way) - 1.0, max(len(way), 2 * LOOKS))
    return np.column_stack([np.interp(between, at, column) for column in way.T])
