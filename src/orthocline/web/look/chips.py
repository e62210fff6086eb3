"""The answers that are tapped at a stop of the walk."""

import math
from collections.abc import Iterator
from typing import NamedTuple

from orthocline.core.ground import Ask, Kind, Reading, noted_by
from orthocline.core.roll import RollPast
from orthocline.core.units import PERCENT
from orthocline.web.look.request import NONE
from orthocline.web.shared.read_request import ReadRequest
from orthocline.wording.ground.walk import WAY_WORDS
from orthocline.wording.ways import way_text

SIDES = {Kind.SIDE: ("left", "right"), Kind.GRADE: ("down", "up"), Kind.RISE: ("down", "up")}
FELT = tuple(f"{half / 2:g}" for half in range(1, 13))
"""What is felt or seen, in halves of a percent."""
RISES, RISES_CM = ("0.5", "1", "2", "3", "4", "6", "9", "12"), ("1", "2", "5", "8", "10", "15", "20", "30")
PASTS, PASTS_CM = ("4", "9", "12", "18", "24"), ("10", "20", "30", "45", "60")
ALIKE = 0.1
"""A size that differs by less from an answer is that answer."""


class Chip(NamedTuple):
    """An answer to be tapped: what it says, what is sent, and whether it stands."""

    says: str
    note: str
    on: bool


def chips_of(key: str, ask: Ask, read: ReadRequest) -> list[list[Chip]]:
    """Return the answers to a question in rows; a tap on one that stands takes the reading away."""
    if ask.kind is Kind.STEPS:
        return []
    if ask.kind is Kind.PACE:
        return [list(_pasts(key, read))]
    before = noted_by(ask, read.readings.plain) if ask.by else None
    if ask.kind is Kind.GRAIN:
        grain = read.putt.grain
        return [_ways(key, way_text(grain.toward_rad) if grain.strength else "")]
    if ask.kind is Kind.WAY:
        return [_ways(key, way_text(-before.toward_rad) if before else "")]
    sides = list(_sides(key, ask, before))
    return [sides, list(_sizes(key, ask, before, read))] if before and before.size != 0.0 else [sides]


def _chip(key: str, says: str, answer: str, *, on: bool) -> Chip:
    return Chip(says, f"{key}:{NONE if on else answer}", on)


def _pasts(key: str, read: ReadRequest) -> Iterator[Chip]:
    units, pace = read.wording.units, read.putt.pace
    now = pace.past_m / units.near_m if isinstance(pace, RollPast) else -1.0
    for one in PASTS_CM if units.metric else PASTS:
        yield Chip(f"{one} {units.near}", f"{key}:{one}", abs(now - float(one)) < ALIKE)


def _ways(key: str, now: str) -> list[Chip]:
    return [_chip(key, words, name, on=name == now) for name, words in WAY_WORDS.items()]


def _sides(key: str, ask: Ask, before: Reading | None) -> Iterator[Chip]:
    """Yield the two sides, and level between them."""
    flat = before is not None and before.size == 0.0
    turned = math.cos(before.toward_rad - ask.toward_rad) if before and not flat else 0.0
    low, high = SIDES[ask.kind]
    yield _chip(key, low, low, on=turned < 0.0)
    yield _chip(key, "level", "level", on=flat)
    yield _chip(key, high, high, on=turned > 0.0)


def _sizes(key: str, ask: Ask, before: Reading, read: ReadRequest) -> Iterator[Chip]:
    """Yield how much it is, once a side was said."""
    units = read.wording.units
    rises = RISES_CM if units.metric else RISES
    answers, unit = (rises, units.near_m / read.putt.length_m) if ask.kind is Kind.RISE else (FELT, PERCENT)
    now = -1.0 if before.size is None else before.size / unit
    for one in answers:
        yield _chip(key, one, one, on=abs(now - float(one)) < ALIKE)
