"""Lines of JSON in and out, printed."""

from collections.abc import Callable
from typing import Any, BinaryIO

import click

from orthocline.formats.json_lines import answers, dump

UNREADABLE = 2


def answer_lines(file: BinaryIO, answer: Callable[[bytes], dict[str, Any]]) -> int:
    """Answer each line of a file with one; return the command's status: 2 if any was at fault."""
    status = 0
    for told in answers(file, answer):
        status = UNREADABLE if "error" in told else status
        click.echo(dump(told))
    return status
