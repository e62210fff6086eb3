"""The variables of the slope trainer on the green."""

from dataclasses import dataclass

from orthocline.core.units import PERCENT
from orthocline.drawing.account.senses import senses_drawing
from orthocline.drawing.scene import Scene
from orthocline.drawing.train.stances import backwards_drawing, toes_drawing
from orthocline.services.account.measures import SENSES, Measures, pairs_of
from orthocline.services.train.record import biases_by_way
from orthocline.wording.account.measures import sense_words
from orthocline.wording.train.slopes import DONE, way_bias_words
from orthocline.wording.wording import Wording

HALVES = 13


@dataclass(frozen=True)
class SenseView:
    """What pairs say of one sense: in words, the biases by way, and drawn."""

    words: str
    biases: tuple[str, ...]
    drawing: Scene | None


@dataclass(frozen=True)
class SlopesView:
    """Everything the page shows.

    Attributes
    ----------
    sense : str
        The sense that is trained.
    guessed : bool
        Whether a guess stands: then the level is laid.
    phone, simulated : str
        The addresses of the phone as a level and of a simulated level, for this guess.
    """

    measures: Measures
    wording: Wording
    sense: str
    guessed: bool
    phone: str
    simulated: str

    @property
    def guesses(self) -> list[tuple[str, str]]:
        """Slopes in halves: as they are sent, and said."""
        return [(f"{0.5 * one:g} %", self.wording.slope(0.5 * one * PERCENT)) for one in range(HALVES)]

    @property
    def senses(self) -> list[SenseView]:
        """Feet and eyes."""
        return [self._sense(name) for name in SENSES]

    def _sense(self, name: str) -> SenseView:
        pairs, own = pairs_of(self.measures, name), self.wording.calibration.senses.get(name)
        biases = biases_by_way(self.measures, name)
        return SenseView(
            sense_words(name, own, len(pairs), self.wording),
            tuple(way_bias_words(name, way, bias, self.wording) for way, bias in biases.items()),
            senses_drawing(pairs, own, DONE[name], self.wording) if pairs else None,
        )

    @property
    def toes(self) -> Scene:
        """Toes and heels."""
        return toes_drawing()

    @property
    def backwards(self) -> Scene:
        """Backward steps."""
        return backwards_drawing()
