"""The variables of the pages of rounds and practices."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import groupby

from orthocline.services.account.access import Viewer
from orthocline.services.log.entries import shown
from orthocline.services.log.outings import OutingRow
from orthocline.services.log.putts import LoggedPutt
from orthocline.web.shared.log_rows import Row, row
from orthocline.wording.log.outings import counts_words, outing_words
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class RoundRow:
    """A round or practice in a list: what and where, when, and what its putts add up to."""

    id: int
    what: str
    when: str
    iso: str
    counts: str
    goes_on: bool
    note: str


@dataclass(frozen=True)
class Green:
    """A visit to a green: its hole, if any, and its putts."""

    hole: int | None
    rows: tuple[Row, ...]


def round_row(one: OutingRow, wording: Wording, *, goes_on: bool = False) -> RoundRow:
    """Return a round or practice as the list shows it."""
    outing, counts = one.outing, one.counts
    return RoundRow(
        outing.id,
        outing_words(
            outing.kind, outing.course.name if outing.course else "", competition=outing.competition
        ),
        wording.calendar.moment(outing.begun_at),
        wording.calendar.here(outing.begun_at).isoformat(timespec="minutes"),
        counts_words(counts.putts, counts.greens, counts.three_putts, outing.holes),
        goes_on,
        outing.note,
    )


def greens_of(viewer: Viewer, putts: Sequence[LoggedPutt], wording: Wording) -> list[Green]:
    """Return the putts of a round green by green, in their order."""
    return [
        Green(key[0], tuple(row(shown(viewer, putt), wording) for putt in some))
        for key, some in groupby(putts, lambda putt: (putt.hole, putt.visit))
    ]
