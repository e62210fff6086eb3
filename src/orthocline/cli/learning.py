"""`orthocline diagnose` and `orthocline habits`: putts of a log in, what they say out."""

import sys
from typing import Any, BinaryIO, NoReturn

import click

from orthocline.cli.lines import UNREADABLE, answer_lines
from orthocline.formats.json_lines import bounded_lines, dump
from orthocline.formats.played_document import (
    diagnosis_document,
    habits_document,
    judged,
    parse_played,
)
from orthocline.formats.putt_document import LARGEST_LINE, DocumentError
from orthocline.wording.log.which_was_it import cause_words
from orthocline.wording.wording import USUAL_WORDING

HABIT_WORDS = {
    "read_factor": "own aim over the true aim",
    "read_factor_falling_left": "the same where the green falls to the left",
    "read_factor_falling_right": "the same where it falls to the right",
    "read_sd_percent": "spread of the reads [%]",
    "start_line_bias_right_deg": "start line to the right of the aim [deg]",
    "start_line_sd_deg": "spread of the start line [deg]",
    "energy_bias_percent": "energy more than meant [%]",
    "energy_sd_percent": "spread of the energy [%]",
}


@click.command("diagnose")
@click.argument("file", type=click.File("rb"))
@click.option("--json", "as_json", is_flag=True, help="Print the shares as JSON.")
@click.option("--lines", is_flag=True, help="One putt a line in, one answer a line out (with --json).")
def diagnose_command(file: BinaryIO, *, as_json: bool, lines: bool) -> None:
    """Say of the putt in FILE (- for standard input) whether it was the read, the line or the pace."""
    if lines and not as_json:
        raise click.UsageError("--lines goes with --json")
    if lines:
        sys.exit(answer_lines(file, _answered))
    try:
        found = judged(parse_played(file.read(LARGEST_LINE + 1)))
    except DocumentError as error:
        _refuse(error)
    if as_json:
        click.echo(dump(diagnosis_document(found)))
        return
    for sentence in cause_words(found, USUAL_WORDING):
        click.echo(sentence)


@click.command("habits")
@click.argument("file", type=click.File("rb"))
@click.option("--json", "as_json", is_flag=True, help="Print them as JSON.")
def habits_command(file: BinaryIO, *, as_json: bool) -> None:
    """Say what the golfer does again and again whose putts are the lines of FILE (- for standard input)."""
    log = []
    for number, line in enumerate(bounded_lines(file), start=1):
        try:
            log.append(parse_played(line))
        except DocumentError as error:
            _refuse(DocumentError(error.member, f"line {number}: {error}"))
    try:
        told = habits_document(log)
    except DocumentError as error:
        _refuse(error)
    if as_json:
        click.echo(dump(told))
        return
    whose = "a usual golfer's, for they are few" if told["usual"] else "the golfer's own"
    click.echo(f"{told['putts']} putts; the figures of the stroke are {whose}.")
    for name, words in HABIT_WORDS.items():
        least, most = told[name]["range"]
        click.echo(f"{words}: {told[name]['value']:g} ({least:g} to {most:g})")


def _answered(line: bytes) -> dict[str, Any]:
    return diagnosis_document(judged(parse_played(line)))


def _refuse(error: DocumentError) -> NoReturn:
    click.echo(error.line, err=True)
    sys.exit(UNREADABLE)
