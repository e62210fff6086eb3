"""When a kind of question comes back: the FSRS scheduler, as its package has it."""

from collections.abc import Mapping
from datetime import datetime
from typing import Any, Final, cast

from fsrs import Card, Rating, Scheduler

SCHEDULER: Final = Scheduler(enable_fuzzing=False)
"""With its usual weights: nine of ten are to be known still when they come back. Without its chance."""
RATINGS: Final = ((0.3, Rating.Again), (0.5, Rating.Hard), (0.85, Rating.Good), (2.0, Rating.Easy))
"""Below which score an answer counts as what."""
Memory = Mapping[str, Any]
"""A card of the scheduler, as open data."""


def rating_of(score: float) -> Rating:
    """Return what a score counts as.

    Parameters
    ----------
    score : float
        0 to 1 [1].

    Returns
    -------
    Rating
        The scheduler's rating.
    """
    return next(rating for below, rating in RATINGS if score < below)


def remembered(memory: Memory | None, score: float, at: datetime) -> dict[str, Any]:
    """Return what is known of a kind after one more answer.

    Parameters
    ----------
    memory : mapping or None
        What was known; None for the first answer.
    score : float
        0 to 1 [1].
    at : datetime
        When it was answered, in UTC.

    Returns
    -------
    dict
        The scheduler's card as open data; `due_at` says when it comes back.
    """
    card = Card(card_id=0, due=at) if memory is None else Card.from_dict(cast(Any, memory))
    reviewed, _ = SCHEDULER.review_card(card, rating_of(score), at)
    return dict(reviewed.to_dict())


def due_at(memory: Memory) -> datetime:
    """Return when a kind comes back.

    Parameters
    ----------
    memory : mapping
        As `remembered` returns it.

    Returns
    -------
    datetime
        In UTC.
    """
    return datetime.fromisoformat(memory["due"])
