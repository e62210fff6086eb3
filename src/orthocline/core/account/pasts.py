"""The golfer's usual roll-past: uphill, on the level and downhill."""

from dataclasses import dataclass

from orthocline.core.instruments import USUAL_PAST_M

LEVEL_GRADE = 0.005
"""A putt that rises or falls less [ratio] counts as level."""


@dataclass(frozen=True)
class UsualPasts:
    """How far a golfer's balls usually roll past [m]: on the level, and where it differs up and down."""

    level_m: float
    uphill_m: float | None = None
    downhill_m: float | None = None

    def on(self, grade: float) -> float:
        """Return the usual roll-past of a putt.

        Parameters
        ----------
        grade : float
            Rise toward the hole [ratio], negative downhill.

        Returns
        -------
        float
            Roll-past [m].
        """
        own = None
        if abs(grade) > LEVEL_GRADE:
            own = self.uphill_m if grade > 0.0 else self.downhill_m
        return self.level_m if own is None else own


USUAL_PASTS = UsualPasts(USUAL_PAST_M)
"""Those of a golfer who has said none."""
