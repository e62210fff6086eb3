"""The command line of Orthocline."""

from importlib import import_module
from typing import Final

import click

from orthocline.db.server.programs import ClusterError

COMMANDS: Final = {
    "backup": "database:backup_command",
    "db": "database:database",
    "demo": "serve:demo_command",
    "diagnose": "learning:diagnose_command",
    "green": "green:green_command",
    "habits": "learning:habits_command",
    "read": "read:read_command",
    "reset-code": "database:reset_code_command",
    "restore": "database:restore_command",
    "serve": "serve:serve_command",
    "warm": "warm:warm_command",
}
"""Where each command is: what one of them needs takes seconds to load, and the others do not need it."""


class Commands(click.Group):
    """Commands that are loaded when asked for, and say in one sentence why the database cannot be used."""

    def list_commands(self, _ctx: click.Context) -> list[str]:
        """Return the names of all."""
        return list(COMMANDS)

    def get_command(self, _ctx: click.Context, cmd_name: str) -> click.Command | None:
        """Return a command, None for one that there is not."""
        module, _, name = COMMANDS.get(cmd_name, "").partition(":")
        if not module:
            return None
        command: click.Command = getattr(import_module(f"orthocline.cli.{module}"), name)
        return command

    def invoke(self, ctx: click.Context) -> object:
        """Run the command."""
        try:
            return super().invoke(ctx)
        except (ClusterError, OSError) as error:
            raise click.ClickException(str(error)) from error


@click.group(cls=Commands)
@click.version_option(package_name="orthocline", prog_name="orthocline")
def main() -> None:
    """Putt break and aim from green slope, distance and green speed."""


if __name__ == "__main__":
    main()
