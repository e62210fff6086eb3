"""The variables of the page that says which it was."""

from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from orthocline.core.learning import PAIRS, SINGLES, Diagnosis
from orthocline.drawing.log.which_was_it import dash_key, share_bar, which_was_it_drawing
from orthocline.drawing.scene import Scene
from orthocline.services.account.measures import WhoPutts
from orthocline.services.log.learning import Verdict
from orthocline.web.shared.log_rows import Row
from orthocline.wording.holing.golfers import whose_words
from orthocline.wording.log.which_was_it import RIGHT_WORDS, cause_words, in_ten
from orthocline.wording.wording import Wording


class ShareRow(NamedTuple):
    """What had dropped with something put right: how it is drawn, in words, and as a bar."""

    key: Scene | None
    words: str
    share: str
    bar: Scene


@dataclass(frozen=True)
class WhichView:
    """The page: what is said of one putt, or why nothing is."""

    verdict: Verdict
    putt: Row
    who: WhoPutts
    wording: Wording

    @property
    def found(self) -> Diagnosis | None:
        """What is said of it."""
        return self.verdict.found

    @cached_property
    def sentences(self) -> tuple[str, ...]:
        """The same in words."""
        return cause_words(self.found, self.wording) if self.found else (self.verdict.why_not,)

    @property
    def shares(self) -> list[ShareRow]:
        """How often it had dropped, with one thing or two put right."""
        if self.found is None or self.found.played.by_device:
            return []
        return [self._share(name, self.found.drops_if[name]) for name in (*SINGLES, *PAIRS)]

    def _share(self, name: str, share: float) -> ShareRow:
        key = dash_key(name) if name in SINGLES else None
        return ShareRow(key, RIGHT_WORDS[name], in_ten(share), share_bar(share))

    @property
    def was(self) -> Scene:
        """How the ball's own way is drawn."""
        return dash_key("was")

    @property
    def whose(self) -> str:
        """Whose spreads are counted with."""
        return whose_words(self.who.level, own=self.who.own, learnt_by=self.who.learnt_by)

    @cached_property
    def drawing(self) -> Scene | None:
        """The ball's way, and those with one thing put right."""
        if self.found is None or not self.found.rolls:
            return None
        return which_was_it_drawing(self.found, " ".join(self.sentences))
