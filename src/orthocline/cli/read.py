"""`orthocline read`: a putt document in, a read out."""

import sys
from typing import BinaryIO, TextIO

import click

from orthocline.cli.lines import UNREADABLE, answer_lines
from orthocline.drawing.roll.plan import plan
from orthocline.drawing.svg import svg_file
from orthocline.formats.json_lines import dump
from orthocline.formats.putt_document import LARGEST_BYTES, DocumentError, parse_question
from orthocline.services.read.answers import Answer, answer_line, answer_to
from orthocline.wording.holing.pace import outlook_words
from orthocline.wording.read.call import call, entry_words
from orthocline.wording.read.warnings import other_lines_words, warning_words
from orthocline.wording.sure.next_reading import best_words
from orthocline.wording.wording import USUAL_WORDING


@click.command("read")
@click.argument("file", type=click.File("rb"))
@click.option("--json", "as_json", is_flag=True, help="Print the read as JSON.")
@click.option("--lines", is_flag=True, help="One document a line in, one solved a line out (with --json).")
@click.option("--drawing", type=click.File("w", lazy=True), help="Write its plan to this file, as SVG.")
def read_command(file: BinaryIO, *, as_json: bool, lines: bool, drawing: TextIO | None) -> None:
    """Read the putt document in FILE (- for standard input)."""
    if lines and not as_json:
        raise click.UsageError("--lines goes with --json")
    if lines and drawing:
        raise click.UsageError("--drawing is of one putt, not of --lines")
    if lines:
        sys.exit(answer_lines(file, answer_line))
    try:
        solved = answer_to(parse_question(file.read(LARGEST_BYTES + 1)))
    except DocumentError as error:
        click.echo(error.line, err=True)
        sys.exit(UNREADABLE)
    if drawing:
        drawing.write(_drawn(solved))
    if as_json:
        click.echo(dump(solved.document))
        return
    _say(solved)


def _say(answer: Answer) -> None:
    sure, solved = answer.sure, answer.sure.read
    said = call(solved, sure=sure.range)
    click.echo(said.sentence)
    for sentence in (said.range, *said.details, *(entry_words(solved) or ())):
        if sentence:
            click.echo(sentence)
    for reading in sure.next_readings[:1]:
        click.echo(best_words(reading, solved, USUAL_WORDING))
    for line in said.lines:
        click.echo(f"{line.title}: {line.words}")
    if said.tolerance:
        click.echo(f"Drops within: {said.tolerance}")
    if answer.outlook:
        for sentence in outlook_words(answer.outlook, USUAL_WORDING):
            click.echo(sentence)
    for warning in warning_words(solved):
        click.echo(f"Note: {warning}")
    for number, words in other_lines_words(solved):
        click.echo(f"Line {number}: {words}")


def _drawn(answer: Answer) -> str:
    sure, solved = answer.sure, answer.sure.read
    says = call(solved, sure=sure.range).sentence
    return svg_file(plan(solved.putt, solved, USUAL_WORDING, says=says, sure=sure).scene)
