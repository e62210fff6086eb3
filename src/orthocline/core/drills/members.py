"""The members of a drill's file: each is asked for by what it is, and what is wrong with it is named."""

from collections.abc import Container, Iterator, Mapping
from dataclasses import dataclass, field
from typing import Any, Final, TypeVar

from orthocline.core.units import FOOT_M, INCH_M, PERCENT

Made = TypeVar("Made")
LENGTHS_M: Final = {"ft": FOOT_M, "in": INCH_M, "m": 1.0}
"""Units of a length, after the underscore of its name."""
LONGEST: Final = 400
"""No text has more letters."""


class DrillError(ValueError):
    """A member of a drill's file is missing, or means nothing.

    Attributes
    ----------
    member : str
        Where it stands: ``plan.balls[2].to``.
    """

    def __init__(self, member: str, message: str) -> None:
        super().__init__(f"{member}: {message}")
        self.member = member


@dataclass
class Members:
    """The members of one table of a file.

    Attributes
    ----------
    data : mapping
        As TOML has it.
    path : str
        Where the table stands; empty for the whole file.
    own_m : mapping
        Lengths of the golfer's own [m], by the names that stand for them.
    """

    data: Mapping[str, Any]
    path: str = ""
    own_m: Mapping[str, float] = field(default_factory=dict)
    asked: set[str] = field(default_factory=set)

    def at(self, name: str) -> str:
        """Return where a member stands."""
        return f"{self.path}.{name}" if self.path else name

    def has(self, name: str) -> bool:
        """Return whether there is such a member."""
        return name in self.data

    def text(self, name: str, default: str | None = None, most: int = LONGEST) -> str:
        """Return a text; raises DrillError where it is none, or missing without a default."""
        found = self._member(name, default)
        if not isinstance(found, str) or not found.strip() or len(found) > most:
            raise DrillError(self.at(name), f"must be a text of at most {most} letters")
        return found.strip()

    def texts(self, name: str) -> tuple[str, ...]:
        """Return texts, at least one; raises as `text` does."""
        found = self._member(name, None)
        if not isinstance(found, list) or not found:
            raise DrillError(self.at(name), "must be a list of texts")
        return tuple(Members({"": one}, f"{self.at(name)}[{i}]").text("") for i, one in enumerate(found))

    def one_of(self, name: str, among: Container[str], default: str | None = None) -> str:
        """Return a text that is among some; raises DrillError for another."""
        found = self.text(name, default)
        if found not in among:
            raise DrillError(self.at(name), f"cannot be {found!r}")
        return found

    def number(self, name: str, least: float, most: float, default: float | None = None) -> float:
        """Return a figure between two; raises DrillError for any other."""
        found = self._member(name, default)
        if isinstance(found, bool) or not isinstance(found, (int, float)) or not least <= found <= most:
            raise DrillError(self.at(name), f"must be a figure from {least:g} to {most:g}")
        return float(found)

    def count(self, name: str, most: int, default: int | None = None) -> int:
        """Return a count from 1; raises as `number` does."""
        return int(self.number(name, 1, most, default))

    def percent(self, name: str, most: float) -> float:
        """Return a slope [ratio] from its percents, 0 where it is not said."""
        return PERCENT * self.number(f"{name}_percent", -most, most, 0.0)

    def length_m(self, name: str, most_m: float, default_m: float | None = None) -> float:
        """Return a length [m] by its name with a unit, or the golfer's own that stands for it.

        ``to_ft = 10.0``, ``to_in``, ``to_m``, or ``to = "zone"``; raises DrillError where it is further off
        than `most_m`.
        """
        if self.has(name):
            return self._own_m(name)
        said = [unit for unit in LENGTHS_M if self.has(f"{name}_{unit}")]
        if not said and default_m is not None:
            return default_m
        if len(said) != 1:
            units = ", ".join(f"{name}_{unit}" for unit in LENGTHS_M)
            raise DrillError(self.at(name), f"needs one of {units}")
        size = LENGTHS_M[said[0]]
        return size * self.number(f"{name}_{said[0]}", -most_m / size, most_m / size)

    def _own_m(self, name: str) -> float:
        named = self.text(name)
        if named not in self.own_m:
            raise DrillError(self.at(name), f"no length of one's own is called {named!r}")
        return self.own_m[named]

    def table(self, name: str) -> "Members":
        """Return a table within; raises DrillError where it is none."""
        found = self._member(name, None)
        if not isinstance(found, dict):
            raise DrillError(self.at(name), "must be a table")
        return Members(found, self.at(name), self.own_m)

    def tables(self, name: str) -> Iterator["Members"]:
        """Yield tables within, at least one; raises as `table` does."""
        found = self._member(name, None)
        if not isinstance(found, list) or not found or not all(isinstance(one, dict) for one in found):
            raise DrillError(self.at(name), "must be tables")
        for i, one in enumerate(found):
            yield Members(one, f"{self.at(name)}[{i}]", self.own_m)

    def finished(self, made: Made) -> Made:
        """Return what was made of it, all being asked for; raises DrillError for a member without meaning."""
        unknown = sorted(set(self.data) - self.asked)
        if unknown:
            raise DrillError(self.at(unknown[0]), "means nothing here")
        return made

    def _member(self, name: str, default: Any) -> Any:
        self.asked.add(name)
        found = self.data.get(name, default)
        if found is None:
            raise DrillError(self.at(name), "is missing")
        return found
