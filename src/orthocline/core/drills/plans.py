"""The balls of a drill: as they are written, or as a seed draws them, never one twice in a row."""

from orthocline.core.draws import Draws
from orthocline.core.drills.drill import Ball, Drill


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
