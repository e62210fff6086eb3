"""The variables of the log's list."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from urllib.parse import urlencode

from flask import url_for

from orthocline.services.log.putts import ALL, MOST_COUNTED, LogPage, Which
from orthocline.web.shared.log_rows import Row
from orthocline.web.shared.which_form import OF_FIELDS, WhichForm, which_values
from orthocline.wording.log.which import ONLY_WORDS
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class LogView:
    """A page of the log: its filters, its rows, and where the others are."""

    filters: WhichForm
    which: Which
    listed: LogPage
    rows: Sequence[Row]
    wording: Wording
    later: bool = False
    deleted: int | None = None

    @property
    def total(self) -> int:
        """How many there are, up to `most_counted`."""
        return self.listed.total

    @property
    def most_counted(self) -> int:
        """From so many on they are not counted."""
        return MOST_COUNTED

    @property
    def filtered(self) -> bool:
        """Whether only some putts are asked for."""
        return self.which != ALL

    @property
    def named(self) -> tuple[str, ...]:
        """The conditions that have no field."""
        return tuple(name for name in self.which.only if name not in OF_FIELDS)

    @property
    def only(self) -> list[tuple[str, str]]:
        """The conditions that have no field, in words, each with the address without it."""
        return [
            (ONLY_WORDS[name], self._address(tuple(one for one in self.which.only if one != name)))
            for name in self.named
        ]

    @property
    def newest(self) -> str:
        """The address of the first page."""
        return self._address(self.which.only)

    @property
    def older(self) -> str:
        """The address of the next page; empty for none."""
        return self._address(self.which.only, self.listed.older) if self.listed.older else ""

    def _address(self, only: tuple[str, ...], before: str = "") -> str:
        values = which_values(replace(self.which, only=only), self.wording)
        return f"{url_for('log.page')}?{urlencode(values | ({'before': before} if before else {}))}"
