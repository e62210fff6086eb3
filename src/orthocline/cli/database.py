"""`orthocline db`, `backup`, `restore` and `reset-code`: what whoever runs it does to the database."""

from pathlib import Path

import click
from sqlalchemy import NullPool, create_engine
from sqlalchemy.orm import Session

from orthocline.db.server.backup import backup, restore
from orthocline.db.server.cluster import ensure_running, stop
from orthocline.db.server.migrate import RowsWouldBeLostError, downgrade, upgrade
from orthocline.db.server.settings import database_url, var_folder
from orthocline.services.account.forgotten import give_reset_code
from orthocline.services.errors import NotFoundError


@click.group("db")
def database() -> None:
    """Start, stop and migrate the database."""


@database.command("start")
def start_command() -> None:
    """Start the private server, making it first if need be."""
    click.echo(f"database on 127.0.0.1:{ensure_running(var_folder()).port}")


@database.command("stop")
def stop_command() -> None:
    """Stop the private server."""
    click.echo("database stopped" if stop(var_folder()) else "database was not running")


@database.command("upgrade")
@click.argument("revision", default="head")
def upgrade_command(revision: str) -> None:
    """Bring the tables to REVISION (the newest)."""
    upgrade(database_url(), revision)


@database.command("downgrade")
@click.argument("revision")
@click.option("--yes", is_flag=True, help="Drop tables even if they hold rows.")
def downgrade_command(revision: str, *, yes: bool) -> None:
    """Take the tables back to REVISION (base for none); asks before rows are lost."""
    url = database_url()
    try:
        downgrade(url, revision, even_rows=yes)
    except RowsWouldBeLostError as error:
        click.confirm(f"This drops tables for good, with their rows ({error}). Go on?", abort=True)
        downgrade(url, revision, even_rows=True)


@click.command("reset-code")
@click.argument("name")
def reset_code_command(name: str) -> None:
    """Print a code by which the golfer called NAME gets a new password, once."""
    with Session(create_engine(database_url(), poolclass=NullPool)) as session, session.begin():
        try:
            click.echo(give_reset_code(session, name))
        except NotFoundError as error:
            raise click.ClickException(str(error)) from error


@click.command("backup")
@click.argument("file", type=click.Path(dir_okay=False, path_type=Path))
@click.option("--overwrite", is_flag=True, help="Replace FILE if it is there.")
def backup_command(file: Path, *, overwrite: bool) -> None:
    """Write everything that is kept to FILE, and check that it can be read back."""
    backup(database_url(), file, overwrite=overwrite)
    click.echo(f"everything is in {file}")


@click.command("restore")
@click.argument("file", type=click.Path(dir_okay=False, path_type=Path))
@click.option("--overwrite", is_flag=True, help="Replace what the database holds.")
def restore_command(file: Path, *, overwrite: bool) -> None:
    """Put back what a backup in FILE holds."""
    restore(database_url(), file, overwrite=overwrite)
    click.echo(f"restored from {file}")
