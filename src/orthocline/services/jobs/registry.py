"""The kinds of work that are done in the background. One more is one more entry."""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass

from sqlalchemy.orm import Session

from orthocline.services.account.access import Viewer
from orthocline.services.carry.archive import archive, archive_size


@dataclass(frozen=True)
class Kind:
    """A kind of work.

    Attributes
    ----------
    size : callable
        Returns how many things are to be done.
    pieces : callable
        Yields what is made, a piece for each thing done or a few more.
    file_name, media_type : str
        Of what is made.
    """

    size: Callable[[Viewer, Session], int]
    pieces: Callable[[Viewer, Session], Iterator[str]]
    file_name: str
    media_type: str


KINDS: Mapping[str, Kind] = {
    "archive": Kind(archive_size, archive, "orthocline-account.json", "application/json"),
}
