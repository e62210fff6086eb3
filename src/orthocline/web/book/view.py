"""The variables of the page of the green book."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import NamedTuple
from urllib.parse import urlencode

from orthocline.drawing.scene import Scene
from orthocline.formats.paper import Size
from orthocline.services.carry.book import BookAsked
from orthocline.services.ground.charts import ChartedGreen
from orthocline.web.shared.paper import sheets_words
from orthocline.wording.carry.book import limit_words, scale_words


class Look(NamedTuple):
    """A page that can be looked at: the name of its green, its address, and whether it is."""

    name: str
    address: str
    here: bool


@dataclass(frozen=True)
class BookView:
    """Everything the page shows.

    Attributes
    ----------
    courses : sequence of str
        The golfer's courses with charted greens.
    course : str
        The one whose greens can be chosen.
    greens : sequence of ChartedGreen
        Its greens.
    asked : BookAsked or None
        None while something cannot be read.
    looked : int or None
        The green whose page is shown.
    page : Scene or None
        That page.
    typed : tuple of (str, str)
        The fields as they were typed.
    """

    courses: Sequence[str]
    course: str
    greens: Sequence[ChartedGreen]
    asked: BookAsked | None
    looked: int | None
    page: Scene | None
    typed: tuple[tuple[str, str], ...]

    @property
    def query(self) -> str:
        """What stands in the address of this book."""
        return urlencode(self.typed)

    @property
    def address(self) -> str:
        """The address of this book, with the page that is looked at."""
        return self._at(self.looked)

    def _at(self, green_id: int | None) -> str:
        look = [] if green_id is None else [("look", str(green_id))]
        return f"/book?{urlencode([*self.typed, *look])}"

    @property
    def looks(self) -> list[Look]:
        """The pages that can be looked at."""
        chosen = set(self.asked.greens) if self.asked else set()
        return [
            Look(one.place.green, self._at(one.id), one.id == self.looked)
            for one in self.greens
            if one.id in chosen
        ]

    @property
    def scale(self) -> str:
        """The scale of its maps."""
        return f"{scale_words(self.asked.size.scale)}." if self.asked else ""

    @property
    def limit(self) -> str:
        """What is larger than the rules last known allow."""
        return limit_words(self.asked.size) if self.asked else ""

    @property
    def sheets(self) -> str:
        """On how many sheets it is printed."""
        if self.asked is None:
            return ""
        size = Size(1000.0 * self.asked.size.wide_m, 1000.0 * self.asked.size.tall_m)
        return sheets_words(len(self.asked.greens), "page", size, self.asked.paper)
