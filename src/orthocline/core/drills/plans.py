"""The balls of a drill: as they are written, or as a seed draws them, never one twice in a row."""

import re
from dataclasses import replace
from typing import Final

from orthocline.core.draws import Draws
from orthocline.core.drills.drill import Ball, Drill

SIDES: Final = re.compile(r"\b(left|right)\b")


def balls_of(drill: Drill, seed: int) -> tuple[Ball, ...]:
    """Return the balls of a drill.

    Parameters
    ----------
    drill : Drill
        The drill.
    seed : int
        What chance they are drawn by, where they are.

    Returns
    -------
    tuple of Ball
        In the order in which they are putted.
    """
    plan = drill.plan
    if not plan.drawn:
        return plan.balls * plan.times
    draws, found = Draws(seed), [plan.balls[0]]
    for _ in range(plan.drawn):
        others = [one for one in plan.balls if one is not found[-1]] or list(plan.balls)
        found.append(others[draws.one_of(len(others))])
    return tuple(found[1:])


def mirrored(drill: Drill) -> Drill:
    """Return a drill for the other hand: what lies or falls to the right does so to the left.

    Parameters
    ----------
    drill : Drill
        As its file has it, for a right-hander.

    Returns
    -------
    Drill
        The same putt to a left-hander; outcomes stay as they are.
    """
    marks = tuple(replace(one, right_m=-one.right_m, says=_mirrored(one.says)) for one in drill.marks)
    balls = tuple(
        replace(one, fall_right=-one.fall_right, says=_mirrored(one.says)) for one in drill.plan.balls
    )
    return replace(drill, marks=marks, plan=replace(drill.plan, balls=balls))


def _mirrored(says: str) -> str:
    return SIDES.sub(lambda found: "left" if found[0] == "right" else "right", says)
