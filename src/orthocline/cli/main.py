"""The command line of Orthocline."""

import click

from orthocline import __version__
from orthocline.cli.database import database
from orthocline.cli.read import read_command
from orthocline.cli.serve import demo_command, serve_command


@click.group()
@click.version_option(__version__, prog_name="orthocline")
def main() -> None:
    """Putt break and aim point from green slope, distance and green speed."""


@main.command("warm")
def warm_command() -> None:
    """Compile the physics once, so that no first visitor waits (loading the program does it)."""


for command in (database, demo_command, read_command, serve_command):
    main.add_command(command)

if __name__ == "__main__":
    main()
