"""The command line of Orthocline."""

import click

from orthocline import __version__
from orthocline.cli.database import backup_command, database, reset_code_command, restore_command
from orthocline.cli.green import green_command
from orthocline.cli.learning import diagnose_command, habits_command
from orthocline.cli.read import read_command
from orthocline.cli.serve import demo_command, serve_command
from orthocline.core.roll import compile_ahead
from orthocline.db.server.programs import ClusterError


class Commands(click.Group):
    """Commands that say in one sentence why the database or its folder cannot be used."""

    def invoke(self, ctx: click.Context) -> object:
        """Run the command."""
        try:
            return super().invoke(ctx)
        except (ClusterError, OSError) as error:
            raise click.ClickException(str(error)) from error


@click.group(cls=Commands)
@click.version_option(__version__, prog_name="orthocline")
def main() -> None:
    """Putt break and aim from green slope, distance and green speed."""


@main.command("warm")
def warm_command() -> None:
    """Compile the physics once, so that no first visitor waits."""
    compile_ahead()


COMMANDS = (
    backup_command,
    database,
    demo_command,
    diagnose_command,
    green_command,
    habits_command,
    read_command,
    reset_code_command,
    restore_command,
    serve_command,
)
for command in COMMANDS:
    main.add_command(command)

if __name__ == "__main__":
    main()
