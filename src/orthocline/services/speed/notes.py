"""A green speed as it is kept in a book: a golfer's, or a club's."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from orthocline.core.estimate import Estimate
from orthocline.db.speed.models import SpeedNote
from orthocline.formats.sheet import Sheet, sheet_of
from orthocline.services.ground.places import Place, place_of
from orthocline.services.speed.rework import FORMER_VERSION, reworked_ramp_speed

DAY = timedelta(hours=12)
"""Measures no further apart than this are one day's."""


@dataclass(frozen=True)
class Condition:
    """How the green was: words from `MOWING`, `MOISTURE` and `FIRMNESS`, ratings of one to five, a note."""

    mowing: str = ""
    moisture: str = ""
    firmness: str = ""
    trueness: int | None = None
    smoothness: int | None = None
    note: str = ""


@dataclass(frozen=True)
class KeptSpeed:
    """A green speed in the book: what, where, when, by which method, and how the green was.

    Attributes
    ----------
    was_ft : Estimate or None
        What it was as it was kept, where it has been worked out again since.
    by : str
        Which club posted it; empty for the golfer's own.
    """

    id: int
    place: Place
    measured_at: datetime
    method: str
    speed_ft: Estimate
    evidence: Sheet | None
    condition: Condition
    was_ft: Estimate | None = None
    by: str = ""


def _is_former(note: SpeedNote) -> bool:
    """Return whether a speed was worked out before ramps were counted as they are now."""
    return note.method == "ramp" and note.model_version == FORMER_VERSION


def evidence_of(note: SpeedNote) -> Sheet | None:
    """Return the figures that a speed was found from, if they were kept."""
    return sheet_of(note.evidence) if note.evidence else None


def kept_speed(note: SpeedNote) -> KeptSpeed:
    """Return a speed of the book; one that a ramp's former reckoning found is worked out again."""
    kept, sheet = Estimate(note.speed_ft, note.sd_ft), evidence_of(note)
    again = reworked_ramp_speed(kept, sheet) if sheet and _is_former(note) else None
    return KeptSpeed(
        note.id,
        place_of(note),
        note.measured_at,
        note.method,
        again or kept,
        sheet,
        Condition(note.mowing, note.moisture, note.firmness, note.trueness, note.smoothness, note.note),
        kept if again else None,
    )
