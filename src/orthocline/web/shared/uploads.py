"""Files that are sent with a form, piece by piece."""

from collections.abc import Iterator
from typing import IO

from orthocline.services.jobs.files import PIECE_BYTES


def pieces_of(file: IO[bytes]) -> Iterator[bytes]:
    """Yield a file in pieces."""
    while piece := file.read(PIECE_BYTES):
        yield piece
