"""The command line of Orthocline."""

import click

from orthocline import __version__
from orthocline.cli.read import read_command


@click.group()
@click.version_option(__version__, prog_name="orthocline")
def main() -> None:
    """Putt break and aim point from green slope, distance and green speed."""


@main.command()
def warm() -> None:
    """Compile the physics once, so that no first visitor waits."""


main.add_command(read_command)
