"""Lines of JSON in and out: one that is at fault is answered with what is wrong with it."""

import json
from collections.abc import Callable, Iterator
from typing import Any, BinaryIO

import click

from orthocline.formats.putt_document import LARGEST_LINE, DocumentError

UNREADABLE = 2


def answer_lines(file: BinaryIO, answer: Callable[[bytes], dict[str, Any]]) -> int:
    """Answer each line of a file with one; return the command's status: 2 if any was at fault."""
    status = 0
    for line in bounded_lines(file):
        try:
            told = answer(line)
        except DocumentError as error:
            told = {"error": {"member": error.member, "message": str(error)}}
            status = UNREADABLE
        click.echo(dump(told))
    return status


def bounded_lines(file: BinaryIO) -> Iterator[bytes]:
    """Return the lines of a file, of one that is too long only its beginning: it is refused, never held."""
    while line := file.readline(LARGEST_LINE + 1):
        piece = line
        while len(piece) > LARGEST_LINE and not piece.endswith(b"\n"):
            piece = file.readline(LARGEST_LINE + 1)
        yield line


def dump(told: dict[str, Any]) -> str:
    """Return JSON data as one line."""
    return json.dumps(told, allow_nan=False)
