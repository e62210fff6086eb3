"""`orthocline read`: a putt document in, a read out."""

import json
import sys
from typing import Any, BinaryIO

import click

from orthocline.core.api import read
from orthocline.formats.putt_document import DocumentError, parse_putt
from orthocline.formats.read_document import read_document
from orthocline.services.call import call, entry_words

UNREADABLE = 2


@click.command("read")
@click.argument("file", type=click.File("rb"))
@click.option("--json", "as_json", is_flag=True, help="Print the read as JSON.")
@click.option("--lines", is_flag=True, help="One document a line in, one answer a line out (with --json).")
def read_command(file: BinaryIO, *, as_json: bool, lines: bool) -> None:
    """Read the putt document in FILE (- for standard input)."""
    if lines and not as_json:
        raise click.UsageError("--lines goes with --json")
    if lines:
        sys.exit(_read_lines(file))
    try:
        answer = read(parse_putt(file.read()))
    except DocumentError as error:
        click.echo(error.line, err=True)
        sys.exit(UNREADABLE)
    if as_json:
        click.echo(_dump(read_document(answer)))
        return
    said = call(answer)
    click.echo(said.sentence)
    for sentence in (*said.details, *(entry_words(answer) or ())):
        click.echo(sentence)
    for name, words in said.lines:
        click.echo(f"{name}: {words}")
    for warning in answer.warnings:
        click.echo(f"Note: {warning.message}")


def _read_lines(file: BinaryIO) -> int:
    status = 0
    for line in file:
        try:
            answer = read_document(read(parse_putt(line)))
        except DocumentError as error:
            answer = {"error": {"member": error.member, "message": str(error)}}
            status = UNREADABLE
        click.echo(_dump(answer))
    return status


def _dump(answer: dict[str, Any]) -> str:
    return json.dumps(answer, allow_nan=False)
