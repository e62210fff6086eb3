"""The figures of a log: all putts read at once, worked out by the core, beside those of other putts."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from functools import cached_property
from zoneinfo import ZoneInfo

import numpy as np
from numpy.typing import NDArray
from sqlalchemy.orm import Session

from orthocline.core.log import (
    CONDITIONS,
    STATISTICS,
    Band,
    Figure,
    Month,
    Putts,
    by_distance,
    by_month,
    chosen,
    putts_of,
)
from orthocline.db.log.outings import round_holes
from orthocline.db.log.packed import LAYOUT
from orthocline.db.log.queries import packed_putts
from orthocline.db.log.which import Which
from orthocline.services.account.access import Share, Viewer, open_play
from orthocline.services.log.entries import METHODS

ROOM = "Figures of your log"
CENTURY = datetime(2000, 1, 1, tzinfo=UTC)
MONTHS = 12
NAMES: Mapping[str, str] = {
    "length_m": "length_m",
    "number": "number",
    "holed": "holed",
    "along_m": "finish_along_m",
    "right_m": "finish_across_m",
    "past_m": "past_m",
    "breaks": "breaks_right",
    "passed": "passed_right",
    "started": "started_right",
    "own_m": "own_aim_right_m",
    "impression_m": "impression_right_m",
    "read_m": "read_aim_right_m",
    "start_rad": "start_right_rad",
    "read_right": "read_was_right",
    "line_right": "line_was_right",
    "pace_right": "pace_was_right",
    "committed": "committed",
}
"""What the core calls the columns of the log."""
HOLED = next(one for one in STATISTICS if one.name == "holed")
GAINED = next(one for one in STATISTICS if one.name == "gained_a_putt")


@dataclass(frozen=True)
class MethodFigures:
    """What is known of the putts that were read by one method."""

    method: str
    holed: Figure
    gained: Figure
    aimed: Figure


@dataclass(frozen=True)
class LogFigures:
    """The figures of those putts of a log that are asked for.

    Attributes
    ----------
    putts : Putts
        The whole log.
    among : ndarray of bool, shape (n,)
        Which of its putts are asked for.
    methods : ndarray of int, shape (n,)
        By which of `METHODS` each was read, from 1; 0 for none said.
    at : ndarray of float, shape (n,)
        When each was played: it orders them.
    """

    putts: Putts
    among: NDArray[np.bool_]
    methods: NDArray[np.int64]
    at: NDArray[np.float64]

    @cached_property
    def count(self) -> int:
        """How many putts with a result there are."""
        return int(np.count_nonzero(self.among & CONDITIONS["known"](self.putts)))

    @cached_property
    def figures(self) -> dict[str, Figure]:
        """All figures that people keep, by name."""
        return {one.name: one.figure(self.putts, self.among) for one in STATISTICS}

    def bands(self, edges_m: Sequence[float]) -> tuple[Band, ...]:
        """Return what was holed from band to band of lengths."""
        return by_distance(self.putts, self.among, edges_m)

    @cached_property
    def months(self) -> tuple[Month, ...]:
        """What was holed and gained from month to month."""
        return by_month(self.putts, self.among)

    @cached_property
    def by_method(self) -> list[MethodFigures]:
        """What is known by method, the commonest first."""
        aimed = next(one for one in STATISTICS if one.name == "own_aimed")
        found = []
        for number, name in enumerate(METHODS, start=1):
            here = self.among & (self.methods == number)
            if here.any():
                figures = (one.figure(self.putts, here) for one in (HOLED, GAINED, aimed))
                found.append(MethodFigures(name, *figures))
        return sorted(found, key=lambda one: (-one.holed.count, one.method))

    def newest(self, condition: str, most: int) -> NDArray[np.int64]:
        """Return the places of so many of the newest putts that fulfil a condition."""
        places = np.flatnonzero(self.among & chosen(self.putts, ("known", condition)))
        return places[np.argsort(-self.at[places], kind="stable")][:most]


@open_play(ROOM)
def log_figures(
    viewer: Viewer, session: Session, level: str, asked: Sequence[Which], zone: ZoneInfo | None = None
) -> list[LogFigures]:
    """Return the figures of each of the putts that are asked for, of the log that is looked at.

    Parameters
    ----------
    level : str
        The golfer's, whose usual golfer is compared with.
    asked : sequence of Which
        One, or two to be set beside each other.
    zone : ZoneInfo or None
        Whose months are meant.
    """
    found = packed_putts(session, viewer.seen_id(Share.FIGURES), asked, METHODS)
    rows = np.frombuffer(found.packed, dtype=LAYOUT)
    columns = {name: rows[column].astype(np.float64) for name, column in NAMES.items()}
    columns |= _outing_columns(viewer, session, rows["outing_id"])
    columns["month"] = _months(rows["created_at"], zone)
    putts = putts_of(columns, rows["visit"].astype(np.int64), level)
    methods = np.frombuffer(found.methods, dtype=">i2").astype(np.int64)
    at = rows["created_at"].astype(np.float64)
    return [LogFigures(putts, np.frombuffer(one, dtype=np.bool_), methods, at) for one in found.chosen]


def _outing_columns(
    viewer: Viewer, session: Session, numbers: NDArray[np.int64]
) -> dict[str, NDArray[np.float64]]:
    """Return of each putt the number of its round or practice, and the holes that a card says of it."""
    holes = round_holes(session, viewer.seen_id(Share.FIGURES))
    some, code = np.unique(numbers.astype(np.int64), return_inverse=True)
    of_round = np.array([holes.get(int(number), np.nan) for number in some])
    return {"outing": numbers.astype(np.float64), "round_holes": of_round[code] if len(some) else of_round}


def _months(created_at: NDArray[np.int64], zone: ZoneInfo | None) -> NDArray[np.float64]:
    """Return the months of times, counted from the year 0, by a clock."""
    if not len(created_at):
        return np.empty(0)
    first, last = (_time(int(end)).astimezone(zone) for end in (created_at.min(), created_at.max()))
    numbers = np.arange(MONTHS * first.year + first.month - 1, MONTHS * last.year + last.month)
    begins = [month_start(int(number), zone) for number in numbers]
    starts = np.array([(begin - CENTURY) // timedelta(microseconds=1) for begin in begins])
    return numbers[np.searchsorted(starts, created_at, side="right") - 1].astype(np.float64)


def month_start(number: int, zone: ZoneInfo | None) -> datetime:
    """Return when a month, counted from the year 0, begins by a clock; this machine's for None."""
    year, month = divmod(number, MONTHS)
    return datetime(year, month + 1, 1, tzinfo=zone).astimezone(UTC)


def _time(since: int) -> datetime:
    return CENTURY + timedelta(microseconds=since)
