"""The variables of the page that takes today along."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from orthocline.wording.carry.pack import exact_words, held_words
from orthocline.wording.figures import speed_text
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class PackView:
    """A pack that was solved."""

    pack: Mapping[str, Any]
    size: int
    wording: Wording

    @property
    def title(self) -> str:
        """Where it is for, and at which speed."""
        return f"{self.pack['course']}, speed {speed_text(self.pack['green_speed_ft'])}"

    @property
    def made(self) -> str:
        """When it was solved."""
        return self.wording.calendar.moment(datetime.fromisoformat(self.pack["made_at"]))

    @property
    def holds(self) -> str:
        """What is in it."""
        pins = sum(len(green["pins"]) for green in self.pack["greens"])
        return held_words(len(self.pack["greens"]), pins, self.size)

    @property
    def exact(self) -> str:
        """How exact it is."""
        told = self.pack["exactness"]
        return exact_words(told["reads"], told["near"], told["within_m"], told["missing"], self.wording)
