"""A practice session: the minutes at hand, filled with what is weakest and was not done of late."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Final

from orthocline.core.drills.drill import Drill

QUESTIONS: Final = "questions"
"""What a session has beside drills: ten questions of the trainer."""
QUESTIONS_MINUTES: Final = 4.0
SHORTEST, LONGEST = 5.0, 60.0
"""Minutes of a session."""
FRESH_DAYS: Final = 7.0
"""A drill that was done so long ago is as good as one never done."""
WARM_UP: Final = "pace"
"""What a session of some length begins with, gently."""
WARM_UP_FROM: Final = 12.0


@dataclass(frozen=True)
class Slot:
    """A part of a session: a drill's key or `QUESTIONS`, when it begins and how long it takes [min].

    `trains` is what it is there for.
    """

    what: str
    begins: float
    minutes: float
    trains: str


def session_of(
    minutes: float, drills: Sequence[Drill], needs: Mapping[str, float], days: Mapping[str, float]
) -> tuple[Slot, ...]:
    """Return a session for the minutes at hand.

    Parameters
    ----------
    minutes : float
        At hand, from `SHORTEST` to `LONGEST` [min].
    drills : sequence of Drill
        Those on the shelf.
    needs : mapping
        How much each of `TRAINS` is needed [1]; one that is missing is 1.
    days : mapping
        How long ago drills were done [days], by their keys; those never done are missing.

    Returns
    -------
    tuple of Slot
        In their order; a longer session begins with the shortest drill for pace. What is needed most comes
        first, and again only after what is needed half as much.
    """
    able = [(one.key, one.minutes, one.trains[0]) for one in drills]
    able.append((QUESTIONS, QUESTIONS_MINUTES, "read"))
    slots: list[Slot] = []
    if minutes >= WARM_UP_FROM:
        gentle = [one for one in able if one[2] == WARM_UP and one[1] <= minutes]
        if gentle:
            _take(min(gentle, key=lambda one: one[1]), slots, able)
    while fitting := [one for one in able if one[1] <= minutes - _ends(slots)]:
        _take(max(fitting, key=lambda one: _worth(one, slots, needs, days)), slots, able)
    return tuple(slots)


Able = tuple[str, float, str]


def _ends(slots: Sequence[Slot]) -> float:
    return slots[-1].begins + slots[-1].minutes if slots else 0.0


def _take(chosen: Able, slots: list[Slot], able: list[Able]) -> None:
    what, minutes, trains = chosen
    slots.append(Slot(what, _ends(slots), minutes, trains))
    able.remove(chosen)


def _worth(one: Able, slots: Sequence[Slot], needs: Mapping[str, float], days: Mapping[str, float]) -> float:
    what, _, trains = one
    times = sum(slot.trains == trains for slot in slots)
    fresh = min(days.get(what, FRESH_DAYS) / FRESH_DAYS, 1.0)
    return needs.get(trains, 1.0) * (0.25 + 0.75 * fresh) / 2.0**times
