"""A sheet of figures, as noted where a green's speed is measured: in an address, and in the book."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Any
from urllib.parse import urlencode


@dataclass(frozen=True)
class Noted:
    """One figure as it was noted.

    Attributes
    ----------
    typed : str
        As typed.
    figure : float or None
        What that means, in SI units; angles of a ramp in degrees, green speeds in feet. None where it cannot
        be read.
    left_out : bool
        Whether it is not to count.
    error : str
        What is wrong with it.
    """

    typed: str
    figure: float | None = None
    left_out: bool = False
    error: str = ""

    @property
    def counts(self) -> bool:
        """Whether it can be read and is to count."""
        return self.figure is not None and not self.left_out


@dataclass(frozen=True)
class Sheet:
    """Figures by name, each noted once or several times, and words chosen; its edits return another."""

    figures: Mapping[str, tuple[Noted, ...]] = field(default_factory=dict)
    choices: Mapping[str, str] = field(default_factory=dict)

    def noted(self, name: str) -> tuple[Noted, ...]:
        """Return what was noted under a name."""
        return self.figures.get(name, ())

    def once(self, name: str) -> float | None:
        """Return a figure that is noted once; None where it is not there or cannot be read."""
        return next((one.figure for one in self.noted(name)), None)

    def counted(self, name: str) -> list[float]:
        """Return the figures under a name that count."""
        return [one.figure for one in self.noted(name) if one.figure is not None and not one.left_out]

    @property
    def errors(self) -> dict[str, str]:
        """What is wrong, by name: with the first of several that cannot be read."""
        found = {name: [one.error for one in noted if one.error] for name, noted in self.figures.items()}
        return {name: wrong[0] for name, wrong in found.items() if wrong}

    def more(self, name: str, *noted: Noted) -> "Sheet":
        """Return it with more figures under a name."""
        return replace(self, figures={**self.figures, name: (*self.noted(name), *noted)})

    def anew(self, name: str, *noted: Noted) -> "Sheet":
        """Return it with these figures under a name, and no others."""
        return replace(self, figures={**self.figures, name: noted})

    def choosing(self, **chosen: str) -> "Sheet":
        """Return it with words chosen; an empty one is none."""
        return replace(self, choices={**self.choices, **chosen})

    @property
    def fields(self) -> list[tuple[str, str]]:
        """All that says something, as the fields of an address; ``left_out=out-2`` is the second `out`."""
        rows = [
            (name, i, one) for name, noted in self.figures.items() for i, one in enumerate(noted, start=1)
        ]
        return (
            [(name, chosen) for name, chosen in self.choices.items() if chosen]
            + [(name, one.typed) for name, _, one in rows]
            + [("left_out", f"{name}-{i}") for name, i, one in rows if one.left_out]
        )

    @property
    def query(self) -> str:
        """The same as the query of an address."""
        return urlencode(self.fields)

    @property
    def document(self) -> dict[str, Any]:
        """The same as JSON data."""
        return {
            "figures": {name: [_told(one) for one in noted] for name, noted in self.figures.items() if noted},
            "choices": {name: chosen for name, chosen in self.choices.items() if chosen},
        }


def sheet_of(document: Mapping[str, Any]) -> Sheet:
    """Return the sheet of a document that `Sheet.document` made."""
    figures = {
        name: tuple(Noted(one["typed"], one["figure"], one.get("left_out", False)) for one in noted)
        for name, noted in document["figures"].items()
    }
    return Sheet(figures, dict(document["choices"]))


def _told(one: Noted) -> dict[str, Any]:
    told: dict[str, Any] = {"typed": one.typed, "figure": one.figure}
    return told | {"left_out": True} if one.left_out else told
