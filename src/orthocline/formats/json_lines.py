"""Lines of JSON in and out: one that is at fault is answered with what is wrong with it."""

import json
from collections.abc import Callable, Iterator
from typing import IO, Any

from orthocline.formats.putt_document import LARGEST_LINE, DocumentError


def answers(file: IO[bytes], answer: Callable[[bytes], dict[str, Any]]) -> Iterator[dict[str, Any]]:
    """Yield the answer to each line of a file; to one that is at fault an ``error``."""
    for line in bounded_lines(file):
        try:
            yield answer(line)
        except DocumentError as error:
            yield {"error": {"member": error.member, "message": str(error)}}


def bounded_lines(file: IO[bytes]) -> Iterator[bytes]:
    """Yield the lines of a file, of one that is too long only its beginning: it is refused, never held."""
    while line := file.readline(LARGEST_LINE + 1):
        piece = line
        while len(piece) > LARGEST_LINE and not piece.endswith(b"\n"):
            piece = file.readline(LARGEST_LINE + 1)
        yield line


def dump(told: dict[str, Any]) -> str:
    """Return JSON data as one line."""
    return json.dumps(told, allow_nan=False)
