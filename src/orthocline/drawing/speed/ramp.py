"""The ramp to scale with its lift, its rails seen end on, and the rolls along a tape."""

import math
from collections.abc import Iterator, Sequence

import numpy as np

from orthocline.core.constants import BALL_RADIUS_M
from orthocline.core.speed import Groove, Ramp, RampSpeed, Rods
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Group,
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
from orthocline.drawing.speed.tape import Roll, tape_items
from orthocline.wording.figures import speed_text, tidy
from orthocline.wording.wording import Wording

WIDTH, HEIGHT = 640.0, 576.0
FOOT = Spot(430.0, 232.0)
RAMP_WIDTH, RAMP_HEIGHT = 300.0, 196.0
LEAST_BALL = 5.0
LIFT_X, LIFT_WORDS_X = 22.0, 34.0
"""How far left of the ramp's top its lift is dimensioned, and written."""
ARC = 60.0
END, END_RADIUS, ROD_RADIUS = Spot(545.0, 98.0), 50.0, 9.0
END_WORDS = 94.0
"""How far below the ball's middle its rails are named, or lower where a groove is deep."""


def ramp_plan(
    ramp: Ramp, ramp_speed: RampSpeed | None, out: Sequence[Roll], back: Sequence[Roll], wording: Wording
) -> Scene:
    """Return the drawing of a ramp and its rolls; the rolls as the standard ramp would have made them."""
    lift, length = wording.short(ramp.lift_m), wording.short(ramp.length_m)
    says = f"The ramp: lift {lift}, {length} long at {_angle(ramp)}."
    if ramp_speed:
        says += f" Speed {speed_text(ramp_speed.speed_ft.value)}"
    items = [
        Area(box(0.0, FOOT.y, WIDTH, FOOT.y + 30.0), fill=Fill.GROUND),
        Line(spots_of((0.0, FOOT.y), (WIDTH, FOOT.y)), Sign.INK, 1.6, name="ground"),
        *_side_items(ramp, wording),
        *_end_items(ramp, wording),
        Group(tuple(tape_items(ramp, ramp_speed, out, back, wording)), name="tape"),
    ]
    return Scene("plan", WIDTH, HEIGHT, says, tuple(items))


def _angle(ramp: Ramp) -> str:
    return f"{tidy(math.degrees(ramp.angle_rad))}°"


def _side_items(ramp: Ramp, wording: Wording) -> Iterator[Item]:
    """Yield the ramp from the side: its lift, its length, the ball on it, its angle and its release."""
    run, lift = ramp.length_m * math.cos(ramp.angle_rad), ramp.lift_m
    cos, sin = math.cos(ramp.angle_rad), math.sin(ramp.angle_rad)
    scale = min(RAMP_WIDTH / run, RAMP_HEIGHT / lift)
    top = Spot(FOOT.x - scale * run, FOOT.y - scale * lift)
    radius = max(BALL_RADIUS_M * scale, LEAST_BALL)
    yield Line(spots_of(top, FOOT), Sign.INK, 4.5, name="ramp")
    yield Line(spots_of(top, (top.x, FOOT.y)), Sign.QUIET, 1.2, "2 5")
    yield from _lift_items(top, wording.short(lift))
    middle = Spot((top.x + FOOT.x) / 2 + 14.0, (top.y + FOOT.y) / 2 - 12.0)
    yield Words(wording.short(ramp.length_m), middle)
    turn = np.linspace(0.0, ramp.angle_rad, 12)
    arc = np.column_stack([FOOT.x - ARC * np.cos(turn), FOOT.y - ARC * np.sin(turn)])
    yield Line(arc, Sign.QUIET, 1.2, name="angle")
    yield Words(_angle(ramp), Spot(FOOT.x - 52.0, FOOT.y + 21.0), Sign.QUIET, "end")
    ball = Spot(top.x + radius * sin, top.y - radius * cos)
    yield Disc(ball, radius, Sign.INK, Fill.OPEN, 2.0, name="ball")
    released = f"released at {wording.ball_speed(ramp.release_speed_mps)}"
    yield Words(released, Spot(FOOT.x + 4.0, FOOT.y + 21.0))


def _lift_items(top: Spot, lift: str) -> Iterator[Item]:
    """Yield the dimension of the lift: what the golfer sets up."""
    x, middle = top.x - LIFT_X, (top.y + FOOT.y) / 2
    ends = [(x, top.y), (x, FOOT.y), (top.x - LIFT_WORDS_X, top.y), (top.x - 6.0, top.y)]
    yield Strokes(spots_of(*ends), Sign.DO, 1.6)
    yield Area(arrowhead(Spot(x, top.y), (0.0, -1.0), 11.0, 4.0), Sign.DO)
    yield Area(arrowhead(Spot(x, FOOT.y), (0.0, 1.0), 11.0, 4.0), Sign.DO)
    yield Words(lift, Spot(top.x - LIFT_WORDS_X, middle + 2.0), Sign.DO, "end", large=True)
    yield Words("lift", Spot(top.x - LIFT_WORDS_X, middle - 28.0), Sign.DO, "end")


def _end_items(ramp: Ramp, wording: Wording) -> Iterator[Item]:
    """Yield the ball on its rails, end on and larger: how low it lies between them slows it."""
    depth = END_RADIUS / BALL_RADIUS_M * ramp.rails.rolling_radius_m
    half = math.sqrt(max(END_RADIUS**2 - depth**2, 0.0))
    touch = Spot(END.x - half, END.y + depth), Spot(END.x + half, END.y + depth)
    yield Disc(END, END_RADIUS, Sign.INK, Fill.OPEN, 2.0)
    yield Strokes(spots_of(END, (END.x, END.y + depth), *touch), Sign.QUIET, 1.2, name="touch")
    rails, words, words_y = _rails(ramp.rails, touch, wording)
    yield from rails
    yield Words(words, Spot(END.x, words_y), anchor="middle", name="rails-words")
    yield Words("end on, larger", Spot(END.x, 34.0), Sign.QUIET, "middle")


def _rails(rails: Rods | Groove, touch: tuple[Spot, Spot], wording: Wording) -> tuple[list[Item], str, float]:
    """Return the rails, what they are, and how low that is written."""
    if isinstance(rails, Rods):
        reach = (END_RADIUS + ROD_RADIUS) / END_RADIUS
        rods = [Spot(END.x + (x - END.x) * reach, END.y + (y - END.y) * reach) for x, y in touch]
        discs: list[Item] = [Disc(rod, ROD_RADIUS, Sign.INK, name="rod") for rod in rods]
        return discs, f"rods {wording.typed_near(rails.gap_m)} apart", END.y + END_WORDS
    slant = math.pi / 2 - rails.angle_rad / 2
    bottom = Spot(END.x, END.y + END_RADIUS / math.sin(rails.angle_rad / 2))
    reach = max(62.0, END_RADIUS * math.tan(slant) + 18.0)
    across, up = reach * math.cos(slant), reach * math.sin(slant)
    sides = spots_of((bottom.x - across, bottom.y - up), bottom, (bottom.x + across, bottom.y - up))
    words = f"V-groove of {tidy(math.degrees(rails.angle_rad))}°"
    return [Line(sides, Sign.INK, 3.5, name="rails")], words, max(bottom.y + 22.0, END.y + END_WORDS)
