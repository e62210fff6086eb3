"""The variables of the stand-ins."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from urllib.parse import urlencode

from orthocline.core.roll import Read
from orthocline.drawing.scene import Scene
from orthocline.drawing.train.stand_in import balls_drawing
from orthocline.services.train.stand_in import Struck
from orthocline.wording.figures import speed_text
from orthocline.wording.read.rolled import fate_words
from orthocline.wording.train.questions import felt_words
from orthocline.wording.train.stand_in import struck_words
from orthocline.wording.wording import Wording

MOST_BALLS = 12


@dataclass(frozen=True)
class StandInView:
    """A hidden putt with its balls; `shown` once its slope is revealed."""

    seed: int
    solved: Read
    balls: Sequence[Struck]
    kept: Sequence[str]
    by: str
    golfer: str
    beat_s: float
    shown: bool
    wording: Wording

    @property
    def facts(self) -> str:
        """What is known of the putt."""
        putt = self.solved.putt
        return f"{self.wording.far(putt.length_m)} · green speed {speed_text(putt.green_speed_ft)}"

    @property
    def full(self) -> bool:
        """Whether no more balls are taken."""
        return len(self.balls) >= MOST_BALLS

    @property
    def headline(self) -> str:
        """What became of the last ball."""
        if not self.balls:
            return "A putt on a slope that you do not know."
        words = fate_words(self.solved, self.balls[-1].rolled, self.wording)
        return f"Ball {len(self.balls)}: it would {words}".replace("it would drop.", "it drops.")

    @property
    def rows(self) -> list[str]:
        """Each ball: what was meant, and what became of it."""
        return [struck_words(self.solved, one.meant, one.rolled, self.wording) for one in self.balls]

    @property
    def reveal(self) -> str:
        """The address that shows the slope, with the balls that are there."""
        fields = [("seed", str(self.seed)), ("by", self.by), ("golfer", self.golfer), ("shown", "1")]
        return f"/train/stand-in?{urlencode([*fields, *(('ball', one) for one in self.kept)])}"

    @property
    def revealed(self) -> str:
        """What was hidden."""
        return felt_words(self.solved.putt, self.wording) if self.shown else ""

    @cached_property
    def drawing(self) -> Scene:
        """The balls from above."""
        rolls = [one.rolled for one in self.balls]
        return balls_drawing(self.solved, rolls, self.headline, shown=self.shown)
