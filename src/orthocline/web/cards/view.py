"""The variables of the page of cards."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property
from itertools import groupby
from typing import NamedTuple
from urllib.parse import urlencode

from orthocline.drawing.carry.card import card_face
from orthocline.drawing.scene import Scene
from orthocline.services.carry.cards import CARD_SIZES, CardsAsked
from orthocline.web.shared.paper import sheets_words
from orthocline.wording.carry.cards import Face
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording


class Speed(NamedTuple):
    """The cards of one green speed."""

    speed: str
    faces: list[Scene]


@dataclass(frozen=True)
class CardsView:
    """Everything the page shows.

    Attributes
    ----------
    asked : CardsAsked or None
        None while something cannot be read.
    faces : tuple of Face
        The cards.
    typed : sequence of (str, str)
        The fields as they were typed.
    """

    asked: CardsAsked | None
    faces: tuple[Face, ...]
    typed: tuple[tuple[str, str], ...]

    @property
    def address(self) -> str:
        """The address of these cards."""
        return f"/cards?{self.query}"

    @property
    def query(self) -> str:
        """What stands in it."""
        return urlencode(self.typed)

    @cached_property
    def speeds(self) -> list[Speed]:
        """The faces, speed by speed."""
        return [
            Speed(speed, [card_face(face) for face in some])
            for speed, some in groupby(self.faces, lambda face: face.speed)
        ]

    @property
    def sheets(self) -> str:
        """On how many sheets they are printed."""
        if self.asked is None:
            return ""
        return sheets_words(len(self.faces), "card", CARD_SIZES[self.asked.size], self.asked.paper)


def typed_cards(asked: CardsAsked, wording: Wording) -> Mapping[str, str | list[str]]:
    """Return what is asked as it would be typed."""
    units = wording.units
    speeds = dict(zip(("speed", "speed2", "speed3"), (tidy(one) for one in asked.speeds_ft), strict=False))
    tilts = ", ".join(wording.typed_slope(one).partition(" ")[0] for one in asked.tilts)
    return {
        **speeds,
        "past": wording.typed_near(asked.past_m),
        "lengths": f"{', '.join(tidy(one / units.far_m, 2) for one in asked.lengths_m)} {units.far}",
        "tilts": f"{tilts} {units.slope}",
        "rise": wording.typed_slope(asked.rise),
        "cards": list(asked.kinds),
        "size": asked.size,
        "paper": asked.paper,
    }
