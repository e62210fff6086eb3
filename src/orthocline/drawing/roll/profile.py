"""The side view: the grade of the ground, and the ball's speed along the way."""

from dataclasses import dataclass

import numpy as np

from orthocline.core.roll import Putt, Read
from orthocline.drawing.frame import path_d
from orthocline.wording.figures import Wording

WIDTH, HEIGHT = 640.0, 128.0
LEFT, RIGHT = 96.0, 560.0
SPEED_TOP, SPEED_BOTTOM = 32.0, 66.0
GROUND_MIDDLE, GROUND_TALLEST = 96.0, 22.0
EXAGGERATION = 6.0
"""Heights are drawn so many times too large against lengths, less where that would not fit."""


@dataclass(frozen=True)
class Profile:
    """What the side view draws."""

    ground: str
    ground_words: str
    ground_left: float
    ground_right: float
    speed: str
    start_words: str
    end_words: str
    start_y: float
    end_y: float
    time_words: str


def profile(putt: Putt, answer: Read | None, wording: Wording) -> Profile:
    """Return the side view; without its speeds while the read is hidden."""
    grade = putt.surface.grade(putt.bearing_rad)
    run = RIGHT - LEFT
    rise = float(np.clip(EXAGGERATION * grade * run, -GROUND_TALLEST, GROUND_TALLEST))
    left, right = GROUND_MIDDLE + rise / 2, GROUND_MIDDLE - rise / 2
    speed, start, end, start_y, end_y, time = "", "", "", 0.0, 0.0, ""
    if answer:
        along = answer.path[:, 1:3] @ np.array([np.cos(putt.bearing_rad), np.sin(putt.bearing_rad)])
        along = (along - along[0]) / (along[-1] - along[0])
        fastest = float(answer.path[:, 3].max())
        heights = SPEED_BOTTOM - (SPEED_BOTTOM - SPEED_TOP) * answer.path[:, 3] / fastest
        speed = path_d(np.column_stack([LEFT + run * along, heights])[::4])
        start, end = (wording.ball_speed(v) for v in (answer.path[0, 3], answer.path[-1, 3]))
        start_y, end_y = float(heights[0]), float(heights[-1])
        time = f"ball speed on the way · {answer.aim.time_to_hole_s:.1f} s to the cup"
    return Profile(
        f"M{LEFT} {left:.1f}L{RIGHT} {right:.1f}V{HEIGHT - 4}H{LEFT}Z",
        _words(grade, putt.length_m, wording),
        round(left, 1),
        round(right, 1),
        speed,
        start,
        end,
        start_y,
        end_y,
        time,
    )


def _words(grade: float, length_m: float, wording: Wording) -> str:
    if abs(grade) < 0.0005:
        return "level from ball to hole"
    way = "up" if grade > 0 else "down"
    return f"{way} {wording.short(grade * length_m)} over the putt · {wording.slope(abs(grade))}"
