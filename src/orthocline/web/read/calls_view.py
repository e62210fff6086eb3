"""The calls of the page: which lead, in their order, which are folded, and how the golfer chooses them."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import NamedTuple

from orthocline.core.calls import SCHOOLS
from orthocline.wording.calls import SAYINGS
from orthocline.wording.calls.saying import CallLine
from orthocline.wording.wording import Wording

STEPS = {"up": -1, "down": 1}


class Choice(NamedTuple):
    """A call that may lead: its name, what it is called, and whether it does."""

    name: str
    title: str
    leads: bool


@dataclass(frozen=True)
class CallsView:
    """The calls of a read.

    Attributes
    ----------
    lines : sequence of CallLine
        All that have something to say.
    first : tuple of str
        The names of those that lead, in their order.
    lit : str
        The one whose layer is lit.
    """

    lines: Sequence[CallLine]
    first: tuple[str, ...]
    lit: str
    wording: Wording

    @property
    def leading(self) -> tuple[CallLine, ...]:
        """The lines that lead."""
        lines = {line.school: line for line in self.lines}
        return tuple(lines[name] for name in self.first if name in lines)

    @property
    def folded(self) -> tuple[CallLine, ...]:
        """The other lines."""
        return tuple(line for line in self.lines if line.school not in self.first)

    @property
    def choices(self) -> tuple[Choice, ...]:
        """All calls there are, those that lead first."""
        names = (*self.first, *(name for name in SCHOOLS if name not in self.first))
        return tuple(Choice(one, SAYINGS[one].title(self.wording), one in self.first) for one in names)


def chosen(first: tuple[str, ...], edit: str) -> tuple[str, ...]:
    """Return the calls that lead after an edit: ``lead:apex``, ``fold:apex``, ``up:apex`` or ``to:apex:2``.

    One that makes no sense changes nothing.
    """
    way, _, rest = edit.partition(":")
    name, _, place = rest.partition(":")
    others = tuple(one for one in first if one != name)
    if name not in SCHOOLS:
        return first
    if way == "fold":
        return others
    if way == "lead":
        return (*others, name)
    if way == "to" and place.isdecimal():
        return _put(others, name, int(place))
    if way in STEPS and name in first:
        return _put(others, name, max(first.index(name) + STEPS[way], 0))
    return first


def _put(others: tuple[str, ...], name: str, place: int) -> tuple[str, ...]:
    return (*others[:place], name, *others[place:])
