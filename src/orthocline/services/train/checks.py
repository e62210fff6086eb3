"""Habits of a golfer's own that drills measure: how the face is aimed, and how a beat is thought over."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from sqlalchemy.orm import Session

from orthocline.core.drills import Measured
from orthocline.core.train import Bias, mean_bias
from orthocline.db.train.runs import figures_of
from orthocline.services.account.access import Viewer, own_data
from orthocline.services.train.drills import shipped_shelf

NEWEST: Final = 60
"""So many count: a habit that is trained changes."""


@dataclass(frozen=True)
class Check:
    """A habit, the drill that measures it, its figures ([rad] to the right or [s] late), and their bias.

    The newest figure comes first; the bias is None while there are too few.
    """

    measures: Measured
    drill: str
    figures: Sequence[float]
    bias: Bias | None


@own_data
def own_checks(viewer: Viewer, session: Session) -> list[Check]:
    """Return each habit that a drill on the shelf measures, also one of which nothing is known yet."""
    checks = (own_check(viewer, session, name) for name in shipped_shelf().drills)
    return [one for one in checks if one]


@own_data
def own_check(viewer: Viewer, session: Session, drill: str) -> Check | None:
    """Return the habit that one drill measures; None for a drill that measures none."""
    found = shipped_shelf().drills.get(drill)
    if found is None or found.measures is None:
        return None
    figures = figures_of(session, viewer.owner_id, drill, NEWEST)
    return Check(found.measures, drill, figures, mean_bias(figures))
