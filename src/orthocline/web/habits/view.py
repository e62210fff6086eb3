"""The variables of the page that says what a golfer does again and again."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from orthocline.core.learning import ENOUGH, Correction
from orthocline.drawing.log.reads_seen import SeenRow, reads_seen
from orthocline.drawing.scene import Scene
from orthocline.services.account.measures import WhoPutts
from orthocline.services.log.habits import Habits, ReadGroup
from orthocline.wording.figures import capital
from orthocline.wording.holing.golfers import LEVEL_WORDS, spread_words, whose_words
from orthocline.wording.log.habits import (
    bias_range,
    correction_words,
    factor_range,
    factor_text,
    factor_words,
    green_words,
    group_words,
    pace_words,
    start_words,
)
from orthocline.wording.wording import Wording

KINDS = {"side": 1, "length": 2, "slope": 2, "method": 2, "method_left": 1, "method_right": 1, "first": 1}
"""In the order of the page, and how many groups of a kind say more than all reads."""


class SwitchRow(NamedTuple):
    """A correction: in words, what its form says, and whether it is on and suggested."""

    words: str
    method: str
    breaks: int
    is_on: bool
    suggested: bool


class FactorRow(NamedTuple):
    """What one group of reads does, in its row."""

    name: str
    factor: str
    between: str
    says: str
    reads: int
    few: bool


@dataclass(frozen=True)
class HabitsView:
    """The page: what is known, and which corrections are on.

    Attributes
    ----------
    tried : bool
        Whether it was worked out just now: then it is not asked for again by itself.
    """

    known: Habits | None
    on: Sequence[Correction]
    who: WhoPutts
    wording: Wording
    tried: bool = False

    @property
    def enough(self) -> int:
        """From so many putts on figures are the golfer's own."""
        return ENOUGH

    @property
    def current(self) -> bool:
        """Whether what is known is of the log as it is."""
        return self.known is not None and self.known.current

    @property
    def worked(self) -> str:
        """When it was worked out."""
        return self.wording.calendar.moment(self.known.worked_at) if self.known else ""

    @property
    def own(self) -> bool:
        """Whether the stroke is known by enough putts."""
        return self.known is not None and self.known.stroke.own

    @property
    def usual(self) -> str:
        """The golfer who stands in until there are enough."""
        return f"a usual {LEVEL_WORDS[self.who.level]} golfer"

    @property
    def used(self) -> str:
        """Which spreads chances and advice count with."""
        whose = whose_words(self.who.level, own=self.who.own, learnt_by=self.who.learnt_by)
        spreads = spread_words(self.who.golfer)
        return f"Chances, make window and pace advice count with the spreads that are {whose}: {spreads}."

    @cached_property
    def stroke(self) -> list[tuple[str, str]]:
        """Start line and pace, each with its range."""
        if self.known is None:
            return []
        one, wording = self.known.stroke, self.wording
        start, scatter = start_words(one.start_bias_rad, one.start_sd_rad, wording)
        pace, uneven = pace_words(one.energy_bias, one.energy_sd, wording)
        return [
            (start, bias_range(one.start_bias_rad, degrees=True)),
            (scatter, ""),
            (pace, bias_range(one.energy_bias, degrees=False)),
            (uneven, ""),
        ]

    @cached_property
    def groups(self) -> list[ReadGroup]:
        """The groups of reads that are shown."""
        if self.known is None:
            return []
        shown = []
        for kind, least in KINDS.items():
            some = self.known.of(kind)
            if kind.startswith("method_"):
                some = [one for one in some if one.enough and len(self.known.of("method")) > 1]
            shown += some if len(some) >= least else []
        return [*self.known.of("all"), *shown]

    @property
    def rows(self) -> list[FactorRow]:
        """The same in words."""
        return [
            FactorRow(
                group_words(one.kind, one.name, self.wording),
                factor_text(one.factor),
                factor_range(one.factor),
                factor_words(one.factor),
                one.putts,
                not one.enough,
            )
            for one in self.groups
        ]

    @property
    def headline(self) -> str:
        """What is seen too little or too much of, at most, and surely."""
        of = ("all", "side", "method_left", "method_right")
        some = [one for one in self.groups if one.kind in of and one.enough]
        found = [one for one in some if not one.factor.least <= 1.0 <= one.factor.most]
        if not found:
            return ""
        most = max(found, key=lambda one: abs(1.0 - one.factor.value))
        reads = capital(group_words(most.kind, most.name, self.wording))
        return f"{reads}: you see {factor_words(most.factor)}."

    @cached_property
    def seen(self) -> Scene | None:
        """How much of the break is seen, drawn."""
        if not self.groups:
            return None
        rows = [
            SeenRow(group_words(one.kind, one.name, self.wording), one.putts, one.factor, one.enough)
            for one in self.groups
        ]
        return reads_seen(rows, "; ".join(f"{one.name} {factor_text(one.factor)}" for one in rows))

    @property
    def greens(self) -> list[str]:
        """Where the log disagrees with what is said of a green."""
        if self.known is None:
            return []
        return [
            words
            for one in self.known.greens
            for words in green_words(capital(one.name), one.faster_ft, one.steeper, one.misses)
        ]

    @property
    def switches(self) -> list[SwitchRow]:
        """The corrections that are suggested, and those that are on."""
        suggested = self.known.suggested if self.known else ()
        on = {(one.method, one.breaks): one for one in self.on}
        asked = {(one.method, one.breaks): one for one in suggested}
        shown = {**asked, **on}.values()
        return [
            SwitchRow(
                correction_words(one, self.wording),
                one.method,
                one.breaks,
                (one.method, one.breaks) in on,
                (one.method, one.breaks) in asked,
            )
            for one in shown
        ]
