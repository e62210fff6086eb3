"""What stands beside the figures of a read: the same in other words, and where the green speed comes from."""

from dataclasses import dataclass
from datetime import datetime

from orthocline.core.account import LEVEL_GRADE
from orthocline.core.estimate import Estimate
from orthocline.core.roll import RollPast
from orthocline.core.speed import aged
from orthocline.services.speed.book import hours_since, is_stale
from orthocline.web.shared.read_request import ReadRequest
from orthocline.wording.figures import speed_text
from orthocline.wording.speed.book import source_words
from orthocline.wording.typed import RISE_STEPS
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class Source:
    """Where the green speed comes from: a few words for the head line, how sure, and whether it is old."""

    words: str
    sure: str
    stale: bool


def source_of(read: ReadRequest | None, wording: Wording, now: datetime) -> Source:
    """Return where the green speed of a read comes from."""
    origin = read.speed_origin if read else None
    if origin is None:
        return Source("as typed", "", stale=False)
    age = hours_since(origin.measured_at, now)
    sure = aged(Estimate(origin.speed_ft, origin.within_ft / 2.0), age).within
    calendar, sure_words = wording.calendar, f"±{speed_text(sure)} ft"
    if is_stale(origin.measured_at, now):
        # Of an old one its age is what counts, and the head line is full.
        return Source(calendar.day_ago(origin.measured_at, now), sure_words, stale=True)
    return Source(source_words(origin.method, calendar.ago(origin.measured_at, now)), sure_words, stale=False)


def beside(read: ReadRequest, wording: Wording) -> dict[str, str]:
    """Return what stands beside each input: the same figure in other words."""
    putt = read.putt
    paces = wording.paces(putt.length_m)
    own_unit = read.units.length == wording.units.far
    past = "if covered" if isinstance(putt.pace, RollPast) else "speed at the hole"
    if read.usual:
        level = abs(putt.grade) <= LEVEL_GRADE
        past = "usual" if level else "usual uphill" if putt.grade > 0.0 else "usual downhill"
    if read.playing.advised and not read.usual:
        past = "advised"
    return {
        "length": paces if own_unit else f"{wording.far(putt.length_m)} · {paces}",
        "rise": _rise_words(read, wording),
        "past": past,
    }


def _rise_words(read: ReadRequest, wording: Wording) -> str:
    """Return the rise as it was not typed: over the putt, or as a slope."""
    if read.units.rise in RISE_STEPS:
        return wording.slope(abs(read.putt.grade))
    return wording.short(abs(read.putt.grade) * read.putt.length_m)
