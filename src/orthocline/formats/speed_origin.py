"""Where a read's green speed comes from, as its address carries it."""

import re
from dataclasses import dataclass
from datetime import UTC, datetime

from orthocline.core.speed import METHODS

SEVERAL = "several"
"""The method of a speed that measures by more than one method make together."""
_PATTERN = re.compile(
    r"(\d{1,2}(?:\.\d)?) ±(\d{1,2}(?:\.\d)?)"
    r" at (\d{4}-\d\d-\d\dT\d\d:\d\d)Z by ([a-z_]{1,20})"
)


@dataclass(frozen=True)
class SpeedOrigin:
    """A green speed [ft], within how much it was sure [ft] when measured, when, and by which method."""

    speed_ft: float
    within_ft: float
    measured_at: datetime
    method: str

    @property
    def text(self) -> str:
        """The same as words: ``10.2 ±0.3 at 2026-11-23T07:40Z by ramp``."""
        when = self.measured_at.astimezone(UTC)
        return f"{self.speed_ft:g} ±{self.within_ft:g} at {when:%Y-%m-%dT%H:%M}Z by {self.method}"


def parse_speed_origin(text: str) -> SpeedOrigin | None:
    """Return where a speed comes from; None for words that do not say it."""
    match = _PATTERN.fullmatch(text.strip())
    if match is None or match[4] not in {*METHODS, SEVERAL}:
        return None
    try:
        when = datetime.fromisoformat(match[3]).replace(tzinfo=UTC)
    except ValueError:
        return None
    return SpeedOrigin(float(match[1]), float(match[2]), when, match[4])
